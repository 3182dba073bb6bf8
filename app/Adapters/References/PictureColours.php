<?php

declare(strict_types=1);

namespace App\Adapters\References;

use App\Models\References\Picture;
use Hyalin\Colour\DifferenceFormula;
use Hyalin\Finish\Zone;
use Hyalin\InvalidInput;
use Hyalin\Matching\Neutral\ColourCorrection;
use Hyalin\Matching\Neutral\Shading;
use Hyalin\Matching\Sampling\InvalidSample;
use Hyalin\Matching\Sampling\Palette;
use Hyalin\Matching\Sampling\PaletteColour;
use Hyalin\Matching\Sampling\SampleDoubts;
use Hyalin\Matching\Sampling\SampleStatistics;
use Hyalin\Matching\Sampling\StrokeRamp;

/**
 * Colours taken from a picture as it is neutralised, as the attributes of a sample or a finding.
 */
final readonly class PictureColours
{
    private const PALETTE_SIDE = 320;

    /** Pixels of such a picture that a spot must be even over. */
    private const SQUARE = 5;

    /** A code of unevenness counts as much as so much distance in CIELAB. */
    private const UNEVEN = 0.15;

    private function __construct(private Picture $picture, private PictureFile $file, private ?ColourCorrection $correction)
    {
    }

    /** @throws InvalidInput when it cannot be neutralised any more as it was */
    public static function of(Picture $picture): self
    {
        $file = PictureFile::of($picture);

        $balance = $picture->neutral === null ? null : $file->whiteBalance($picture->neutral);

        return new self($picture, $file->evened($balance?->field), $balance?->correction);
    }

    /**
     * @param  list<array{float, float}>  $points  see PictureRegion
     * @return array<string, mixed> attributes of a sample or a finding
     *
     * @throws InvalidInput when it holds no pixel
     */
    public function taken(string $method, array $points, Zone $zone): array
    {
        if ($method === 'stroke') {
            return $this->ramp($points)[$zone->value] ?? throw InvalidSample::noPixels();
        }
        $statistics = SampleStatistics::of($this->file->pixels($method, $points), $this->correction);

        return $this->attributes($statistics, $method, $points, $zone, SampleDoubts::of($statistics, $this->file->located($method, $points), $this->picture->block_grid));
    }

    /**
     * @param  list<array{float, float}>  $points  of a stroke
     * @return array<string, array<string, mixed>> attributes by zone
     *
     * @throws InvalidInput when it is too short or of one tone
     */
    public function ramp(array $points): array
    {
        $ramp = [];
        foreach (StrokeRamp::of($this->file->pixels('stroke', $points), $this->correction) as $zone => $statistics) {
            $ramp[$zone] = $this->attributes($statistics, 'stroke', $points, Zone::from($zone), SampleDoubts::of($statistics, [], false));
        }

        return $ramp;
    }

    /**
     * The main colours, each with the spot where the picture shows it most purely.
     *
     * @return list<array{PaletteColour, array{float, float}}>
     */
    public function palette(int $most): array
    {
        $colours = Palette::of($this->file->overview($this->picture->crop, self::PALETTE_SIDE), $most, $this->correction);
        $best = array_fill(0, count($colours), [INF, [0.5, 0.5]]);
        foreach ($this->file->squares($this->picture->crop, self::PALETTE_SIDE, self::SQUARE) as [$x, $y, $packed, $range]) {
            $lab = SampleStatistics::of([$packed], $this->correction)->colour;
            foreach ($colours as $i => $colour) {
                $off = DifferenceFormula::Cie76->between($colour->colour, $lab) + self::UNEVEN * $range;
                if ($off < $best[$i][0]) {
                    $best[$i] = [$off, [$x, $y]];
                }
            }
        }

        return array_map(static fn (PaletteColour $colour, array $found): array => [$colour, $found[1]], $colours, $best);
    }

    /**
     * @param  list<array{float, float}>  $points
     * @param  list<string>  $doubts
     * @return array<string, mixed>
     */
    private function attributes(SampleStatistics $statistics, string $method, array $points, Zone $zone, array $doubts): array
    {
        $colour = ($this->picture->shading ?? Shading::Painted)->toBePainted($statistics->colour, $zone);

        return [
            'picture_id' => $this->picture->id,
            'zone' => $zone,
            'method' => $method,
            'outline' => $points,
            'lightness' => $colour->lightness,
            'a' => $colour->a,
            'b' => $colour->b,
            'spread' => $statistics->spread,
            'pixels' => $statistics->pixels,
            'clipped' => $statistics->clipped,
            'doubts' => $doubts === [] ? null : $doubts,
        ];
    }
}
