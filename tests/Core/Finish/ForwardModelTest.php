<?php

declare(strict_types=1);

namespace Tests\Core\Finish;

use Hyalin\Colour\Illuminant;
use Hyalin\Colour\Reflectance;
use Hyalin\Finish\Layer;
use Hyalin\Finish\SectionPrediction;
use Hyalin\Finish\Technique;
use Hyalin\Finish\Zone;
use Hyalin\Optics\OpticsQuality;
use Hyalin\Optics\PaintOptics;
use Hyalin\Optics\Sheen;
use Hyalin\Optics\Surface;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * The whole way from paints to what is seen, against a second model written here from the published formulas: films by the
 * hyperbolic form of P. Kubelka (J. Opt. Soc. Am. 38, 448 (1948)), area coverage by A. Murray (J. Franklin Inst. 221, 721
 * (1936)), the surface by J. L. Saunderson (J. Opt. Soc. Am. 32, 727 (1942)), deposits by the table of docs/model.md.
 */
final class ForwardModelTest extends TestCase
{
    /** Coverage, thickness of absorption, thickness of scattering: recess to edge. */
    private const DEPOSITS = [
        'base coat' => [[1, 1, 1, 1, 1], [1, 1, 1, 1, 1], [1, 1, 1, 1, 1]],
        'wash' => [[1, 1, 1, 1, 1], [2.5, 1.4, 0.7, 0.4, 0.2], [2.5, 1.4, 0.7, 0.4, 0.2]],
        'one-coat' => [[1, 1, 1, 1, 1], [1.8, 1.3, 1.0, 0.7, 0.45], [0.45, 0.45, 0.45, 0.45, 0.45]],
        'glaze' => [[1, 1, 1, 1, 1], [0.3, 0.3, 0.3, 0.3, 0.3], [0.3, 0.3, 0.3, 0.3, 0.3]],
        'dry brush' => [[0, 0.03, 0.12, 0.4, 0.75], [1, 1, 1, 1, 1], [1, 1, 1, 1, 1]],
        'overbrush' => [[0.02, 0.15, 0.45, 0.75, 0.9], [1, 1, 1, 1, 1], [1, 1, 1, 1, 1]],
        'varnish' => [[1, 1, 1, 1, 1], [1, 1, 1, 1, 1], [1, 1, 1, 1, 1]],
    ];

    private const VEILS = ['matt' => 0.014, 'satin' => 0.007, 'gloss' => 0.0];

    public function test_two_hundred_finishes_come_out_as_the_published_formulas_have_them(): void
    {
        $random = new Randomizer(new Mt19937(13));
        $worst = 0.0;
        for ($finish = 0; $finish < 200; $finish++) {
            $sheen = Sheen::cases()[$random->getInt(0, 2)];
            $bare = $random->getInt(2, 90) / 100;
            $layers = $stack = [];
            for ($n = $random->getInt(1, 6); $n > 0; $n--) {
                $technique = Technique::from(array_keys(self::DEPOSITS)[$random->getInt(0, count(self::DEPOSITS) - 1)]);
                $isVarnish = $technique === Technique::Varnish;
                $k = $isVarnish ? 0.0 : $random->getInt(0, 3000) / 1000;
                $s = $isVarnish ? 0.0 : $random->getInt(1, 6000) / 1000;
                $thinner = $isVarnish ? 0.0 : $random->getInt(0, 4) / 1.0;
                $coats = $random->getInt(1, 3);
                $own = $isVarnish ? Sheen::cases()[$random->getInt(0, 2)] : null;
                $layers[] = Layer::of($technique, self::flat($k, $s), $thinner, $coats, Zone::cases(), $own);
                $stack[] = [$technique->value, $k, $s, $thinner, $coats, $own?->value];
            }
            $top = SectionPrediction::under(Illuminant::D65, Surface::of($sheen))->of(Reflectance::flat($bare), $layers)->top();
            foreach (Zone::cases() as $zone) {
                [$r, $surface] = self::painted($bare, $stack, $zone->index(), $sheen->value);
                $cell = $top->cell($zone);
                $worst = max($worst, abs($r - $cell->inside->values[17]));
                $seen = self::VEILS[$surface] + 0.96 * 0.4 * $r / (1 - 0.6 * $r);
                self::assertEqualsWithDelta($seen, $cell->surface->seen($cell->inside)->values[17], 1e-9, json_encode($stack, JSON_THROW_ON_ERROR));
                // A flat grey is seen as its luminance: L* = 116 Y^(1/3) - 16, below 0.008856 903.3 Y (ISO 11664-4).
                $lightness = $seen > 0.008856 ? 116 * $seen ** (1 / 3) - 16 : 903.2963 * $seen;
                self::assertEqualsWithDelta($lightness, $cell->seen->lightness, 1e-3);
            }
        }
        self::assertLessThan(1e-9, $worst);
    }

    /**
     * @param  list<array{string, float, float, float, int, string|null}>  $stack
     * @return array{float, string} reflectance inside, and the sheen it ends with
     */
    private static function painted(float $r, array $stack, int $zone, string $sheen): array
    {
        foreach ($stack as [$technique, $k, $s, $thinner, $coats, $own]) {
            [$coverage, $absorbing, $scattering] = array_column(self::DEPOSITS[$technique], $zone);
            if ($coverage <= 0) {
                continue;
            }
            for ($coat = 0; $coat < $coats; $coat++) {
                $film = self::film($k * $absorbing / (1 + $thinner), $s * $scattering / (1 + $thinner), $r);
                $r = $coverage * $film + (1 - $coverage) * $r;
            }
            $sheen = $own ?? $sheen;
        }

        return [$r, $sheen];
    }

    /** K and S of the whole film, thickness 1: R = (1 - Rg (a - b coth bS)) / (a - Rg + b coth bS), and its limits. */
    private static function film(float $k, float $s, float $beneath): float
    {
        if ($s < 1e-12) {
            return $beneath * exp(-2 * $k);
        }
        if ($k < 1e-12) {
            return ($beneath + (1 - $beneath) * $s) / (1 + (1 - $beneath) * $s);
        }
        $a = 1 + $k / $s;
        $b = sqrt($a * $a - 1);
        $coth = 1 / tanh($b * $s);

        return (1 - $beneath * ($a - $b * $coth)) / ($a - $beneath + $b * $coth);
    }

    private static function flat(float $k, float $s): PaintOptics
    {
        return PaintOptics::of(array_fill(0, 36, $k), array_fill(0, 36, $s), OpticsQuality::Measured);
    }
}
