<?php

declare(strict_types=1);

namespace App\Devices;

use App\Models\Bench\Run;
use App\Models\Brief\Figure;
use App\Models\Shelf\Paint;

/**
 * A camera whose photos carry the colour of the lamp, an exposure and noise.
 */
interface Camera
{
    /** @return string PNG of a test card: grey, black and white card bare; one coat over black, over white, thick */
    public function card(Paint $pot, Booth $booth): string;

    /**
     * @param  Run|null  $run  as that run has painted it with the steps that it holds; null as planned
     * @return string|null PNG of the figure; null where this camera has no such piece before it
     */
    public function piece(Figure $figure, Booth $booth, ?Run $run = null): ?string;
}
