<?php

declare(strict_types=1);

namespace App\Models\Compare;

use App\Models\OwnedByPainter;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * A lesson from a photo about pots and techniques together, with their values before it, so that it can be undone.
 *
 * @phpstan-type Before array{pots: array<int, array{k: list<float>, s: list<float>, spread: list<array{k: list<float>, s: list<float>}>|null, after: list<float>}>, hands: array<string, array{coverage: float, coverage_deviation: float, thickness: float, thickness_deviation: float, scatter: float, chips: int}|null>}
 *
 * @property int $id
 * @property int $painter_id
 * @property int $figure_id
 * @property int $picture_id
 * @property Before $before
 * @property list<string> $words
 * @property Carbon|null $undone_at
 */
final class LessonRecord extends Model
{
    use OwnedByPainter;

    protected $table = 'lessons';

    protected $guarded = ['id', 'painter_id'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['before' => 'array', 'words' => 'array', 'undone_at' => 'datetime'];
    }
}
