<?php

declare(strict_types=1);

namespace App\Actions\Shelf;

use App\Adapters\Shelf\CoatOverGrey;
use App\Adapters\Shelf\FieldFit;
use App\Adapters\Shelf\PlaceRemark;
use App\Adapters\Shelf\SheetColours;
use App\Models\Painter;
use App\Models\Shelf\Paint;
use App\Models\Shelf\SwatchField;
use App\Models\Shelf\SwatchSheet;
use Hyalin\Colour\Lab;
use Hyalin\Colour\SpectralRecovery;
use Hyalin\Colour\Srgb;
use Hyalin\InvalidInput;
use Hyalin\Measuring\PotMeasurement;
use Hyalin\Measuring\ReadSpectrum;
use Hyalin\Measuring\SwatchReadings;
use Hyalin\Measuring\TintReading;
use Hyalin\Optics\PaintOptics;
use Hyalin\Optics\Sheen;
use Hyalin\Optics\Surface;
use Hyalin\Sheet\Place;

/**
 * What the colours of a sheet make of its pots: K and S of each, on the paper and the black that were printed, with how sure they
 * are, and what is odd about a field. Nothing is kept here.
 *
 * Print has no surface of its own beneath paint: its colour counts as it is seen (own estimate).
 *
 * @phpstan-import-type Place from SheetColours as PlaceColours
 */
final class FitSheet
{
    /** L* of a pot that does not show on printed black, and of one that does not on paper. */
    private const DARK = 32.0;

    private const LIGHT = 90.0;

    /** Usual coats: a coat that came out as thick was two, or as thin hardly one. */
    private const TWO_COATS = 1.45;

    /** CIEDE2000 of a coat that is no reason to ask, and a spread of coats that takes two for two. */
    private const FITS_WELL = 0.4;

    private const ANY_THICKNESS = 0.6;

    private const THIN = 0.5;

    /** CIEDE2000 that a fit may miss a place by. */
    private const GIVEN_BACK = 3.0;

    /** CIEDE2000, and how many times what was expected: a pot that moves farther may be another. */
    private const OTHER_POT = 12.0;

    private const OTHER_POT_TIMES = 3.0;

    /**
     * What a photo gets wrong of one place of a pot it gets wrong of the others, and a coat is of no one thickness: four places make a
     * pot no surer than one when only a grey was known, and little surer with a chart. Own estimates, held against simulated photos.
     */
    private const COMMON_WITH_GREY = 2.8;

    private const COMMON_WITH_CHART = 1.75;

    /**
     * @param  callable(float): void  $progress  told how much is done, 0..1
     * @return array<int, FieldFit> by position
     */
    public function __invoke(SwatchSheet $sheet, SheetColours $colours, Painter $painter, callable $progress): array
    {
        $white = $sheet->white;
        $ofWhite = $white?->optics();
        $fields = $sheet->fields->all();
        // The white of the tints first, where it is on the sheet itself: the tints are judged by what it is, not by what it was held for.
        usort($fields, static fn (SwatchField $p, SwatchField $q): int => [$p->paint_id !== $white?->id, $p->position] <=> [$q->paint_id !== $white?->id, $q->position]);
        $fits = [];
        foreach ($fields as $n => $field) {
            $places = $colours->fields[$field->position] ?? [];
            $fit = $field->technique === null
                ? self::pot($field, $places, $colours, $painter, $field->paint_id === $white?->id ? null : $ofWhite)
                : self::strip($places);
            if ($field->technique === null && $field->paint_id === $white?->id && $fit->optics !== null) {
                $ofWhite = $fit->optics;
            }
            $fits[$field->position] = $fit->with([...self::oddities($field, $places), ...$fit->remarks]);
            $progress(($n + 1) / count($fields));
        }
        ksort($fits);

        return $fits;
    }

    /** @param  array<string, PlaceColours>  $places */
    private static function pot(SwatchField $field, array $places, SheetColours $colours, Painter $painter, ?PaintOptics $white): FieldFit
    {
        $painted = array_filter($places, static fn (array $p, string $place): bool => self::isPainted($field, $place, $p), ARRAY_FILTER_USE_BOTH);
        if (! isset($painted['overBlack']) && ! isset($painted['overWhite'])) {
            return FieldFit::unusable(count($painted) === 0 ? 'Not painted.' : 'Neither half of the coat is painted: without it the pot cannot be measured.');
        }
        $film = Surface::of($field->paint->sheen);
        try {
            $common = ($colours->about['isChart'] ?? 0.0) > 0 ? self::COMMON_WITH_CHART : self::COMMON_WITH_GREY;
            $read = static fn (Place $place): ?ReadSpectrum => isset($places[$place->value]) ? ReadSpectrum::ofColour($film, Lab::of(...$places[$place->value]['lab']), $common * $places[$place->value]['radius']) : null;
            [$black, $whitePaper] = [$read(Place::OverBlack), $read(Place::OverWhite)];
            if ($black === null || $whitePaper === null) {
                return FieldFit::unusable('One half of the coat is not in the picture.');
            }
            $tint = isset($painted['tint']) && $white !== null ? $read(Place::Tint) : null;
            $solved = static fn (float $spread): PotMeasurement => PotMeasurement::solve(SwatchReadings::of(
                $black,
                $whitePaper,
                SpectralRecovery::within($colours->black),
                SpectralRecovery::within($colours->paper),
                isset($painted['thick']) ? $read(Place::Thick) : null,
                $tint === null || $white === null ? [] : [new TintReading($tint, $white)],
                $spread,
            ), $film);
            $measured = self::asThickAsItIs($solved, max(0.05, $painter->coat_spread));
        } catch (InvalidInput $e) {
            return FieldFit::unusable(ucfirst($e->getMessage()).'.');
        }

        return self::fitted($field->paint, $measured);
    }

    /**
     * Two coats for one are taken for an uneven hand as long as that can be; where the coats fit badly, they may be of any thickness.
     *
     * @param  callable(float): PotMeasurement  $solved  by how much one coat differs from the next
     *
     * @throws InvalidInput
     */
    private static function asThickAsItIs(callable $solved, float $spread): PotMeasurement
    {
        $measured = $solved($spread);
        if (max($measured->residuals['overBlack'] ?? 0.0, $measured->residuals['overWhite'] ?? 0.0) < self::FITS_WELL) {
            return $measured;
        }
        $wide = $solved(self::ANY_THICKNESS);
        $thickest = max(array_values($wide->coats) ?: [1.0]);

        return $thickest > self::TWO_COATS || min(array_values($wide->coats) ?: [1.0]) < self::THIN ? $wide : $measured;
    }

    private static function fitted(Paint $pot, PotMeasurement $measured): FieldFit
    {
        $remarks = [];
        foreach (['overBlack' => 'over black', 'overWhite' => 'over white'] as $coat => $words) {
            $thickness = $measured->coats[$coat] ?? 1.0;
            if ($thickness > self::TWO_COATS || $thickness < self::THIN) {
                $remarks[] = sprintf($thickness > 1 ? 'Looks like two coats %s: %.1f times the usual thickness.' : 'Very thin %s: %.1f times the usual thickness.', $words, $thickness);
            }
        }
        $residuals = array_map(static fn (float $r): float => round($r, 2), $measured->residualsBySwatch());
        $worst = max($residuals);
        if ($worst > self::GIVEN_BACK) {
            $remarks[] = sprintf('Its places do not fit together: the fit misses one by ΔE %.1f. Is one of another pot, or not dry?', $worst);
        }
        if ($measured->needsTint) {
            $remarks[] = 'Strength in mixes is not known without the tint.';
        }
        $now = CoatOverGrey::of($measured->optics, $measured->spread, $pot->sheen);
        $held = CoatOverGrey::of($pot->optics(), $pot->spread(), $pot->sheen);

        $moved = $held->differenceTo($now);
        if ($moved > max(self::OTHER_POT, self::OTHER_POT_TIMES * $held->radius)) {
            $remarks[] = sprintf('Far from what this pot is on the shelf (ΔE %.0f). Is another pot in this field?', $moved);
        }

        return new FieldFit(null, $remarks, $measured->optics, $measured->spread, $residuals, round($moved, 2), round($now->radius, 2), round($held->radius, 2));
    }

    /** @param  array<string, PlaceColours>  $places */
    private static function strip(array $places): FieldFit
    {
        $painted = array_filter($places, static fn (array $p): bool => $p['background'] > PlaceRemark::UNPAINTED);

        return $painted === [] ? FieldFit::unusable('Not painted, or too thin to be seen.') : new FieldFit(null, []);
    }

    /**
     * @param  array<string, PlaceColours>  $places
     * @return list<string>
     */
    private static function oddities(SwatchField $field, array $places): array
    {
        $found = [];
        foreach ($places as $place => $p) {
            $found[] = PlaceRemark::of($place, $p, self::isPainted($field, $place, $p), $field->paint->sheen === Sheen::Matt);
        }

        return array_values(array_filter($found, is_string(...)));
    }

    /**
     * White paint on paper looks like paper: what is as near to the print as that is unpainted only where the pot would be seen.
     *
     * @param  PlaceColours  $p
     */
    private static function isPainted(SwatchField $field, string $place, array $p): bool
    {
        $lightness = Srgb::hex($field->paint->thick_hex)->toXyz()->toLab()->lightness;
        $hidden = $place === Place::OverBlack->value ? $lightness < self::DARK : $lightness > self::LIGHT;

        return $p['background'] > PlaceRemark::UNPAINTED || ($hidden && $field->technique === null);
    }
}
