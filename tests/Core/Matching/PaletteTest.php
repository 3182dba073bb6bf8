<?php

declare(strict_types=1);

namespace Tests\Core\Matching;

use Hyalin\Colour\DifferenceFormula;
use Hyalin\Colour\Srgb;
use Hyalin\Finish\Zone;
use Hyalin\Matching\Sampling\InvalidSample;
use Hyalin\Matching\Sampling\Palette;
use Hyalin\Matching\Sampling\PaletteColour;
use Hyalin\Matching\Sampling\SampleDoubts;
use Hyalin\Matching\Sampling\SampleStatistics;
use Hyalin\Matching\Sampling\StrokeRamp;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Support\Node;

final class PaletteTest extends TestCase
{
    /** A labelled picture: five paints with noise; each must come back, with its share, in whatever order the pixels come. */
    public function test_the_colours_of_a_labelled_picture_come_back_with_their_shares(): void
    {
        $paints = ['#c98f1f' => 0.4, '#355473' => 0.25, '#1d2124' => 0.2, '#e8e8e3' => 0.1, '#7d2a20' => 0.05];
        $pixels = [];
        $random = new Randomizer(new Mt19937(11));
        foreach ($paints as $hex => $share) {
            for ($i = 0; $i < 4000 * $share; $i++) {
                $p = 0;
                foreach (Srgb::hex($hex)->toArray() as $v) {
                    $p = $p << 8 | max(0, min(255, (int) round(255 * $v) + $random->getInt(-3, 3)));
                }
                $pixels[] = $p;
            }
        }
        $found = Palette::of($pixels, 8);
        self::assertCount(5, $found);
        foreach (array_keys($paints) as $n => $hex) {
            $wanted = Srgb::hex($hex)->toXyz()->toLab();
            self::assertLessThan(1.5, DifferenceFormula::Ciede2000->between($wanted, $found[$n]->colour), $hex);
            self::assertEqualsWithDelta($paints[$hex], $found[$n]->share, 0.01);
        }
        self::assertEqualsWithDelta(1.0, array_sum(array_map(static fn ($c): float => $c->share, $found)), 0.011);
        self::assertEquals($found, Palette::of($random->shuffleArray($pixels), 8));
    }

    /**
     * A second opinion on a rendered picture: the general libraries culori for the conversion and ml-kmeans (k-means++,
     * the best of five seeds) for the clusters. Ours may keep a little more error, as it merges what looks like one
     * colour and drops what is no main one.
     */
    public function test_a_general_library_finds_no_much_better_clusters(): void
    {
        $image = imagecreatefromwebp(dirname(__DIR__, 3).'/database/demo/pictures/keeper-maude.webp');
        self::assertNotFalse($image);
        $pixels = [];
        for ($y = 0; $y < imagesy($image); $y += 9) {
            for ($x = 0; $x < imagesx($image); $x += 9) {
                $pixels[] = (int) imagecolorat($image, $x, $y) & 0xFFFFFF;
            }
        }
        $ours = array_map(static fn (PaletteColour $c): array => $c->colour->toArray(), Palette::of($pixels, 8));
        /** @var array{ours: float, theirs: float} $error */
        $error = Node::ask(<<<'JS'
            import { converter } from 'culori';
            import { kmeans } from 'ml-kmeans';
            const lab65 = converter('lab65');
            const points = input.pixels.map((p) => {
                const c = lab65({ mode: 'rgb', r: (p >> 16) / 255, g: ((p >> 8) & 255) / 255, b: (p & 255) / 255 });
                return [c.l, c.a, c.b];
            });
            const squared = (p, q) => (p[0] - q[0]) ** 2 + (p[1] - q[1]) ** 2 + (p[2] - q[2]) ** 2;
            const error = (centres) => points.reduce((sum, p) => sum + Math.min(...centres.map((c) => squared(p, c))), 0) / points.length;
            const theirs = [1, 2, 3, 4, 5].map((seed) => error(kmeans(points, input.ours.length, { seed }).centroids));
            console.log(JSON.stringify({ ours: error(input.ours), theirs: Math.min(...theirs) }));
            JS, ['pixels' => $pixels, 'ours' => $ours]);
        self::assertGreaterThanOrEqual(4, count($ours));
        self::assertLessThan(1.15 * $error['theirs'], $error['ours']);
        self::assertGreaterThan(0.0, $error['theirs']);
    }

    public function test_a_picture_of_one_colour_has_one_main_colour(): void
    {
        self::assertCount(1, Palette::of(array_fill(0, 300, 0x808080), 8));
        $this->expectException(InvalidSample::class);
        Palette::of([], 8);
    }

    public function test_a_stroke_from_shade_to_light_gives_the_ramp_in_order(): void
    {
        $pixels = [];
        foreach (range(0, 199) as $i) {
            $v = 40 + $i;
            $pixels[] = $v << 16 | (int) (0.7 * $v) << 8 | (int) (0.3 * $v);
        }
        $ramp = StrokeRamp::of($pixels);
        self::assertSame(array_column(Zone::cases(), 'value'), array_keys($ramp));
        $before = 0.0;
        foreach ($ramp as $sample) {
            self::assertGreaterThan($before + 8, $sample->colour->lightness);
            $before = $sample->colour->lightness;
        }
        foreach ([['too short', array_slice($pixels, 0, 20), 'draw it longer'], ['one tone', array_fill(0, 100, 0x907050), 'one tone only']] as [$name, $wrong, $words]) {
            try {
                StrokeRamp::of($wrong);
                self::fail($name);
            } catch (InvalidSample $e) {
                self::assertStringContainsString($words, $e->getMessage());
            }
        }
    }

    public function test_a_highlight_a_clipped_spot_and_a_block_edge_are_questioned(): void
    {
        self::assertSame('', self::doubts(self::spot(static fn (int $x, int $y): int => 0x806040 + ($x + $y) % 3), true));
        self::assertStringContainsString('highlight', self::doubts(self::spot(static fn (int $x, int $y): int => hypot($x - 10, $y - 10) < 4 ? 0xF8F4EE : 0x806040)));
        self::assertStringContainsString('clipped', self::doubts(self::spot(static fn (int $x): int => $x < 3 ? 0xFFE080 : 0xF8D878)));
        self::assertStringContainsString('more than one colour', self::doubts(self::spot(static fn (int $x): int => $x < 10 ? 0x806040 : 0x204060)));
        // Blocks of 8 that differ by a few codes, flat within.
        $blocky = self::spot(static fn (int $x, int $y): int => 0x806040 + 0x050505 * ((intdiv($x, 8) + intdiv($y, 8)) % 2));
        self::assertStringContainsString('JPEG', self::doubts($blocky, true));
        self::assertSame('', self::doubts($blocky));
    }

    /**
     * @param  callable(int, int): int  $colour
     * @return list<array{int, int, int}>
     */
    private static function spot(callable $colour): array
    {
        $pixels = [];
        foreach (range(0, 19) as $y) {
            foreach (range(0, 19) as $x) {
                $pixels[] = [$x, $y, $colour($x, $y)];
            }
        }

        return $pixels;
    }

    /** @param  list<array{int, int, int}>  $pixels */
    private static function doubts(array $pixels, bool $isJpeg = false): string
    {
        return implode('; ', SampleDoubts::of(SampleStatistics::of(array_column($pixels, 2)), $pixels, $isJpeg));
    }
}
