<?php

declare(strict_types=1);

namespace App\Actions\Light;

use App\Adapters\Light\UploadPieces;
use App\Models\Brief\Figure;
use App\Models\Light\MeshUpload;
use App\Models\Light\UploadState;
use Hyalin\Formats\Meshes\MeshHead;
use Hyalin\Formats\Meshes\UnreadableMesh;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;

/**
 * Takes a print file in pieces: each is kept the moment it arrives, a wrong file is refused with its first, and a broken
 * connection costs the piece that was on its way.
 */
final class ReceiveMesh
{
    private const MOST_BYTES = 120 * 1024 * 1024;

    /** Days after which what never came whole is thrown away. */
    private const KEPT_DAYS = 3;

    /** Bytes in which every format says what it is. */
    private const HEAD = 4096;

    /** @throws ValidationException when it is too large, or the figure has as many files as it takes */
    public function begin(Figure $figure, string $name, int $bytes, string $fingerprint): MeshUpload
    {
        foreach (MeshUpload::query()->where('updated_at', '<', now()->subDays(self::KEPT_DAYS))->get() as $old) {
            $this->forget($old);
        }
        $known = $figure->meshUploads()->where(['fingerprint' => $fingerprint, 'bytes' => $bytes, 'state' => UploadState::Sending])->first();
        if ($known !== null) {
            return $known;
        }
        if ($bytes > self::MOST_BYTES) {
            throw self::refused(sprintf('%s has %.0f MB, and a print file may have %d. Nothing was added.', $name, $bytes / 1024 / 1024, self::MOST_BYTES / 1024 / 1024));
        }
        if ($figure->meshes()->count() >= ImportMesh::MOST) {
            throw self::refused('A figure has at most '.ImportMesh::MOST.' print files. Nothing was added.');
        }

        return $figure->meshUploads()->create(['name' => $name, 'bytes' => $bytes, 'fingerprint' => $fingerprint, 'path' => 'uploads/'.Str::ulid()->toBase32()]);
    }

    /**
     * @param  int  $at  byte of the file that the piece begins with
     * @return bool whether it is whole with this piece, and can be read
     *
     * @throws ValidationException when it does not follow on what has arrived, or this is no print file; nothing is kept of it then
     */
    public function piece(MeshUpload $upload, int $at, string $bytes): bool
    {
        return DB::transaction(static function () use ($upload, $at, $bytes): bool {
            $upload->refresh();
            // Sent again because its answer was lost: it is here.
            if ($upload->state !== UploadState::Sending || $at + strlen($bytes) <= $upload->received) {
                return false;
            }
            if ($at !== $upload->received || $at + strlen($bytes) > $upload->bytes) {
                throw ValidationException::withMessages(['at' => "Byte {$upload->received} is next."]);
            }
            if ($at === 0) {
                self::check($upload, substr($bytes, 0, self::HEAD));
            }
            (new UploadPieces($upload))->put($at, $bytes);
            $upload->received = $at + strlen($bytes);
            $upload->state = $upload->received === $upload->bytes ? UploadState::Reading : UploadState::Sending;
            $upload->save();

            return $upload->state === UploadState::Reading;
        });
    }

    public function forget(MeshUpload $upload): void
    {
        (new UploadPieces($upload))->forget();
        $upload->delete();
    }

    private static function check(MeshUpload $upload, string $head): void
    {
        try {
            MeshHead::check($head, $upload->bytes, $upload->name);
        } catch (UnreadableMesh $e) {
            throw self::refused("{$upload->name}: {$e->getMessage()}. Nothing was added.");
        }
    }

    private static function refused(string $words): ValidationException
    {
        return ValidationException::withMessages(['mesh' => ucfirst($words)]);
    }
}
