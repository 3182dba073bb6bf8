<?php

declare(strict_types=1);

namespace App\Adapters;

use App\Adapters\References\PictureIntake;
use App\Models\Painter;
use App\Models\Task;
use App\Models\TaskKind;
use App\Models\TaskState;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;
use RuntimeException;

/**
 * Files that have arrived and wait to be read, where every worker finds them. The input of their tasks: name as the painter has it, path.
 */
final class Incoming
{
    private const KINDS = [TaskKind::Bench, TaskKind::Picture];

    private const KEPT_MINUTES = 60;

    /**
     * @param  TaskKind::Bench|TaskKind::Picture  $kind
     * @param  callable(string): void  $put  writes the file to a path
     * @param  array<string, mixed>  $more  of its input
     */
    public static function keep(Painter $painter, TaskKind $kind, string $name, callable $put, array $more = []): Task
    {
        self::clear($painter);
        $path = 'incoming/'.Str::ulid()->toBase32();
        $put($path);

        return Task::ask($kind, $painter->id, input: ['name' => Str::limit($name, 200, ''), 'path' => $path, ...$more]);
    }

    /** @return string a copy on this machine, for the caller to delete */
    public static function copy(Task $task): string
    {
        $path = self::path($task);
        $in = Storage::disk('local')->readStream($path) ?? throw new RuntimeException("{$path} is gone");
        $copy = (string) tempnam(sys_get_temp_dir(), 'hyalin-incoming');
        file_put_contents($copy, $in);
        fclose($in);

        return $copy;
    }

    /**
     * Beside the file as it came, which is of no use any more.
     *
     * @return array<string, mixed> the result of its task
     */
    public static function putPicture(Task $task, PictureIntake $picture): array
    {
        $path = self::path($task);
        StoredFile::put("{$path}.png", $picture->png);
        Storage::disk('local')->delete($path);

        return ['width' => $picture->width, 'height' => $picture->height, 'blockGrid' => $picture->blockGrid, 'remarks' => $picture->remarks];
    }

    /** @return PictureIntake|null null when it is none, or not read yet */
    public static function picture(Task $task): ?PictureIntake
    {
        $png = $task->kind === TaskKind::Picture && $task->state === TaskState::Done ? Storage::disk('local')->get(self::path($task).'.png') : null;

        return $png === null ? null : PictureIntake::restored($png, $task->result ?? []);
    }

    /** Its files, where it has any. */
    public static function drop(Task $task): void
    {
        if (in_array($task->kind, self::KINDS, true)) {
            StoredFile::forget(self::path($task));
        }
    }

    /** @return list<string> paths of what a painter has sent */
    public static function paths(Painter $painter): array
    {
        return array_values(Task::query()->where('painter_id', $painter->id)->whereIn('kind', self::KINDS)->get()->map(self::path(...))->all());
    }

    private static function path(Task $task): string
    {
        $path = $task->input['path'] ?? null;

        return is_string($path) ? $path : throw new RuntimeException("task {$task->id} has no file");
    }

    /** Files that were read and used, or not answered. */
    private static function clear(Painter $painter): void
    {
        $old = Task::query()->where('painter_id', $painter->id)->whereIn('kind', self::KINDS)->where(static fn (Builder $old) => $old
            ->where(static fn (Builder $read) => $read->whereNotIn('state', TaskState::OPEN)->where('updated_at', '<', now()->subMinutes(self::KEPT_MINUTES)))
            // What nobody read in a day nobody reads.
            ->orWhere('updated_at', '<', now()->subDay()))->get();
        foreach ($old as $task) {
            $task->delete();
            self::drop($task);
        }
    }
}
