<?php

declare(strict_types=1);

namespace App\Http\Controllers\Bench;

use App\Adapters\BenchFile\BenchReader;
use App\Adapters\BenchFile\BenchWriter;
use App\Adapters\BenchFile\UnreadableBench;
use App\Adapters\Incoming;
use App\Adapters\LostTask;
use App\Adapters\StoredFile;
use App\Http\Named;
use App\Http\Props\TaskProps;
use App\Jobs\ImportBenchFile;
use App\Jobs\Turn;
use App\Models\Brief\Figure;
use App\Models\Painter;
use App\Models\Task;
use App\Models\TaskKind;
use App\Models\TaskState;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Validation\ValidationException;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/**
 * The bench as an open file, out and in.
 */
final class BenchFileController
{
    public function export(#[CurrentUser] Painter $painter): BinaryFileResponse
    {
        return self::file($painter, null, 'bench');
    }

    public function figure(Figure $figure, #[CurrentUser] Painter $painter): BinaryFileResponse
    {
        return self::file($painter, $figure, $figure->name);
    }

    /**
     * It is read in the queue; what is known of it at once is said at once.
     *
     * @throws ValidationException when it is none, or cannot be read
     */
    public function import(Request $request, #[CurrentUser] Painter $painter): JsonResponse
    {
        $request->validate(['both' => ['sometimes', 'boolean']]);
        $file = $request->file('bench');
        if (! $file instanceof UploadedFile || ! $file->isValid()) {
            throw ValidationException::withMessages(['bench' => 'No file arrived: it may be larger than this server allows. Nothing was added.']);
        }
        try {
            BenchReader::look($file->getPathname());
        } catch (UnreadableBench $e) {
            throw ValidationException::withMessages(['bench' => $e->getMessage().' Nothing was added.']);
        }

        return self::read(Incoming::keep($painter, TaskKind::Bench, $file->getClientOriginalName(), static fn (string $path) => StoredFile::take($path, $file->getPathname()), ['both' => $request->boolean('both')]));
    }

    /** What is being read, or waits for an answer: a page that is opened anew goes on with it. */
    public function last(#[CurrentUser] Painter $painter): JsonResponse
    {
        $task = Task::query()->where(['painter_id' => $painter->id, 'kind' => TaskKind::Bench])->whereIn('state', [...TaskState::OPEN, TaskState::Asks])->latest('id')->first();
        LostTask::tell($task);

        return new JsonResponse(['task' => $task === null ? null : TaskProps::of($task)]);
    }

    /** Figures of a name that is there come in as copies. */
    public function both(Task $task): JsonResponse
    {
        // Pressed twice, it is read once.
        $asked = Task::query()->whereKey($task->id)->where(['kind' => TaskKind::Bench, 'state' => TaskState::Asks])->update(['state' => TaskState::Waiting, 'problem' => null, 'input' => json_encode([...$task->input ?? [], 'both' => true])]);

        return $asked === 1 ? self::read($task->refresh()) : new JsonResponse(TaskProps::of($task->refresh()));
    }

    /** @throws ValidationException when it is known already that nothing is added */
    private static function read(Task $task): JsonResponse
    {
        ImportBenchFile::dispatch($task)->onQueue(Turn::of($task));
        $task->refresh();
        $status = match ($task->state) {
            TaskState::Failed => throw ValidationException::withMessages(['bench' => (string) $task->problem]),
            TaskState::Done => JsonResponse::HTTP_CREATED,
            default => JsonResponse::HTTP_ACCEPTED,
        };

        return new JsonResponse(TaskProps::of($task), $status);
    }

    private static function file(Painter $painter, ?Figure $figure, string $name): BinaryFileResponse
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'bench');
        BenchWriter::write($path, $painter, $figure);

        return (new BinaryFileResponse($path, 200, [
            'Content-Type' => 'application/zip', 'Content-Disposition' => Named::file($name, '.hyalin.zip'), 'Cache-Control' => 'private, no-store',
        ], false))->deleteFileAfterSend();
    }
}
