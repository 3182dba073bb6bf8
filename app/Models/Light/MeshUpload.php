<?php

declare(strict_types=1);

namespace App\Models\Light;

use App\Models\Brief\Figure;
use App\Models\Task;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A print file on its way to a figure, piece by piece.
 *
 * @property int $id
 * @property int $figure_id
 * @property int|null $mesh_id what became of it, or what has the same content
 * @property string $name
 * @property int $bytes
 * @property string $fingerprint
 * @property int $received
 * @property string $path of what has arrived
 * @property UploadState $state
 * @property int|null $task_id that reads it; null while it arrives
 * @property string|null $problem
 * @property-read Figure $figure
 * @property Carbon $updated_at
 * @property-read FigureMesh|null $mesh
 * @property-read Task|null $task
 */
final class MeshUpload extends Model
{
    /** Bytes sent at once: small enough for any web server's usual limit. */
    public const PIECE = 900 * 1024;

    protected $guarded = ['id', 'figure_id'];

    protected $attributes = ['received' => 0, 'state' => 'sending'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['state' => UploadState::class, 'bytes' => 'integer', 'received' => 'integer'];
    }

    /** @return BelongsTo<Figure, $this> */
    public function figure(): BelongsTo
    {
        return $this->belongsTo(Figure::class);
    }

    /** @return BelongsTo<Task, $this> */
    public function task(): BelongsTo
    {
        return $this->belongsTo(Task::class);
    }

    /** @return BelongsTo<FigureMesh, $this> */
    public function mesh(): BelongsTo
    {
        return $this->belongsTo(FigureMesh::class, 'mesh_id');
    }
}
