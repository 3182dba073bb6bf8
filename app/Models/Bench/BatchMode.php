<?php

declare(strict_types=1);

namespace App\Models\Bench;

/**
 * How several equal figures are painted.
 */
enum BatchMode: string
{
    case StepByStep = 'step by step';
    case FigureByFigure = 'figure by figure';
}
