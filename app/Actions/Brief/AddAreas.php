<?php

declare(strict_types=1);

namespace App\Actions\Brief;

use App\Models\Brief\Area;
use App\Models\Brief\Figure;
use App\Models\Brief\Part;
use App\Models\NextNumber;
use Illuminate\Support\Facades\DB;

/**
 * Many areas in one go; parts that are named and not there yet are made.
 */
final class AddAreas
{
    /** @param  list<array{name: string, part: string|null, squareCm: float|null, depth: int}>  $areas */
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
        });
    }
}
