<?php

declare(strict_types=1);

namespace App\Models\Cups;

enum CupAct: string
{
    /** Drops or grams of a pot. */
    case Add = 'add';
    /** Water, medium or thinner, without a pot of its own. */
    case Thin = 'thin';
    /** Taken out to paint with, or poured away: of everything in proportion. */
    case Use = 'use';
}
