<?php

declare(strict_types=1);

namespace App\Devices;

use App\Models\Shelf\SwatchSheet;

/**
 * A camera that has a painted sheet before it.
 */
interface SheetCamera
{
    /**
     * @param  int  $shot  photos of one sheet differ by it
     * @return string JPEG
     */
    public function sheet(SwatchSheet $sheet, int $shot): string;
}
