<?php

declare(strict_types=1);

namespace App\Devices;

use App\Adapters\Bench\RunFinish;
use App\Adapters\Finish\FigureOptics;
use App\Adapters\Finish\LayerDraft;
use App\Models\Bench\Run;
use App\Models\Brief\Area;
use App\Models\Brief\Figure;
use App\Models\Shelf\Paint;
use GdImage;
use Hyalin\Colour\Illuminant;
use Hyalin\Colour\Lab;
use Hyalin\Colour\Reflectance;
use Hyalin\Colour\SpectralRecovery;
use Hyalin\Colour\SpectralSum;
use Hyalin\Colour\Srgb;
use Hyalin\Colour\Xyz;
use Hyalin\Finish\Hand;
use Hyalin\Finish\Zone;
use Hyalin\Matching\Neutral\ChartPatches;
use Hyalin\Optics\FilmThickness;
use Hyalin\Optics\Sheen;
use Hyalin\Optics\Surface;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * Stands in for a camera in a booth. It has the pieces of the demo before it, painted by a hand and from pots that
 * differ a little from what is on file; spectra are summed under the lamp itself, and nothing is white-balanced.
 */
final class SimulatedCamera implements Camera
{
    private const PIECES = ['Keeper Maude of Skerrow Ness' => 'keeper-maude', 'Six reed sentries' => 'reed-sentry', 'The Moth Regent' => 'moth-regent', 'The Tide Bell' => 'tide-bell'];

    /** Light that falls on the middle of each zone, as the maps of the pieces have it */
    private const STOPS = [0.06, 0.26, 0.5, 0.74, 0.94];

    private const GREY_CARD = 0.18;

    public function card(Paint $pot, Booth $booth): string
    {
        $optics = SimulatedPot::optics($pot);
        $coat = FilmThickness::coats(1.0);
        $card = static fn (float $r): Reflectance => Surface::of(Sheen::Gloss)->seen(Reflectance::flat($r));
        $paint = static fn (Reflectance $inside): Reflectance => Surface::of($pot->sheen)->seen($inside);
        $patches = [
            Reflectance::flat(self::GREY_CARD), $card(0.035), $card(0.88),
            $paint($optics->filmOver(Reflectance::flat(0.035), $coat)), $paint($optics->filmOver(Reflectance::flat(0.88), $coat)), $paint($optics->masstone()),
        ];
        $image = imagecreatetruecolor(600, 400);
        $this->fill($image, $booth, static fn (int $x, int $y): int => $x % 200 < 20 || $x % 200 > 180 || $y % 200 < 20 || $y % 200 > 180 ? 6 : intdiv($x, 200) + 3 * intdiv($y, 200), [
            ...array_map(static fn (Reflectance $r): array => self::light($r, $booth), $patches),
            self::light(Reflectance::flat(0.3), $booth),
        ]);

        return self::png($image);
    }

    public function piece(Figure $figure, Booth $booth, ?Run $run = null): ?string
    {
        $name = self::PIECES[$figure->name] ?? null;
        $map = $name === null ? false : imagecreatefrompng(database_path("demo/pictures/{$name}.map.png"));
        if ($map === false) {
            return null;
        }
        /** @var list<string> $names written by database/demo/render.php */
        $names = json_decode((string) file_get_contents(database_path("demo/pictures/{$name}.areas.json")), true);
        $ramps = $this->ramps($figure, $booth, $run);
        $lights = [self::light(Reflectance::flat(0.22), $booth)];
        foreach ($names as $area) {
            $ramp = $ramps[$area] ?? array_fill(0, 5, self::light(Reflectance::flat(0.3), $booth));
            foreach (range(0, 255) as $exposure) {
                $lights[] = self::between($ramp, $exposure / 255);
            }
        }
        $fixed = count($lights);
        foreach ($this->neutrals($booth) as $patch) {
            $lights[] = self::light($patch, $booth);
        }
        $image = imagecreatetruecolor(imagesx($map), imagesy($map));
        $this->fill($image, $booth, static function (int $x, int $y) use ($map, $fixed, $booth): int {
            $patch = self::neutralAt($booth->neutral, $x, $y, imagesy($map));
            if ($patch !== null) {
                return $fixed + $patch;
            }
            $code = (int) imagecolorat($map, $x, $y);
            $area = $code >> 16 & 255;

            return $area === 0 ? 0 : 1 + ($area - 1) * 256 + ($code >> 8 & 255);
        }, $lights);

        return self::png($image);
    }

    /** @return list<Reflectance> what is neutral in the frame */
    private function neutrals(Booth $booth): array
    {
        return match ($booth->neutral) {
            'grey' => [Reflectance::flat(self::GREY_CARD)],
            'chart' => [
                ...array_map(static fn (Lab $lab): Reflectance => SpectralRecovery::of($lab->toXyz()), ChartPatches::underD65()),
                Reflectance::flat(0.05),
            ],
            default => [],
        };
    }

    /** @return int|null which of them lies at a pixel: a card in the lower left corner */
    private static function neutralAt(string $neutral, int $x, int $y, int $height): ?int
    {
        $top = $height - 96;
        if ($neutral === 'none' || $y < $top + 8 || $y >= $height - 8 || $x < 8) {
            return null;
        }
        if ($neutral === 'grey') {
            return $x < 72 ? 0 : null;
        }
        $column = intdiv($x - 8, 20);
        $row = intdiv($y - $top - 8, 20);
        if ($column > 5 || $row > 3) {
            return null;
        }
        $isGap = ($x - 8) % 20 > 16 || ($y - $top - 8) % 20 > 16;

        return $isGap ? 24 : $row * ChartPatches::COLUMNS + $column;
    }

    /** @return array<string, list<array{float, float, float}>> light of the five zones, by area */
    private function ramps(Figure $figure, Booth $booth, ?Run $run): array
    {
        // The light of the section does not matter: what is used of it is the reflectance.
        $hand = new Hand(0.97, 1.12);
        $ramps = [];
        foreach ($figure->areas()->with(['layers.paints.paint', 'part'])->get() as $area) {
            /** @var Area $area */
            $optics = FigureOptics::of($figure, $area);
            $top = $optics->prediction->onTop($optics->start, $optics->layers($run === null ? LayerDraft::stackOf($area) : RunFinish::of($area, $run), SimulatedPot::optics(...), $hand))->top();
            $ramps[$area->name] = array_map(static fn (Zone $z): array => self::light($top->cell($z)->surface->seen($top->cell($z)->inside), $booth), Zone::cases());
        }

        return $ramps;
    }

    /**
     * @param  list<array{float, float, float}>  $ramp
     * @return array{float, float, float}
     */
    private static function between(array $ramp, float $exposure): array
    {
        $stops = self::stops();
        $i = 0;
        while ($i < 3 && $exposure > $stops[$i + 1]) {
            $i++;
        }
        $t = max(0.0, min(1.0, ($exposure - $stops[$i]) / ($stops[$i + 1] - $stops[$i])));
        $t = $t * $t * (3 - 2 * $t);
        [$p, $q] = [$ramp[$i], $ramp[$i + 1]];

        return [$p[0] + $t * ($q[0] - $p[0]), $p[1] + $t * ($q[1] - $p[1]), $p[2] + $t * ($q[2] - $p[2])];
    }

    /** @return list<float> */
    private static function stops(): array
    {
        return self::STOPS;
    }

    /** @return array{float, float, float} linear sRGB as recorded */
    private static function light(Reflectance $surface, Booth $booth): array
    {
        [$x, $y, $z] = SpectralSum::under($booth->lamp)->tristimulus($surface->values);

        return Xyz::of($booth->exposure * $x, $booth->exposure * $y, $booth->exposure * $z, Illuminant::D65)->toSrgb()->linear();
    }

    /**
     * @param  callable(int, int): int  $what  place in $lights, by pixel
     * @param  list<array{float, float, float}>  $lights
     */
    private function fill(GdImage $image, Booth $booth, callable $what, array $lights): void
    {
        $noise = new SimulatedNoise(new Randomizer(new Mt19937(5)));
        $codes = array_map(static fn (array $light): array => array_map(static fn (float $v): float => 255 * Srgb::encode($v), $light), $lights);
        for ($y = 0, $height = imagesy($image); $y < $height; $y++) {
            for ($x = 0, $width = imagesx($image); $x < $width; $x++) {
                $packed = 0;
                foreach ($codes[$what($x, $y)] as $v) {
                    $packed = $packed << 8 | max(0, min(255, (int) round($v + $booth->noise * $noise->next())));
                }
                imagesetpixel($image, $x, $y, $packed);
            }
        }
    }

    private static function png(GdImage $image): string
    {
        ob_start();
        imagepng($image);

        return (string) ob_get_clean();
    }
}
