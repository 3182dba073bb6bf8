<?php

declare(strict_types=1);

namespace App\Http\Props\References;

use App\Http\Props\ColourProps;
use App\Models\References\Sample;
use Hyalin\Finish\Zone;

/**
 * The colour wanted of one zone, and where it was taken from.
 */
final readonly class SampleProps
{
    /**
     * @param  int|null  $pictureId  null where it was named without a picture
     * @param  string|null  $source  of a named colour, in words
     * @param  string  $method  spot, lasso, stroke or named
     * @param  list<list<float>>  $outline  points, 0..1 of width and height; a spot is its centre and [radius, 0], a stroke ends with [half width, 0]
     * @param  float  $spread  mean CIEDE2000 of its pixels to it
     * @param  string|null  $doubt  why this sample may not be what it seems
     */
    public function __construct(
        public int $areaId,
        public Zone $zone,
        public ?int $pictureId,
        public ?string $source,
        public string $method,
        public array $outline,
        public ColourProps $colour,
        public float $spread,
        public int $pixels,
        public ?string $doubt,
    ) {
    }

    public static function of(Sample $sample): self
    {
        return new self(
            $sample->area_id,
            $sample->zone,
            $sample->picture_id,
            source: $sample->source,
            method: $sample->method,
            outline: $sample->outline,
            colour: ColourProps::of($sample->lab()),
            spread: $sample->spread,
            pixels: $sample->pixels,
            doubt: self::doubt($sample),
        );
    }

    private static function doubt(Sample $sample): ?string
    {
        $doubts = $sample->doubts ?? [];
        if ($sample->picture_id !== null && $sample->pixels < 12) {
            $doubts[] = 'it is only a few pixels';
        }

        return $doubts === [] ? null : ucfirst(implode('; ', $doubts)).'.';
    }
}
