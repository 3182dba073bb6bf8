<?php

declare(strict_types=1);

/**
 * Takes simulated photos of painted sheets, reads them, and prints how many were found, how far the colours are from the truth, and how
 * often the stated uncertainty held it. bin/sheets [photos] [first seed]; 300 take about half an hour. Twelve megapixels each, tilted up
 * to 35 degrees, turned anyhow, two thirds to a tenth of the picture, blurred by up to 2 pixels, JPEG 80 to 95, light up to 1:2, a third
 * with a shadow, four lamps; half with a chart, half with a grey card.
 */

use App\Actions\Shelf\EstimatePaint;
use App\Actions\Shelf\FitSheet;
use App\Adapters\Shelf\CoatOverGrey;
use App\Adapters\Shelf\SheetColours;
use App\Adapters\Shelf\SheetPhotoFile;
use App\Devices\SheetScene;
use App\Devices\SimulatedPot;
use App\Devices\SimulatedSheetCamera;
use App\Models\Painter;
use App\Models\Shelf\Paint;
use App\Models\Shelf\SwatchField;
use App\Models\Shelf\SwatchSheet;
use Hyalin\Colour\DifferenceFormula;
use Hyalin\Colour\Illuminant;
use Hyalin\Colour\Lab;
use Hyalin\Colour\Reflectance;
use Hyalin\Colour\SpectralSum;
use Hyalin\InvalidInput;
use Hyalin\Optics\FilmThickness;
use Hyalin\Optics\Opacity;
use Hyalin\Optics\OpticsQuality;
use Hyalin\Optics\OpticsSpread;
use Hyalin\Optics\PaintOptics;
use Hyalin\Optics\Sheen;
use Hyalin\Optics\Surface;
use Hyalin\Optics\TintingStrength;
use Hyalin\Pot\PotKind;
use Hyalin\Sheet\SheetReading;
use Hyalin\Sheet\SheetSearch;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Foundation\Application;
use Random\Engine\Mt19937;
use Random\Randomizer;

require __DIR__.'/../../vendor/autoload.php';
/** @var Application $app */
$app = require __DIR__.'/../../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();

$photos = max(1, (int) ($argv[1] ?? 300));
$first = (int) ($argv[2] ?? 1);

$estimate = $app->make(EstimatePaint::class);
$shelf = [];
$lines = array_map(static fn (string $line): array => str_getcsv($line, ',', '"', ''), file(__DIR__.'/../../database/demo/shelf.csv', FILE_IGNORE_NEW_LINES) ?: []);
foreach (array_slice($lines, 1) as $n => [$maker, $name, $kind, $sheen, $colour, $opacity, $strength]) {
    $paint = new Paint([
        'maker' => $maker, 'name' => $name, 'kind' => PotKind::from((string) $kind), 'sheen' => Sheen::from((string) $sheen), 'thick_hex' => $colour,
        'opacity' => Opacity::from((string) $opacity), 'strength' => TintingStrength::from((string) $strength), 'level_percent' => 50,
    ]);
    $paint->id = $n + 1;
    $paint->hold($estimate($paint), OpticsSpread::usual(OpticsQuality::Estimated));
    $shelf[] = $paint;
}
$shelf = array_values(array_filter($shelf, static fn (Paint $p): bool => $p->pot()->isMixed()));
$white = array_values(array_filter($shelf, static fn (Paint $p): bool => $p->pot()->isWhite()))[0];
$painter = new Painter(['coat_spread' => 0.15]);

$lab = static fn (Reflectance $r): Lab => SpectralSum::under(Illuminant::D65)->xyz($r)->toLab();
$far = static fn (Lab $p, Lab $q): float => DifferenceFormula::Ciede2000->between($p, $q);
$grey = static fn (PaintOptics $o, Paint $p): Lab => $lab(Surface::of($p->sheen)->seen($o->filmOver(Reflectance::flat(0.2), FilmThickness::coats(1.0))));
$mix = static fn (PaintOptics $p, PaintOptics $q): Lab => $lab(PaintOptics::mixed([[$p, 1.0], [$q, 1.0]])->masstone());
/** @param  non-empty-list<Reflectance>  $levels */
function truth(array $levels): Lab
{
    // Streaks of a coat are about normal over the levels; the truth of a place is their mean.
    $weights = array_map(static fn (int $n): float => count($levels) === 1 ? 1.0 : exp(-(($n - 4) ** 2) / 2.88), array_keys($levels));
    $mean = array_map(static fn (int $band): float => array_sum(array_map(static fn (float $w, Reflectance $r): float => $w * $r->values[$band], $weights, $levels)) / array_sum($weights), range(0, 35));

    return SpectralSum::under(Illuminant::D65)->xyz(Reflectance::of($mean))->toLab();
}

$found = $wrong = $shifted = 0;
$refused = $seconds = [];
$results = [];
for ($seed = $first; $seed < $first + $photos; $seed++) {
    $chance = new Randomizer(new Mt19937($seed * 104729));
    $card = $seed % 2 === 0 ? 'chart' : 'grey';
    $sheet = new SwatchSheet(['white_id' => $white->id]);
    $sheet->id = $chance->getInt(1, (1 << 20) - 1);
    $sheet->setRelation('white', $white);
    $pots = array_slice($chance->shuffleArray($shelf), 0, [12, 18, 24][$seed % 3]);
    $fields = array_map(static function (Paint $pot, int $position) use ($sheet): SwatchField {
        $field = new SwatchField(['position' => $position, 'paint_id' => $pot->id]);
        $field->sheet_id = $sheet->id;

        return $field->setRelation('paint', $pot);
    }, $pots, array_keys($pots));
    $sheet->setRelation('fields', new Collection($fields));
    $jpeg = (new SimulatedSheetCamera)->photo($sheet, $scene = SheetScene::any($seed, $chance, $card));
    $began = microtime(true);
    try {
        [$photo, $small] = SheetPhotoFile::photos(SheetPhotoFile::decode($jpeg));
        $at = SheetSearch::in($photo, $small);
        $found++;
        $wrong += $at->number === $sheet->id ? 0 : 1;
        [$x, $y] = $scene->map()->inverse()->at(...$at->map->at(93.0, 120.0));
        $shifted += hypot($x - 93.0, $y - 120.0) > 1.0 ? 1 : 0;
        $asked = [];
        foreach ($fields as $field) {
            $asked[$field->position] = $field->places($white->id);
        }
        $reading = SheetReading::of($photo, $at, $sheet->layout(), $asked, 0.18, static fn () => null);
        $fits = (new FitSheet)($sheet, SheetColours::of($reading), $painter, static fn () => null);
    } catch (InvalidInput $e) {
        $refused[] = "{$seed}: {$e->getMessage()}";

        continue;
    }
    if (count($fields) === 24) {
        $seconds[] = microtime(true) - $began;
    }
    foreach ($fields as $n => $field) {
        foreach (SimulatedSheetCamera::painted($field, $white) as $place => $levels) {
            $seen = $reading->fields[$field->position][$place] ?? null;
            if ($seen !== null) {
                $results[$card]['field'][] = [$far(truth($levels), $seen->colour), $seen->radius];
            }
        }
        $fit = $fits[$field->position];
        if ($fit->optics === null || $fit->spread === null) {
            $results[$card]['unusable'][] = [1.0, 0.0];

            continue;
        }
        $really = SimulatedPot::optics($field->paint);
        $results[$card]['coat over grey'][] = [$far($grey($really, $field->paint), $grey($fit->optics, $field->paint)), CoatOverGrey::of($fit->optics, $fit->spread, $field->paint->sheen)->radius];
        $results[$card]['coat over grey, as estimated'][] = [$far($grey($really, $field->paint), $grey($field->paint->optics(), $field->paint)), CoatOverGrey::of($field->paint->optics(), $field->paint->spread(), $field->paint->sheen)->radius];
        $other = $fields[$n + 1] ?? null;
        $otherFit = $other === null ? null : $fits[$other->position];
        if ($other !== null && $otherFit?->optics !== null) {
            $mixed = $mix($really, SimulatedPot::optics($other->paint));
            $results[$card]['mix 1:1'][] = [$far($mixed, $mix($fit->optics, $otherFit->optics)), 0.0];
            $results[$card]['mix 1:1, as estimated'][] = [$far($mixed, $mix($field->paint->optics(), $other->paint->optics())), 0.0];
        }
    }
}
printf("%d photos: %d found (%.1f %%), %d of another number, %d out of place, %d refused after they were found\n", $photos, $found, 100 * $found / $photos, $wrong, $shifted, count($refused) - ($photos - $found));
foreach ($refused as $line) {
    echo "  {$line}\n";
}
foreach ($results as $card => $kinds) {
    echo "with a {$card}\n";
    foreach ($kinds as $kind => $all) {
        $differences = array_column($all, 0);
        sort($differences);
        $n = count($differences);
        $held = count(array_filter($all, static fn (array $one): bool => $one[0] <= $one[1]));
        printf("  %-30s n %5d  median %.2f  95 %% %.2f%s\n", $kind, $n, $differences[intdiv($n, 2)], $differences[(int) (0.95 * ($n - 1))], array_sum(array_column($all, 1)) > 0 ? sprintf('  within what was stated %.0f %%', 100 * $held / $n) : '');
    }
}
printf("a sheet of 24 pots: %.1f s on average\n", $seconds === [] ? NAN : array_sum($seconds) / count($seconds));
