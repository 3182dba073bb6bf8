<?php

declare(strict_types=1);

namespace App\Adapters\Light;

use App\Adapters\StoredFile;
use App\Models\Light\MeshUpload;
use App\Models\Light\UploadState;
use Illuminate\Contracts\Filesystem\Filesystem;
use Illuminate\Support\Facades\Storage;
use RuntimeException;

/**
 * The pieces of a print file on its way, each a file of its own: any disk takes those, and a piece that comes twice is there once.
 */
final readonly class UploadPieces
{
    public function __construct(private MeshUpload $upload)
    {
    }

    /** @param  int  $at  byte of the print file that the piece begins with */
    public function put(int $at, string $bytes): void
    {
        self::disk()->put($this->name($at), $bytes);
    }

    /**
     * A reader needs one file that it can walk through, wherever the pieces are kept.
     *
     * @return string a copy on this machine, for the caller to delete
     */
    public function gathered(): string
    {
        $copy = (string) tempnam(sys_get_temp_dir(), 'hyalin-print');
        $out = fopen($copy, 'r+b') ?: throw new RuntimeException("cannot write {$copy}");
        $at = $this->copyEarlier($out);
        while ($at < $this->upload->received) {
            $piece = (string) self::disk()->get($this->name($at));
            if ($piece === '' || fwrite($out, $piece) !== strlen($piece)) {
                throw new RuntimeException("byte {$at} of {$this->upload->path} is gone, or cannot be written");
            }
            $at += strlen($piece);
        }
        fclose($out);

        return $copy;
    }

    /** Says that it failed where its reading has, and keeps nothing of it then. */
    public function settle(): void
    {
        $this->upload->refresh();
        $task = $this->upload->task()->first();
        // Between its last piece and its task a request may be killed, or just be slow.
        $hasEnded = $task === null ? $this->upload->updated_at < now()->subMinute() : ! $task->isOpen();
        if ($this->upload->state === UploadState::Reading && $hasEnded) {
            $this->upload->update(['state' => UploadState::Failed, 'problem' => $task->problem ?? 'It was not read to its end. Nothing was added; send it again.']);
            $this->forget();
        }
    }

    public function forget(): void
    {
        StoredFile::forget($this->upload->path);
    }

    /**
     * Begun by a version that wrote all into one file.
     *
     * @param  resource  $out
     * @return int bytes of it that stand before the first piece
     */
    private function copyEarlier($out): int
    {
        $path = $this->upload->path;
        if (! self::disk()->exists($path)) {
            return 0;
        }
        $files = array_filter(self::disk()->files(dirname($path)), static fn (mixed $file): bool => is_string($file) && str_starts_with($file, "{$path}."));
        $at = min($this->upload->received, ...array_map(static fn (mixed $file): int => is_string($file) ? (int) substr($file, strlen($path) + 1) : PHP_INT_MAX, array_values($files)));
        fwrite($out, substr((string) self::disk()->get($path), 0, $at));

        return $at;
    }

    private function name(int $at): string
    {
        return sprintf('%s.%012d', $this->upload->path, $at);
    }

    private static function disk(): Filesystem
    {
        return Storage::disk('local');
    }
}
