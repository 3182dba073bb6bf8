<?php

declare(strict_types=1);

namespace App\Devices;

use Hyalin\Colour\Illuminant;

/**
 * How a photo is taken: by which lamp, how bright, with what in the frame.
 */
final readonly class Booth
{
    /**
     * @param  float  $exposure  1 shows a white as nearly white
     * @param  float  $noise  standard deviation in codes of 255
     * @param  string  $neutral  grey, chart or none
     */
    public function __construct(
        public Illuminant $lamp = Illuminant::Led,
        public float $exposure = 0.8,
        public float $noise = 1.5,
        public string $neutral = 'grey',
    ) {
    }
}
