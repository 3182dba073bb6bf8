<?php

declare(strict_types=1);

namespace Hyalin\Cup;

use Hyalin\Colour\Lab;

/**
 * One step of a ramp: what goes into the cup after the step before.
 */
final readonly class RampStep
{
    /**
     * @param  int  $step  1, 2 towards the light, -1, -2 towards the shade
     * @param  array<string, int>  $added  drops put into the cup of the step before
     * @param  Cup  $cup  what is in it then
     * @param  Lab  $wanted  where an even ramp would be
     */
    public function __construct(public int $step, public array $added, public Cup $cup, public Lab $lab, public Lab $wanted, public float $difference)
    {
    }
}
