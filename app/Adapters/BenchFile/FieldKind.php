<?php

declare(strict_types=1);

namespace App\Adapters\BenchFile;

/**
 * Types of the fields of a bench file. References are numbers of records within the file.
 */
enum FieldKind
{
    case Text;
    case Integer;
    case Number;
    case Flag;
    case Moment;
    case Day;
    case Choice;
    /** Stored as JSON, written as it is. */
    case Json;
    case Reference;
    /** A list of references. */
    case References;
    /** Drops of pots, each with its name and colour on that day. */
    case Mix;
    /** Millilitres by pot. */
    case Levels;
    /** Readings of a pot; they may name the white they were tinted with. */
    case Readings;
    /** A step as the order of work names it, by part or layer. */
    case StepName;
    case StepNames;
    /** The stacks of all areas, as a version of the recipe keeps them. */
    case Finishes;
    /** Areas by piece of a print file, 0 for none. */
    case Pieces;
    /** Sessions as they were laid, each with its steps. */
    case Sessions;
    /** The name of a picture within the zip. */
    case File;
    /** The name of a print file within the zip. */
    case Print;
}
