<?php

declare(strict_types=1);

namespace App\Models\Finish;

use App\Models\Brief\Figure;
use App\Models\OwnedByPainter;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A search for finishes of a whole figure in the queue.
 *
 * @property int $id
 * @property int $painter_id
 * @property int $figure_id
 * @property array<string, mixed> $request
 * @property string $state waiting, running, done, stopped, failed
 * @property float $progress
 * @property bool $stop_asked
 * @property array<string, mixed>|null $result
 * @property Figure $figure
 * @property \Illuminate\Support\Carbon $updated_at
 */
final class ProposalSearchRecord extends Model
{
    use OwnedByPainter;

    protected $table = 'proposal_searches';

    protected $guarded = ['id', 'painter_id'];

    protected $attributes = ['state' => 'waiting', 'progress' => 0.0, 'stop_asked' => false];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['request' => 'array', 'result' => 'array', 'progress' => 'float', 'stop_asked' => 'boolean'];
    }

    /** @return BelongsTo<Figure, $this> */
    public function figure(): BelongsTo
    {
        return $this->belongsTo(Figure::class);
    }
}
