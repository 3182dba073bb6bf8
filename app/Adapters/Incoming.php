<?php

declare(strict_types=1);

namespace App\Adapters;

use App\Adapters\References\PictureIntake;
use App\Models\IncomingFile;
use App\Models\Painter;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;
use RuntimeException;

/**
 * Files that wait to be read, where every worker finds them.
 */
final class Incoming
{
    private const KEPT_MINUTES = 60;

    /**
     * @param  'bench'|'picture'  $kind
     * @param  callable(string): void  $put  writes the file to a path
     */
    public static function keep(Painter $painter, string $kind, string $name, callable $put, bool $both = false): IncomingFile
    {
        self::clear($painter);
        $path = 'incoming/'.Str::ulid()->toBase32();
        $put($path);
        $file = new IncomingFile(['kind' => $kind, 'name' => Str::limit($name, 200, ''), 'path' => $path, 'both' => $both]);
        $file->painter_id = $painter->id;
        $file->save();

        return $file;
    }

    /** @return string a copy on this machine, for the caller to delete */
    public static function copy(IncomingFile $file): string
    {
        $in = Storage::disk('local')->readStream($file->path) ?? throw new RuntimeException("{$file->path} is gone");
        $copy = (string) tempnam(sys_get_temp_dir(), 'hyalin-incoming');
        file_put_contents($copy, $in);
        fclose($in);

        return $copy;
    }

    /** Beside the file as it came, which is of no use any more. */
    public static function putPicture(IncomingFile $file, PictureIntake $picture): void
    {
        StoredFile::put("{$file->path}.png", $picture->png);
        $file->update(['state' => 'done', 'progress' => 1.0, 'result' => ['width' => $picture->width, 'height' => $picture->height, 'blockGrid' => $picture->blockGrid, 'remarks' => $picture->remarks]]);
        Storage::disk('local')->delete($file->path);
    }

    /** @return PictureIntake|null null when it is none, or not read yet */
    public static function picture(IncomingFile $file): ?PictureIntake
    {
        $png = $file->kind === 'picture' && $file->state === 'done' ? Storage::disk('local')->get("{$file->path}.png") : null;

        return $png === null ? null : PictureIntake::restored($png, $file->result ?? []);
    }

    public static function forget(IncomingFile $file): void
    {
        $file->delete();
        StoredFile::forget($file->path);
    }

    /** What was read and used, or not answered. */
    private static function clear(Painter $painter): void
    {
        IncomingFile::query()->where('painter_id', $painter->id)->where(static fn (Builder $old) => $old
            ->where(static fn (Builder $read) => $read->whereNotIn('state', ['waiting', 'running'])->where('updated_at', '<', now()->subMinutes(self::KEPT_MINUTES)))
            // What nobody read in a day nobody reads.
            ->orWhere('updated_at', '<', now()->subDay()))->get()->each(self::forget(...));
    }
}
