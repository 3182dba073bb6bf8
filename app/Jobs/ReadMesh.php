<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Actions\Light\ImportMesh;
use App\Adapters\Light\BareMesh;
use App\Adapters\Light\UploadPieces;
use App\Models\Light\MeshUpload;
use App\Models\Light\UploadState;
use App\Models\Task;
use App\Models\TaskKind;
use Hyalin\InvalidInput;
use Hyalin\Progress;
use Throwable;

/**
 * A print file that has arrived is read in the queue: a large one takes longer than a page waits. Its input: isMeantTwice.
 */
final class ReadMesh extends TaskJob
{
    public int $timeout = 600;

    /** @param  bool  $isMeantTwice  though the figure has a file of the same content */
    public static function ask(MeshUpload $upload, bool $isMeantTwice): void
    {
        $task = Task::ask(TaskKind::Mesh, $upload->figure->painter_id, $upload->figure_id, ['isMeantTwice' => $isMeantTwice]);
        $upload->update(['task_id' => $task->id]);
        self::dispatch($task)->onQueue(Turn::of($task));
    }

    protected function run(Task $task, Progress $progress): TaskEnd
    {
        $upload = MeshUpload::query()->where('task_id', $task->id)->firstOrFail();
        $file = (new UploadPieces($upload))->gathered();
        try {
            $sha256 = (string) hash_file('sha256', $file);
            $same = ($task->input['isMeantTwice'] ?? false) === true ? null : $upload->figure->meshes()->where('sha256', $sha256)->first();
            if ($same !== null) {
                $upload->update(['state' => UploadState::Known, 'mesh_id' => $same->id]);

                return TaskEnd::done();
            }
            $meshes = app(ImportMesh::class)($upload->figure, $file, $upload->name, null, $sha256);
        } finally {
            unlink($file);
        }
        // Its picture comes with it: nobody looks at an empty room.
        array_map(BareMesh::of(...), $meshes);
        $upload->update(['state' => UploadState::Done, 'mesh_id' => $meshes[0]->id]);
        (new UploadPieces($upload))->forget();

        return TaskEnd::done();
    }

    protected function refused(Task $task, Throwable $e): ?string
    {
        $name = MeshUpload::query()->where('task_id', $task->id)->value('name');

        return $e instanceof InvalidInput ? ucfirst((is_string($name) ? "{$name}: " : '')."{$e->getMessage()}. Nothing was added.") : null;
    }

    protected function advice(): string
    {
        return 'Try again, or make the mesh coarser.';
    }

    protected function ended(Task $task): void
    {
        $upload = MeshUpload::query()->where('task_id', $task->id)->first();
        if ($upload !== null) {
            (new UploadPieces($upload))->settle();
        }
    }
}
