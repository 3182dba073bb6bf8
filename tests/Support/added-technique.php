<?php

declare(strict_types=1);

/*
 * What the application would do with one technique more: the enumeration with a case added and a class that specifies it,
 * nothing else. Run as a process of its own, since a case cannot be added to what is loaded; prints one JSON document.
 */

use App\Actions\Bench\CalculatePaint;
use App\Actions\Bench\PlanSteps;
use App\Actions\Shelf\EstimatePaint;
use App\Adapters\Bench\PaintNeed;
use App\Adapters\Bench\PlannedStep;
use App\Adapters\BenchFile\Schema;
use App\Console\TypeScriptProps;
use App\Http\Props\Finish\CardAreaProps;
use App\Http\Props\Finish\TechniqueProps;
use App\Models\Painter;
use Hyalin\Finish\Technique;
use Hyalin\Finish\Techniques\WashSpec;
use Hyalin\Optics\Opacity;
use Hyalin\Optics\TintingStrength;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Foundation\Application;
use Illuminate\Support\Facades\Artisan;

require __DIR__.'/../../vendor/autoload.php';

spl_autoload_register(static function (string $class): void {
    $source = match ($class) {
        Technique::class => str_replace(
            "case Varnish = 'varnish';",
            "case Varnish = 'varnish';\n    case Marbling = 'marbling';",
            (string) file_get_contents(__DIR__.'/../../core/Finish/Technique.php'),
        ),
        // A wash in all but its name, its time, its waiting and its words.
        'Hyalin\Finish\Techniques\MarblingSpec' => str_replace(
            ['class WashSpec', 'of(1.0, 0.3, 0.01)', 'dryingMinutes: 30', 'Flow it on, let it run into the recesses, draw off pools before they dry.'],
            ['class MarblingSpec', 'of(37.0, 0.0)', 'dryingMinutes: 53', 'Drag veins through it while it is wet.'],
            (string) file_get_contents(__DIR__.'/../../core/Finish/Techniques/WashSpec.php'),
        ),
        default => null,
    };
    if ($source !== null) {
        eval(substr($source, strlen('<?php')));
    }
}, prepend: true);

/** @var Application $app */
$app = require __DIR__.'/../../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();
Artisan::call('migrate', ['--force' => true]);

$marbling = Technique::from('marbling');
$painter = Painter::factory()->create();
$pot = $painter->paints()->make([
    'maker' => 'Storm', 'name' => 'Green', 'kind' => 'acrylic', 'sheen' => 'matt', 'thick_hex' => '#2f5d4a', 'opacity' => Opacity::TwoCoats,
    'strength' => TintingStrength::Usual,
]);
$optics = (new EstimatePaint)($pot);
$pot->fill(['absorption' => $optics->k, 'scattering' => $optics->s, 'quality' => $optics->quality])->save();
$figure = $painter->figures()->create(['name' => 'Column']);
$part = $figure->parts()->create(['name' => 'Column', 'position' => 0]);
$area = $figure->areas()->create(['name' => 'Shaft', 'position' => 0, 'part_id' => $part->id]);
$layer = $area->layers()->create(['key' => 'A', 'position' => 0, 'technique' => $marbling, 'zones' => $marbling->spec()->usualZones, 'thinner' => 2.0, 'coats' => 1]);
$layer->paints()->create(['paint_id' => $pot->id, 'drops' => 1, 'position' => 0]);
$figure = $figure->fresh() ?? $figure;

echo json_encode([
    'props' => array_values(array_filter(TechniqueProps::all([$pot]), static fn (TechniqueProps $t): bool => $t->technique === $marbling))[0] ?? null,
    'types' => str_contains(app(TypeScriptProps::class)->generate(), "'marbling'"),
    'schema' => str_contains(Schema::json(), '"marbling"'),
    'steps' => array_map(static fn (PlannedStep $s): array => $s->attributes, app(PlanSteps::class)($figure)),
    'needs' => array_map(static fn (PaintNeed $n): float => $n->need->needMl, app(CalculatePaint::class)->pots(app(CalculatePaint::class)->planned($figure, 1))),
    'card' => CardAreaProps::allOf($figure)[0] ?? null,
    'wash' => WashSpec::spec()->dryingMinutes,
], JSON_THROW_ON_ERROR);
