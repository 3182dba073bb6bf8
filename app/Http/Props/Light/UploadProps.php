<?php

declare(strict_types=1);

namespace App\Http\Props\Light;

use App\Http\Props\TaskProps;
use App\Models\Light\MeshUpload;
use App\Models\Light\UploadState;

/**
 * A print file on its way.
 */
final readonly class UploadProps
{
    /**
     * @param  string  $fingerprint  what the browser knows of the file: the same one goes on where it was broken off
     * @param  int  $received  bytes that have arrived
     * @param  int  $pieceBytes  to send at once
     * @param  TaskProps|null  $task  that reads it; null while it arrives
     * @param  string|null  $knownAs  title of the file with the same content
     */
    public function __construct(public int $id, public string $name, public string $fingerprint, public int $bytes, public int $received, public int $pieceBytes, public UploadState $state, public ?TaskProps $task, public ?string $problem, public ?string $knownAs)
    {
    }

    public static function of(MeshUpload $upload): self
    {
        $task = $upload->task()->first();

        return new self(
            $upload->id,
            $upload->name,
            $upload->fingerprint,
            bytes: $upload->bytes,
            received: $upload->received,
            pieceBytes: MeshUpload::PIECE,
            state: $upload->state,
            task: $task === null ? null : TaskProps::of($task),
            problem: $upload->problem,
            knownAs: $upload->state === UploadState::Known ? $upload->mesh?->title : null,
        );
    }
}
