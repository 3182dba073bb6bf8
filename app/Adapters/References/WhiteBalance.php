<?php

declare(strict_types=1);

namespace App\Adapters\References;

use Hyalin\Matching\Neutral\ChartFit;
use Hyalin\Matching\Neutral\GreyPatch;
use Hyalin\Matching\Neutral\LightField;

/**
 * The correction that takes lamp and camera out of a picture, and its accuracy.
 */
final readonly class WhiteBalance
{
    /**
     * @param  LightField|null  $field  how the light falls off, where two patches or a chart tell it; evened before the correction
     * @param  float  $typical  CIEDE2000 that half of the colours stay within; an estimate
     * @param  float  $most  CIEDE2000 that nineteen of twenty stay within; an estimate
     */
    public function __construct(public GreyPatch|ChartFit $correction, public ?LightField $field, public float $typical, public float $most)
    {
    }
}
