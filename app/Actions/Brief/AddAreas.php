<?php

declare(strict_types=1);

namespace App\Actions\Brief;

use App\Models\Brief\Area;
use App\Models\Brief\Figure;
use App\Models\Brief\Part;
use App\Models\NextNumber;
use Illuminate\Support\Facades\DB;

/**
 * Many areas in one go, with where they meet; parts that are named and not there yet are made.
 */
final class AddAreas
{
    /** @param  list<array{name: string, part: string|null, squareCm: float|null, depth: int, borders: array<string, float>}>  $areas  borders in mm by the name of the other */
    public function __invoke(Figure $figure, array $areas): void
    {
        DB::transaction(static function () use ($figure, $areas): void {
            $parts = [];
            foreach ($figure->parts()->get() as $part) {
                $parts[mb_strtolower($part->name)] = $part->id;
            }
            foreach ($areas as $new) {
                $named = $new['part'] === null ? null : mb_strtolower($new['part']);
                if ($named !== null && ! isset($parts[$named])) {
                    $part = new Part(['name' => $new['part']]);
                    $part->position = NextNumber::of($figure->parts(), 'position');
                    $figure->parts()->save($part);
                    $parts[$named] = $part->id;
                }
                $area = new Area(['name' => $new['name'], 'part_id' => $named === null ? null : $parts[$named], 'square_cm' => $new['squareCm'], 'depth' => $new['depth']]);
                $area->position = NextNumber::of($figure->areas(), 'position');
                $figure->areas()->save($area);
            }
            $ids = [];
            foreach ($figure->areas()->get() as $area) {
                $ids[mb_strtolower($area->name)] = $area->id;
            }
            $met = [];
            foreach ($areas as $new) {
                foreach ($new['borders'] as $other => $mm) {
                    $pair = [$ids[mb_strtolower($new['name'])], $ids[mb_strtolower((string) $other)]];
                    sort($pair);
                    // Said from both sides it is one border.
                    if (! isset($met["{$pair[0]} {$pair[1]}"])) {
                        $figure->boundaries()->create(['area_id' => $pair[0], 'other_id' => $pair[1], 'mm' => $mm, 'is_curved' => true]);
                    }
                    $met["{$pair[0]} {$pair[1]}"] = true;
                }
            }
        });
    }
}
