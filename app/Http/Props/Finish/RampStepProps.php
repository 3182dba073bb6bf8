<?php

declare(strict_types=1);

namespace App\Http\Props\Finish;

use App\Http\Props\ColourProps;
use App\Http\Props\DropsProps;

/**
 * A step of a ramp: what goes into the cup, and the whole mix in drops then.
 */
final readonly class RampStepProps
{
    /**
     * @param  list<DropsProps>  $added
     * @param  list<DropsProps>  $mix
     */
    public function __construct(public int $step, public array $added, public array $mix, public ColourProps $colour)
    {
    }
}
