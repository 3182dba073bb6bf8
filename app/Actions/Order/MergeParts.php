<?php

declare(strict_types=1);

namespace App\Actions\Order;

use App\Models\Brief\Joint;
use App\Models\Brief\Part;
use Illuminate\Support\Facades\DB;

/**
 * Makes one part of two: areas and joints go over, the joint between the two is gone.
 */
final class MergeParts
{
    public function __invoke(Part $part, Part $into): void
    {
        DB::transaction(static function () use ($part, $into): void {
            $figure = $part->figure()->firstOrFail();
            $figure->areas()->where('part_id', $part->id)->update(['part_id' => $into->id]);
            $figure->ownSteps()->where('part_id', $part->id)->update(['part_id' => $into->id]);
            $joined = [];
            foreach ($figure->joints()->get() as $joint) {
                $a = $joint->part_id === $part->id ? $into->id : $joint->part_id;
                $b = $joint->other_id === $part->id ? $into->id : $joint->other_id;
                $key = min($a, $b).' '.max($a, $b);
                self::keep($joint, $a, $b, isset($joined[$key]));
                $joined[$key] = true;
            }
            $into->attachments = implode(', ', array_filter([$into->attachments, $part->attachments])) ?: null;
            $into->save();
            $part->delete();
        });
    }

    private static function keep(Joint $joint, int $a, int $b, bool $isThere): void
    {
        if ($a === $b || $isThere) {
            $joint->delete();
        } else {
            $joint->update(['part_id' => $a, 'other_id' => $b]);
        }
    }
}
