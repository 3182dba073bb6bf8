<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\SetAsideEdit;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Facades\DB;

/**
 * Optimistic locking: saves a change only if nobody saved since the painter last saw the record.
 */
final class SaveVersioned
{
    /**
     * @template M of Model
     *
     * @param  M  $record  with an integer attribute "version"
     * @param  int  $basedOn  version the painter saw
     * @param  array<string, mixed>  $values  what the painter wants to save, set aside if it cannot be
     * @param  callable(M): void  $change  applies it; in a transaction, the version is counted up afterwards
     * @param  callable(M): mixed  $show  the stored record as the page shows it
     * @return M
     *
     * @throws ChangedElsewhere when the stored version is another
     */
    public function __invoke(
        int $painterId,
        Model $record,
        int $basedOn,
        array $values,
        callable $change,
        callable $show,
    ): Model {
        $stored = null;
        $saved = DB::transaction(function () use ($record, $basedOn, $change, &$stored): bool {
            $record->refresh();
            $version = $record->getAttribute('version');
            if ($version !== $basedOn) {
                $stored = is_int($version) ? $version : 0;

                return false;
            }
            $change($record);
            $record->setAttribute('version', $basedOn + 1);
            $record->save();

            return true;
        });
        if (! $saved) {
            SetAsideEdit::query()->create([
                'painter_id' => $painterId,
                'subject' => class_basename($record),
                'subject_id' => $record->getKey(),
                'based_on' => $basedOn,
                'values' => $values,
            ]);

            throw new ChangedElsewhere($show($record), (int) $stored);
        }

        return $record;
    }
}
