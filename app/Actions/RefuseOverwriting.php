<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\SetAsideEdit;
use Illuminate\Database\Eloquent\Model;

/**
 * Where an editor sends the whole of something and saw another whole than there is now: nothing is overwritten, and what was sent
 * is set aside.
 */
final class RefuseOverwriting
{
    /**
     * @param  string|null  $seen  mark of what the page showed; null from what does not tell
     * @param  string  $now  mark of what is stored
     * @param  array<string, mixed>  $values  that were to be saved
     *
     * @throws ChangedElsewhere
     */
    public function __invoke(int $painterId, Model $record, ?string $seen, string $now, array $values): void
    {
        if ($seen === null || $seen === $now) {
            return;
        }
        SetAsideEdit::query()->create(['painter_id' => $painterId, 'subject' => class_basename($record), 'subject_id' => $record->getKey(), 'based_on' => 0, 'values' => $values]);

        throw new ChangedElsewhere(null, 0, 'This was changed in another window after you opened it, and is shown as it is there now. What you were saving is kept under Account, Set aside.');
    }
}
