<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Shelf\FitSheet;
use App\Adapters\Shelf\FieldFit;
use App\Adapters\Shelf\SheetColours;
use App\Devices\SheetPrint;
use App\Models\Shelf\Paint;
use App\Models\Shelf\SwatchField;
use App\Models\Shelf\SwatchSheet;
use Hyalin\Colour\DifferenceFormula;
use Hyalin\Colour\Reflectance;
use Hyalin\Optics\FilmThickness;
use Hyalin\Optics\PaintOptics;
use Hyalin\Optics\Surface;
use Illuminate\Database\Eloquent\Collection;
use PHPUnit\Framework\Attributes\Group;
use Tests\Support\SheetPhotos;

/**
 * What the colours of a field make of its pot, and what is odd about them; the colours are computed from K and S, so that the truth
 * is known.
 */
#[Group('sculpted')]
final class FitSheetTest extends TestCase
{
    public function test_k_and_s_come_back_from_four_colours_and_what_is_odd_is_said(): void
    {
        $white = $this->pot('Chalk', '#f2f1ea');
        $pot = $this->pot('Rust', '#9a4a2c');
        // Thinner in pigment than was estimated: what hides at once tells nothing of how thick it lies.
        $really = $pot->optics()->times(0.6, 0.45);
        $colours = static fn (float $black = 1.0, float $paper = 1.0): array => [
            'overBlack' => self::place($pot, $really->filmOver(SheetPrint::ink(), FilmThickness::coats($black))),
            'overWhite' => self::place($pot, $really->filmOver(SheetPrint::paper(), FilmThickness::coats($paper))),
            'thick' => self::place($pot, $really->masstone()),
            'tint' => self::place($pot, PaintOptics::mixed([[$really, 1.0], [$white->optics(), 5.0]])->masstone()),
        ];
        $fit = $this->fit($pot, $white, $colours());
        self::assertNull($fit->problem);
        self::assertSame([], $fit->remarks);
        self::assertNotNull($fit->optics);
        foreach ([1.0, 0.5, 2.0] as $coats) {
            $over = static fn (PaintOptics $o): \Hyalin\Colour\Lab => SheetPhotos::lab(Surface::of($pot->sheen)->seen($o->filmOver(Reflectance::flat(0.3), FilmThickness::coats($coats))));
            self::assertLessThan(1.5, DifferenceFormula::Ciede2000->between($over($really), $over($fit->optics)), "{$coats} coats");
        }
        self::assertLessThan($fit->before, $fit->sure);

        $said = fn (array $places): string => implode(' ', $this->fit($pot, $white, $places)->remarks);
        self::assertStringContainsString('Looks like two coats over white', $said($colours(1.0, 2.4)));
        self::assertStringContainsString('Looks like two coats over black', $said($colours(2.4, 1.0)));
        self::assertStringContainsString('Over black: not painted', $said([...$colours(), 'overBlack' => [...self::place($pot, SheetPrint::ink(), false), 'background' => 0.4]]));
        self::assertStringContainsString('Thick: 22 % shines and was left out.', $said([...$colours(), 'thick' => [...self::place($pot, $really->masstone()), 'glare' => 0.22]]));
        self::assertStringContainsString('Is it dry?', $said([...$colours(), 'thick' => [...self::place($pot, $really->masstone()), 'glare' => 0.05]]));
        self::assertStringContainsString('40 % is bare', $said([...$colours(), 'tint' => [...self::place($pot, $really->masstone()), 'bare' => 0.4]]));
        // A blue blob in a rust field.
        $other = self::place($pot, $this->pot('Blue', '#2a4a9a')->optics()->masstone());
        self::assertStringContainsString('not of one paint', (string) $this->fit($pot, $white, [...$colours(), 'thick' => $other])->problem);
        // Another pot in the whole field.
        $blue = $this->pot('Blue too', '#2a4a9a');
        self::assertStringContainsString('Is another pot in this field?', implode(' ', $this->fit($blue, $white, $colours())->remarks));
        self::assertSame('Not painted.', $this->fit($pot, $white, array_map(static fn (mixed $p): array => [...(array) $p, 'background' => 0.5], $colours()))->problem);
    }

    /** @param  array<mixed>  $places */
    private function fit(Paint $pot, Paint $white, array $places): FieldFit
    {
        $sheet = new SwatchSheet(['white_id' => $white->id]);
        $field = new SwatchField(['position' => 0, 'paint_id' => $pot->id]);
        $sheet->setRelation('white', $white)->setRelation('fields', new Collection([$field->setRelation('paint', $pot)]));
        $print = static fn (Reflectance $r): array => SheetPhotos::lab($r)->toArray();
        $colours = SheetColours::parse(['paper' => $print(SheetPrint::paper()), 'black' => $print(SheetPrint::ink()), 'about' => ['isChart' => 1.0, 'half' => 0.5], 'fields' => [0 => $places]]);

        return (new FitSheet)($sheet, $colours, $this->painter, static fn () => null)[0];
    }

    /** @return array<string, mixed> */
    private static function place(Paint $pot, Reflectance $inside, bool $isFilm = true): array
    {
        return [
            'lab' => SheetPhotos::lab($isFilm ? Surface::of($pot->sheen)->seen($inside) : $inside)->toArray(), 'radius' => 0.6, 'taken' => 1.0, 'bare' => 0.0, 'glare' => 0.0, 'odd' => 0.0,
            'clipped' => 0.0, 'spread' => 1.0, 'background' => 30.0,
        ];
    }
}
