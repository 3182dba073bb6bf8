<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Adapters\Incoming;
use App\Adapters\References\PictureIntake;
use App\Adapters\References\UnreadablePicture;
use App\Models\Painter;
use App\Models\Task;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Validation\ValidationException;

/**
 * The picture of a request: sent with it when it is small, and else sent ahead and read in the queue, `incoming`.
 */
final class ArrivedPicture
{
    /** Decoded in about a quarter of a second: 24 million took 1.3 to 2.0 s on two busy cores. */
    public const AT_ONCE_PIXELS = 3_000_000;

    /** @return array<string, list<mixed>> */
    public static function rules(string $field): array
    {
        return [$field => ['required_without:incoming', 'file'], 'incoming' => ['sometimes', 'integer']];
    }

    /** @throws ValidationException when there is none, or none that can be read */
    public static function of(Request $request, string $field): PictureIntake
    {
        if ($request->filled('incoming')) {
            $painter = $request->user();
            $file = $painter instanceof Painter ? Task::query()->where('painter_id', $painter->id)->find($request->integer('incoming')) : null;

            return ($file === null ? null : Incoming::picture($file)) ?? throw ValidationException::withMessages([$field => 'This picture is no longer here. Send it again.']);
        }
        try {
            $bytes = self::looked($request, $field);

            return self::isSmall($bytes) ? PictureIntake::of($bytes) : throw ValidationException::withMessages([$field => 'Send a picture of more than '.intdiv(self::AT_ONCE_PIXELS, 1_000_000).' million pixels to /incoming/pictures first, and its number here as `incoming`.']);
        } catch (UnreadablePicture $e) {
            throw ValidationException::withMessages([$field => $e->getMessage()]);
        }
    }

    /**
     * @return string the bytes of a picture, of which nothing is decoded yet
     *
     * @throws ValidationException when no file arrived
     * @throws UnreadablePicture naming what is wrong and what is allowed
     */
    public static function looked(Request $request, string $field): string
    {
        $file = $request->file($field);
        if (! $file instanceof UploadedFile || ! $file->isValid()) {
            throw ValidationException::withMessages([$field => 'No picture arrived: it may be larger than this server allows. Nothing was added.']);
        }

        return PictureIntake::looked((string) $file->get());
    }

    public static function isSmall(string $bytes): bool
    {
        // PHP warns of damage behind the header; decoding reports it in words.
        $size = @getimagesizefromstring($bytes);

        return $size !== false && $size[0] * $size[1] <= self::AT_ONCE_PIXELS;
    }

    public static function titleOf(Request $request, string $field): string
    {
        $file = $request->file($field);
        $name = $file instanceof UploadedFile ? $file->getClientOriginalName() : $request->string('title')->value();

        return pathinfo($name, PATHINFO_FILENAME);
    }
}
