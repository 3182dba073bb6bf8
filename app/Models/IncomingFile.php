<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * A file that has arrived and is read in the queue: what decodes it may take long, and a page is not held up by it.
 *
 * @property int $id
 * @property int $painter_id
 * @property 'bench'|'picture' $kind
 * @property string $name as the painter has it
 * @property string $path of the file as it came; what was made of it lies beside it
 * @property string $state waiting, running, asks (whether figures of a name that is there are meant twice), done, failed
 * @property float $progress
 * @property bool $stop_asked
 * @property bool $both figures of a name that is there come in as copies
 * @property string|null $problem
 * @property array<string, mixed>|null $result of a picture its width, height, blockGrid and remarks; of a bench its message
 * @property \Illuminate\Support\Carbon $updated_at
 */
final class IncomingFile extends Model
{
    use OwnedByPainter;

    protected $guarded = ['id', 'painter_id'];

    protected $attributes = ['state' => 'waiting', 'progress' => 0.0, 'stop_asked' => false, 'both' => false];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['progress' => 'float', 'stop_asked' => 'boolean', 'both' => 'boolean', 'result' => 'array'];
    }
}
