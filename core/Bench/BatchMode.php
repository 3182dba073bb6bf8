<?php

declare(strict_types=1);

namespace Hyalin\Bench;

/**
 * How several equal figures are painted.
 */
enum BatchMode: string
{
    case StepByStep = 'step by step';
    case FigureByFigure = 'figure by figure';
}
