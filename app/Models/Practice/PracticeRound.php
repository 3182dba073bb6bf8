<?php

declare(strict_types=1);

namespace App\Models\Practice;

use App\Models\OwnedByPainter;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * One exercise of eye or hand: what was asked, what was answered, how well.
 *
 * @property int $id
 * @property int $painter_id
 * @property Exercise $exercise
 * @property string $subject in words, what it is about
 * @property float $level smaller is harder
 * @property array<string, mixed> $task with the right answer, which the browser does not get before its own
 * @property array<string, mixed>|null $answer
 * @property float|null $score 0..1, null until it is answered
 * @property Carbon $created_at
 */
final class PracticeRound extends Model
{
    use OwnedByPainter;

    protected $guarded = ['id', 'painter_id'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['exercise' => Exercise::class, 'task' => 'array', 'answer' => 'array', 'level' => 'float', 'score' => 'float'];
    }
}
