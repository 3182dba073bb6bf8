<?php

declare(strict_types=1);

namespace App\Http\Props\Finish;

use App\Http\Props\ColourProps;
use Hyalin\Colour\ColourSpread;

/**
 * Where a predicted colour will lie, two out of three times.
 */
final readonly class SpreadProps
{
    /**
     * @param  float  $radius  CIEDE2000 from the prediction
     * @param  ColourProps  $from  one end of the line that it is least sure along, the darker one
     */
    public function __construct(public float $radius, public ColourProps $from, public ColourProps $to)
    {
    }

    public static function of(ColourSpread $spread): self
    {
        [$from, $to] = $spread->ends();

        return new self($spread->radius(), ColourProps::of($from), ColourProps::of($to));
    }
}
