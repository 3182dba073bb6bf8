<?php

declare(strict_types=1);

namespace App\Devices;

use GdImage;
use Hyalin\Colour\Lab;
use Hyalin\Colour\Reflectance;
use Hyalin\Colour\SpectralRecovery;
use Hyalin\Matching\Neutral\ChartPatches;
use Hyalin\Sheet\Box;
use Hyalin\Sheet\MarkCode;
use Hyalin\Sheet\Place;
use Hyalin\Sheet\SheetLayout;

/**
 * A printed and painted sheet as a camera has it before it: a map of what lies where, and the reflectance of each such thing.
 */
final class SheetPrint
{
    /** Pixels of the map in a millimetre. */
    public const SCALE = 6;

    public const RIM = 12.0;

    /** Steps of thickness that a brush leaves in one coat. */
    public const LEVELS = 9;

    public const TABLE = 0;

    public const PAPER = 1;

    public const BLACK = 2;

    private const LINE = 3;

    private const FRAME = 4;

    private const CARD = 5;

    public const FINGER = 6;

    private const FIRST_PATCH = 7;

    /** Of ink on paper and of a grey card; own estimates of what is usual. */
    private const PAPER_WHITE = 0.87;

    private const INK = 0.05;

    private const GREY = 0.18;

    /** @var list<Reflectance> what each code of the map reflects */
    public array $things;

    private readonly GdImage $map;

    /**
     * @param  array<int, array<string, list<Reflectance>>>  $fields  by position and Place: one reflectance, or LEVELS from thin to thick
     * @param  string  $card  grey, chart or none
     */
    public function __construct(int $number, private readonly SheetLayout $layout, array $fields, string $card, int $seed)
    {
        $this->things = [
            Reflectance::of(array_map(static fn (int $b): float => 0.22 + 0.004 * $b, range(0, 35))), self::paper(), self::ink(),
            Reflectance::flat(0.6), Reflectance::flat(0.045), Reflectance::flat(self::GREY), Reflectance::of(array_map(static fn (int $b): float => 0.25 + 0.01 * $b, range(0, 35))),
            ...array_map(static fn (Lab $lab): Reflectance => SpectralRecovery::of($lab->toXyz()), ChartPatches::underD65()),
        ];
        $map = imagecreatetruecolor((int) ((SheetLayout::WIDTH + 2 * self::RIM) * self::SCALE), (int) ((SheetLayout::HEIGHT + 2 * self::RIM) * self::SCALE));
        $this->map = $map;
        imagefill($map, 0, 0, self::PAPER);
        $this->marks($number);
        $this->card($card, $seed);
        foreach ($fields as $field => $places) {
            $cell = $this->layout->cell($field);
            $this->word($this->layout->code($field).' field '.$field, $cell->x + 2, $cell->y + 1.2);
            foreach (Place::cases() as $place) {
                $box = $this->layout->place($field, $place);
                $this->outline($box);
                if ($place === Place::OverBlack) {
                    $this->fill($box, self::BLACK);
                }
                if (isset($places[$place->value])) {
                    $this->paint($box->inset(0.3), $places[$place->value], $seed + 7 * $field);
                }
            }
        }
    }

    /** Paper takes a little of the violet. */
    public static function paper(): Reflectance
    {
        return Reflectance::of(array_map(static fn (int $b): float => self::PAPER_WHITE * (1 - 0.0016 * max(0, 8 - $b)) - 0.0004 * $b, range(0, 35)));
    }

    /** The black of a printer is no card. */
    public static function ink(): Reflectance
    {
        return Reflectance::of(array_map(static fn (int $b): float => self::INK + 0.0004 * $b, range(0, 35)));
    }

    /** @return string the map as an uncompressed bitmap, whose blue and green bytes are the low and the high byte of a key in $things */
    public function bitmap(): string
    {
        ob_start();
        imagebmp($this->map, null, false);

        return (string) ob_get_clean();
    }

    /** @return array{int, int} width and height of the map */
    public function size(): array
    {
        return [imagesx($this->map), imagesy($this->map)];
    }

    private function marks(int $number): void
    {
        foreach (SheetLayout::marks() as $mark => $box) {
            $this->fill($box, self::BLACK);
            foreach (MarkCode::modules($number, $mark) as $n => $isBlack) {
                $module = new Box($box->x + (1 + $n % MarkCode::SIDE) * SheetLayout::MODULE, $box->y + (1 + intdiv($n, MarkCode::SIDE)) * SheetLayout::MODULE, SheetLayout::MODULE, SheetLayout::MODULE);
                if (! $isBlack) {
                    $this->fill($module, self::PAPER);
                }
            }
        }
        foreach (SheetLayout::blacks() as $box) {
            $this->fill($box, self::BLACK);
        }
        foreach (['Swatch sheet', 'Paint one coat over black and paper.', 'A thick blob; one drop in five of white.', 'Lay the card below. Photograph when dry.'] as $n => $words) {
            $this->word($words, 17, 1 + 4 * $n);
        }
    }

    /** A card that nobody lays down quite straight. */
    private function card(string $card, int $seed): void
    {
        $this->outline(SheetLayout::card());
        if ($card === 'none') {
            return;
        }
        $angle = 0.05 * sin($seed);
        [$x, $y] = SheetLayout::card()->middle();
        $x += 1.5 * sin(3 * $seed);
        $y += cos(5 * $seed);
        $quad = function (float $left, float $top, float $width, float $height, int $code) use ($angle, $x, $y): void {
            $points = [];
            foreach ([[$left, $top], [$left + $width, $top], [$left + $width, $top + $height], [$left, $top + $height]] as [$u, $v]) {
                $points[] = (int) round(self::SCALE * (self::RIM + $x + cos($angle) * $u - sin($angle) * $v));
                $points[] = (int) round(self::SCALE * (self::RIM + $y + sin($angle) * $u + cos($angle) * $v));
            }
            imagefilledpolygon($this->map, $points, $code);
        };
        if ($card === 'grey') {
            $quad(-50, -29, 100, 58, self::CARD);

            return;
        }
        $quad(-54, -32, 108, 64, self::FRAME);
        for ($patch = 0; $patch < 24; $patch++) {
            $quad(-50 + 17 * ($patch % 6), -29.5 + 15 * intdiv($patch, 6), 14.5, 13.0, self::FIRST_PATCH + $patch);
        }
    }

    /** @param  list<Reflectance>  $levels */
    private function paint(Box $box, array $levels, int $seed): void
    {
        $first = count($this->things);
        array_push($this->things, ...$levels);
        $most = count($levels) - 1;
        [$x0, $y0] = [(int) (self::SCALE * (self::RIM + $box->x)), (int) (self::SCALE * (self::RIM + $box->y))];
        [$width, $height] = [(int) (self::SCALE * $box->width), (int) (self::SCALE * $box->height)];
        if ($most === 0) {
            imagefilledrectangle($this->map, $x0, $y0, $x0 + $width - 1, $y0 + $height - 1, $first);

            return;
        }
        // Streaks along the stroke, thicker towards its end; ragged where the brush begins and ends.
        for ($x = 0; $x < $width; $x++) {
            $across = sin(0.9 * $x / self::SCALE + $seed) + 0.6 * sin(2.3 * $x / self::SCALE + 2 * $seed);
            $ragged = 2.5 + 2.5 * sin(1.7 * $x / self::SCALE + $seed);
            for ($y = (int) ceil($ragged); $y < $height - $ragged; $y++) {
                $streak = $across + 0.5 * sin(0.4 * $y / self::SCALE + 3 * $seed);
                $level = (int) max(0, min($most, round($most / 2 + $most / 6 * $streak)));
                imagesetpixel($this->map, $x0 + $x, $y0 + $y, $first + $level);
            }
        }
    }

    private function fill(Box $box, int $code): void
    {
        $at = static fn (float $mm): int => (int) round(self::SCALE * (self::RIM + $mm));
        imagefilledrectangle($this->map, $at($box->x), $at($box->y), $at($box->x + $box->width) - 1, $at($box->y + $box->height) - 1, $code);
    }

    private function outline(Box $box): void
    {
        $at = static fn (float $mm): int => (int) round(self::SCALE * (self::RIM + $mm));
        imagerectangle($this->map, $at($box->x), $at($box->y), $at($box->x + $box->width), $at($box->y + $box->height), self::LINE);
    }

    private function word(string $words, float $x, float $y): void
    {
        imagestring($this->map, 5, (int) (self::SCALE * (self::RIM + $x)), (int) (self::SCALE * (self::RIM + $y)), $words, self::BLACK);
    }
}
