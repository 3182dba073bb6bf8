<?php

declare(strict_types=1);

namespace App\Models\Bench;

/**
 * The painter's verdict on a step afterwards: it is left out when the run is repeated or becomes the recipe.
 */
enum StepVerdict: string
{
    case Mistake = 'mistake';
    case Trial = 'trial';
}
