<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * An edit of a record that had been changed elsewhere: kept, so that neither version is lost.
 *
 * @property int $id
 * @property int $painter_id
 * @property string $subject
 * @property int $subject_id
 * @property int $based_on
 * @property array<string, mixed> $values
 */
final class SetAsideEdit extends Model
{
    use OwnedByPainter;

    protected $guarded = ['id'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['values' => 'array'];
    }
}
