<?php

declare(strict_types=1);

namespace Hyalin\Sheet;

use Hyalin\Numeric\Homography;

/**
 * A sheet as it lies in a picture.
 */
final readonly class FoundSheet
{
    /**
     * @param  int  $number  of the sheet
     * @param  Homography  $map  from mm on the sheet to pixels of the picture
     * @param  list<int>  $marks  that were read
     * @param  float  $residual  root mean square of how far their corners are from where they belong, mm
     */
    public function __construct(public int $number, public Homography $map, public array $marks, public float $residual)
    {
    }
}
