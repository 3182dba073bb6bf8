<?php

declare(strict_types=1);

namespace App\Adapters\References;

use App\Models\References\Picture;
use Hyalin\Colour\DifferenceFormula;
use Hyalin\Finish\Zone;
use Hyalin\InvalidInput;
use Hyalin\Matching\Neutral\Shading;
use Hyalin\Matching\Sampling\ColourArea;
use Hyalin\Matching\Sampling\ColourAreas;
use Hyalin\Matching\Sampling\ColourCorrection;
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

    private const AREAS_SIDE = 240;

    /** Radius of the spot that shows a zone of an area, in pixels of such a picture. */
    private const SPOT = 1.2;

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
     * Likely areas of the picture, and where each shows its middle tone.
     *
     * @return list<array{ColourArea, array{float, float}}> largest first
     *
     * @throws InvalidInput when there is nothing but a backdrop
     */
    public function areas(): array
    {
        return array_map(fn (ColourArea $area): array => [$area, $this->whole($area->ramp[Zone::Mid->value][1], $area->ramp[Zone::Mid->value][2])], $this->colourAreas()[0]->areas);
    }

    /**
     * The colours of some of these areas together, taken as spots where the picture shows them.
     *
     * @param  list<non-empty-list<int>>  $wanted  places in the list of areas(), each list one area
     * @return list<array<string, array<string, mixed>>> attributes of samples by zone, for each
     *
     * @throws InvalidInput when there is no such area
     */
    public function samplesOf(array $wanted): array
    {
        [$areas, $width] = $this->colourAreas();
        $radius = self::SPOT / $width * ($this->picture->crop[2] ?? 1.0);
        $all = [];
        foreach ($wanted as $places) {
            $samples = [];
            foreach ($areas->together($places)->ramp as $zone => [, $x, $y]) {
                $samples[$zone] = $this->taken('spot', [$this->whole($x, $y), [$radius, 0.0]], Zone::from($zone));
            }
            $all[] = $samples;
        }

        return $all;
    }

    /** @return array{ColourAreas, int} and the width of the copy that they were found in, in pixels */
    private function colourAreas(): array
    {
        $rows = $this->file->rows($this->picture->crop, self::AREAS_SIDE);
        $width = count($rows[0] ?? []);

        return [ColourAreas::of($width, array_merge(...$rows), $this->correction), $width];
    }

    /** @return array{float, float} a place in the crop as one in the picture */
    private function whole(float $x, float $y): array
    {
        [$left, $top, $width, $height] = $this->picture->crop ?? [0.0, 0.0, 1.0, 1.0];

        return [$left + $x * $width, $top + $y * $height];
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
