<?php

declare(strict_types=1);

namespace App\Actions\Light;

use App\Adapters\Finish\FigureOptics;
use App\Adapters\Finish\LayerDraft;
use App\Models\Brief\Area;
use App\Models\Brief\Figure;
use App\Models\Finish\LayerRecord;
use App\Models\Light\LightRecord;
use App\Models\NextNumber;
use App\Models\Shelf\Paint;
use Hyalin\Colour\Ciede2000;
use Hyalin\Colour\Srgb;
use Hyalin\Finish\Technique;
use Hyalin\Finish\Zone;
use Hyalin\Light\Glow;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;

/**
 * The glow of a lamp as a layer of every finish that it reaches: where the mesh says it shines, in the pot nearest to its own
 * colour. A layer that is there already follows the lamp and keeps its paint.
 */
final readonly class AddGlow
{
    public function __construct(private CastGlow $castGlow)
    {
    }

    /**
     * @return list<string> names of the areas that have the layer now
     *
     * @throws ValidationException when the lamp has no colour, reaches nothing, or no pot suits
     */
    public function __invoke(Figure $figure, LightRecord $light, Area $lamp): array
    {
        $shares = $this->castGlow->shares($light, $lamp->id) ?? throw ValidationException::withMessages(['area' => 'The mesh shows nothing of this area yet.']);
        $lit = array_filter($shares['areas'], static fn (array $byZone): bool => max(0.0, ...array_map(static fn (?float $e): float => $e ?? 0.0, $byZone)) >= Glow::SEEN);
        if ($lit === []) {
            throw ValidationException::withMessages(['area' => "The light of \"{$lamp->name}\" reaches no other area."]);
        }
        $paint = self::paint($figure, $lamp);

        return DB::transaction(static function () use ($figure, $lit, $paint): array {
            $names = [];
            foreach ($figure->areas()->with('layers')->whereKey(array_keys($lit))->get() as $area) {
                $byZone = $lit[$area->id];
                $zones = array_values(array_filter(Zone::cases(), static fn (Zone $z): bool => ($byZone[$z->index()] ?? 0.0) >= Glow::SEEN));
                $layer = $area->layers->first(static fn (LayerRecord $l): bool => $l->technique === Technique::Glow);
                if ($layer === null) {
                    $layer = $area->layers()->make(['key' => (string) Str::ulid(), 'technique' => Technique::Glow, 'thinner' => Technique::Glow->spec()->usualThinner, 'coats' => 1, 'zones' => $zones]);
                    $layer->position = NextNumber::of($area->layers(), 'position');
                    $area->layers()->save($layer);
                    $layer->paints()->create(['paint_id' => $paint->id, 'drops' => 1, 'position' => 0]);
                } else {
                    $layer->update(['zones' => $zones]);
                }
                $area->update([
                    'zone_exposures' => [...$area->zone_exposures ?? [], Technique::Glow->value => array_map(static fn (?float $e): ?float => $e === null ? null : round($e, 4), $byZone)],
                    'version' => $area->version + 1,
                ]);
                $names[] = $area->name;
            }

            return $names;
        });
    }

    /** The pot that is nearest to the lamp as it is painted at its brightest. */
    private static function paint(Figure $figure, Area $lamp): Paint
    {
        $top = FigureOptics::of($figure, $lamp)->section(LayerDraft::stackOf($lamp->loadMissing('layers.paints.paint')))->top();
        $wanted = $top->cell(Zone::Edge)->seen->toArray();
        $best = null;
        foreach (Paint::query()->where('painter_id', $figure->painter_id)->get() as $paint) {
            $pot = $paint->pot();
            if (! Technique::Glow->suits($pot) || $pot->isEmpty() || $pot->kind->isClear()) {
                continue;
            }
            $apart = Ciede2000::between(...$wanted, ...Srgb::hex($paint->thick_hex)->toXyz()->toLab()->toArray());
            if ($best === null || $apart < $best[0]) {
                $best = [$apart, $paint];
            }
        }

        return $best[1] ?? throw ValidationException::withMessages(['area' => 'No pot on the shelf suits a glaze in the colour of the light.']);
    }
}
