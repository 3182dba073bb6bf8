<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Actions\Light\ImportMesh;
use App\Adapters\Light\BareMesh;
use App\Adapters\Light\UploadPieces;
use App\Models\Light\MeshUpload;
use App\Models\Light\UploadState;
use Hyalin\InvalidInput;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Throwable;

/**
 * A print file that has arrived is read in the queue: a large one takes longer than a page waits.
 */
final class ReadMesh implements ShouldQueue
{
    use Queueable;
    use Resumed;

    public int $timeout = 600;

    public function __construct(private readonly MeshUpload $upload, private readonly bool $isMeantTwice)
    {
    }

    public function handle(ImportMesh $import): void
    {
        ini_set('memory_limit', '1536M');
        $upload = $this->upload;
        if ($upload->state !== UploadState::Reading) {
            return;
        }
        $file = (new UploadPieces($upload))->gathered();
        try {
            $this->read($import, $file);
        } finally {
            unlink($file);
        }
    }

    private function read(ImportMesh $import, string $file): void
    {
        $upload = $this->upload;
        $sha256 = (string) hash_file('sha256', $file);
        $same = $this->isMeantTwice ? null : $upload->figure->meshes()->where('sha256', $sha256)->first();
        if ($same !== null) {
            $upload->update(['state' => UploadState::Known, 'mesh_id' => $same->id]);

            return;
        }
        try {
            $meshes = $import($upload->figure, $file, $upload->name, null, $sha256);
            // Its picture comes with it: nobody looks at an empty room.
            array_map(BareMesh::of(...), $meshes);
            $upload->update(['state' => UploadState::Done, 'mesh_id' => $meshes[0]->id]);
        } catch (InvalidInput $e) {
            $upload->update(['state' => UploadState::Failed, 'problem' => ucfirst("{$upload->name}: {$e->getMessage()}. Nothing was added.")]);
        }
        (new UploadPieces($upload))->forget();
    }

    public function failed(?Throwable $e): void
    {
        if ($this->upload->refresh()->state !== UploadState::Reading) {
            return;
        }
        $this->upload->update(['state' => UploadState::Failed, 'problem' => "{$this->upload->name} could not be read: ".FailureReason::of($e).'. Nothing was added; try again, or make the mesh coarser.']);
        (new UploadPieces($this->upload))->forget();
    }
}
