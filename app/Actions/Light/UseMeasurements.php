<?php

declare(strict_types=1);

namespace App\Actions\Light;

use App\Adapters\Light\StoredStudy;
use App\Models\Brief\Figure;
use Hyalin\Finish\Technique;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;

/**
 * Sizes of areas and lengths of borders as the mesh has them, into the brief: order, masks and quantities calculates with them.
 */
final readonly class UseMeasurements
{
    /** mm; a border shorter than this is where corners touch. */
    private const SHORTEST = 0.5;

    public function __construct(private SettleAreas $settle)
    {
    }

    /**
     * @return string what was taken over
     *
     * @throws ValidationException while the areas are being measured
     */
    public function __invoke(Figure $figure): string
    {
        $light = $this->settle->ofFigure($figure);
        if ($light !== null && StoredStudy::of($light)?->isMeasured($light) === false) {
            throw ValidationException::withMessages(['areas' => 'The areas were changed since they were measured. Open Light, wait until they are measured, and try again.']);
        }
        $result = $light?->result;

        return DB::transaction(static function () use ($figure, $result): string {
            $areas = $borders = 0;
            $known = $figure->areas()->get()->keyBy('id');
            foreach ($result['areas'] ?? [] as $lit) {
                // What a lamp gives was measured when its glow was added.
                $glow = array_intersect_key($known->get($lit['areaId'])->zone_exposures ?? [], [Technique::Glow->value => true]);
                $areas += $figure->areas()->whereKey($lit['areaId'])->update([
                    'square_cm' => max(0.01, round($lit['cm2'], 2)),
                    'zone_shares' => self::rounded($lit['shares']),
                    'zone_exposures' => json_encode(
                        [...$glow, ...array_map(static fn (array $byZone): array => array_map(static fn (float|int|null $e): ?float => $e === null ? null : round($e, 4), $byZone), $lit['byZone'])],
                        JSON_THROW_ON_ERROR,
                    ),
                ]);
            }
            foreach ($result['borders'] ?? [] as $border) {
                [$a, $b] = [$border['areaId'], $border['otherId']];
                if ($border['mm'] < self::SHORTEST || $figure->areas()->whereKey([$a, $b])->count() !== 2) {
                    continue;
                }
                $figure->boundaries()->whereIn('area_id', [$a, $b])->whereIn('other_id', [$a, $b])->delete();
                $figure->boundaries()->create(['area_id' => $a, 'other_id' => $b, 'mm' => round($border['mm'], 1), 'is_curved' => $border['isCurved']]);
                $borders++;
            }

            return "Updated: {$areas} ".($areas === 1 ? 'area' : 'areas').", {$borders} ".($borders === 1 ? 'border' : 'borders').'. Borders that the mesh does not show are unchanged.';
        });
    }

    /** @param  list<float|int>  $shares */
    private static function rounded(array $shares): string
    {
        return json_encode(array_map(static fn (float|int $s): float => round($s, 4), $shares), JSON_THROW_ON_ERROR);
    }
}
