<?php

declare(strict_types=1);

namespace Tests\Core\Sheet;

use App\Devices\SheetPrint;
use App\Devices\SheetScene;
use Hyalin\Colour\DifferenceFormula;
use Hyalin\Colour\Reflectance;
use Hyalin\Sheet\FoundSheet;
use Hyalin\Sheet\InvalidSheet;
use Hyalin\Sheet\Photo;
use Hyalin\Sheet\Place;
use Hyalin\Sheet\SheetLayout;
use Hyalin\Sheet\SheetReading;
use Hyalin\Sheet\SheetSearch;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Support\Rounds;
use Tests\Support\SheetPhotos;

/**
 * Sheets in photos by a camera that shares nothing with the reader but where things are on a sheet: where it found them, and the
 * colours, against what was painted. bin/sheets does it by the hundred.
 */
final class SheetReadingTest extends TestCase
{
    private const NUMBER = 4711;

    public function test_a_sheet_is_found_however_it_lies(): void
    {
        for ($seed = 1; $seed <= Rounds::of(2, 5); $seed++) {
            $scene = SheetScene::any($seed, new Randomizer(new Mt19937($seed)), 'grey', 2400, 1800);
            [$found] = self::found($scene);
            self::assertSame(self::NUMBER, $found->number);
            foreach ([[0.0, 0.0], [186.0, 0.0], [186.0, 258.0], [0.0, 258.0], [93.0, 129.0]] as [$x, $y]) {
                [$u, $v] = $scene->map()->inverse()->at(...$found->map->at($x, $y));
                self::assertLessThan(0.4, hypot($u - $x, $v - $y), "millimetres, photo {$seed}");
            }
        }
    }

    public function test_fingers_over_four_marks_do_not_hide_it_and_over_five_they_do(): void
    {
        $fingers = array_map(static fn (int $mark): array => [...SheetLayout::marks()[$mark]->middle(), 11.0], [2, 4, 5, 6]);
        [$found] = self::found(new SheetScene(1600, 1200, card: 'grey', covers: $fingers));
        self::assertEqualsCanonicalizing([0, 1, 3], $found->marks);
        $this->expectExceptionMessage('only 2 of the seven marks');
        self::found(new SheetScene(1600, 1200, card: 'grey', covers: [...$fingers, [...SheetLayout::marks()[0]->middle(), 11.0]]));
    }

    public function test_colours_are_what_was_painted_by_chart_and_by_grey_card(): void
    {
        foreach (['chart' => [1.0, 3.0], 'grey' => [3.0, 7.0]] as $card => [$half, $most]) {
            $scene = new SheetScene(1800, 1350, gradient: 1.7, shadow: 0.6, card: $card, seed: 11);
            [$found, $photo] = self::found($scene, $fields = SheetPhotos::painted());
            $reading = SheetReading::of($photo, $found, SheetLayout::of(12), array_fill(0, 12, Place::cases()), 0.18, static fn () => null);
            self::assertSame($card === 'chart', $reading->card->isChart);
            $misses = [];
            foreach ($fields as $n => $places) {
                foreach ($places as $place => [$painted]) {
                    $misses[] = DifferenceFormula::Ciede2000->between(SheetPhotos::lab($painted), $reading->fields[$n][$place]->colour);
                }
            }
            sort($misses);
            self::assertLessThan($half, $misses[24], "half of them, {$card}");
            self::assertLessThan($most, $misses[45], "nineteen of twenty, {$card}");
            self::assertLessThan($half, DifferenceFormula::Ciede2000->between(SheetPhotos::lab(SheetPrint::paper()), $reading->paper));
            self::assertLessThan($half, DifferenceFormula::Ciede2000->between(SheetPhotos::lab(SheetPrint::ink()), $reading->black));
        }
    }

    public function test_bare_spots_glare_and_hairs_are_left_out_and_told(): void
    {
        $fields = SheetPhotos::painted();
        // Not painted at all, and one whose coat is half bare.
        unset($fields[4]['thick']);
        [$found, $photo] = self::found(new SheetScene(2400, 1800, card: 'grey'), $fields);
        $coat = SheetLayout::of(12)->place(3, Place::OverWhite);
        // A hand-made photo: the middle of a coat bare, a glint and a hair on two others.
        $photo = self::spoiled($photo, $found, [[$coat->inset(1.0), 0.5, null], [SheetLayout::of(12)->place(5, Place::Thick)->inset(1.0), 0.2, 255], [SheetLayout::of(12)->place(6, Place::Thick)->inset(1.0), 0.12, 30]]);
        $reading = SheetReading::of($photo, $found, SheetLayout::of(12), array_fill(0, 12, Place::cases()), 0.18, static fn () => null);
        self::assertLessThan(3.0, $reading->fields[4]['thick']->part->background, 'not painted');
        self::assertGreaterThan(10.0, $reading->fields[3]['thick']->part->background, 'painted');
        self::assertEqualsWithDelta(0.5, $reading->fields[3]['overWhite']->part->bare, 0.2);
        self::assertEqualsWithDelta(0.2, $reading->fields[5]['thick']->part->glare, 0.1);
        self::assertGreaterThan(0.05, $reading->fields[6]['thick']->part->odd);
        foreach ([[3, 'overWhite'], [5, 'thick'], [6, 'thick']] as [$n, $place]) {
            self::assertLessThan(4.0, DifferenceFormula::Ciede2000->between(SheetPhotos::lab($fields[$n][$place][0]), $reading->fields[$n][$place]->colour), "field {$n}");
        }
    }

    public function test_what_is_no_sheet_is_refused_with_the_reason(): void
    {
        $refused = static function (callable $act): string {
            try {
                $act();
            } catch (InvalidSheet $e) {
                return $e->getMessage();
            }

            return 'not refused';
        };
        $noise = imagecreatetruecolor(900, 700);
        for ($n = 0; $n < 630_000; $n++) {
            imagesetpixel($noise, $n % 900, intdiv($n, 900), ($n * 2654435761) & 0xFFFFFF);
        }
        ob_start();
        imagejpeg($noise);
        $nothing = (string) ob_get_clean();
        self::assertStringContainsString('no swatch sheet', $refused(static fn () => SheetSearch::in(...SheetPhotos::photos($nothing))));
        self::assertStringContainsString('several sheets', $refused(static fn () => SheetSearch::in(...SheetPhotos::photos(self::twoInOne()))));
        self::assertStringContainsString('Come nearer', $refused(static fn () => self::found(new SheetScene(1600, 1200, share: 0.1, tilt: 0.0, blur: 0.5))));
        self::assertStringContainsString('no grey card', $refused(static function (): void {
            [$found, $photo] = self::found(new SheetScene(1400, 1050, card: 'none'));
            SheetReading::of($photo, $found, SheetLayout::of(12), [], 0.18, static fn () => null);
        }));
        self::assertStringContainsString('overexposed', $refused(static function (): void {
            [$found, $photo] = self::found(new SheetScene(1400, 1050, exposure: 1.6, card: 'grey'));
            SheetReading::of($photo, $found, SheetLayout::of(12), [], 0.18, static fn () => null);
        }));
    }

    public function test_no_two_things_of_a_sheet_overlap(): void
    {
        foreach ([1, 12, 13, 18, 19, 24] as $count) {
            $layout = SheetLayout::of($count);
            $boxes = [...SheetLayout::marks(), ...SheetLayout::blacks(), SheetLayout::card()];
            for ($field = 0; $field < $layout->columns * $layout->rows; $field++) {
                array_push($boxes, ...array_map(static fn (Place $p) => $layout->place($field, $p), Place::cases()));
            }
            foreach ($boxes as $i => $p) {
                self::assertTrue($p->x >= 0 && $p->y >= 0 && $p->x + $p->width <= SheetLayout::WIDTH + 1e-9 && $p->y + $p->height <= SheetLayout::HEIGHT);
                foreach (array_slice($boxes, $i + 1) as $q) {
                    self::assertTrue($p->x + $p->width <= $q->x + 1e-9 || $q->x + $q->width <= $p->x + 1e-9 || $p->y + $p->height <= $q->y + 1e-9 || $q->y + $q->height <= $p->y + 1e-9);
                }
                foreach ($layout->paper() as [$x, $y]) {
                    self::assertFalse($x > $p->x - 0.7 && $x < $p->x + $p->width + 0.7 && $y > $p->y - 0.7 && $y < $p->y + $p->height + 0.7, "paper at {$x}, {$y}");
                }
            }
        }
        $this->expectException(InvalidSheet::class);
        SheetLayout::of(25);
    }

    /**
     * @param  array<int, array<string, list<Reflectance>>>  $fields
     * @return array{FoundSheet, Photo}
     */
    private static function found(SheetScene $scene, array $fields = []): array
    {
        [$photo, $small] = SheetPhotos::photos(SheetPhotos::jpeg(self::NUMBER, $scene, $fields));

        return [SheetSearch::in($photo, $small), $photo];
    }

    /**
     * @param  list<array{\Hyalin\Sheet\Box, float, int|null}>  $spots  where, what share of it, and its grey; null copies the paper beside it
     */
    private static function spoiled(Photo $photo, FoundSheet $found, array $spots): Photo
    {
        $bytes = $photo->bytes;
        foreach ($spots as [$box, $share, $grey]) {
            $map = $found->map;
            for ($y = $box->y; $y < $box->y + $share * $box->height; $y += 0.05) {
                for ($x = $box->x; $x < $box->x + $box->width; $x += 0.05) {
                    [$u, $v] = $map->at($x, $y);
                    $at = $photo->first + (int) $v * $photo->row + 3 * (int) $u;
                    $paper = $photo->packed(...$map->at($box->x + $box->width + 3.0, $y));
                    foreach ([$paper & 255, $paper >> 8 & 255, $paper >> 16] as $c => $code) {
                        $bytes[$at + $c] = chr($grey ?? $code);
                    }
                }
            }
        }

        return Photo::ofBitmap($bytes);
    }

    private static function twoInOne(): string
    {
        $both = imagecreatetruecolor(2000, 1250);
        foreach ([1, 2] as $number) {
            $one = imagecreatefromstring(SheetPhotos::jpeg($number, new SheetScene(1000, 1250, share: 0.6, tilt: 0.05, blur: 0.5), []));
            self::assertNotFalse($one);
            imagecopy($both, $one, 1000 * ($number - 1), 0, 0, 0, 1000, 1250);
        }
        ob_start();
        imagejpeg($both, null, 90);

        return (string) ob_get_clean();
    }
}
