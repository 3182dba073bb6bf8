<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Adapters\Incoming;
use App\Adapters\LostJob;
use App\Adapters\References\UnreadablePicture;
use App\Adapters\StoredFile;
use App\Http\Props\IncomingProps;
use App\Http\Requests\ArrivedPicture;
use App\Jobs\ReadPicture;
use App\Jobs\Turn;
use App\Models\IncomingFile;
use App\Models\Painter;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;

/**
 * Files that have arrived and are read in the queue.
 */
final class IncomingController
{
    /**
     * A picture that is sent ahead of what it is for: a small one is read at once.
     *
     * @throws ValidationException when it is no picture, too large or damaged
     */
    public function picture(Request $request, #[CurrentUser] Painter $painter): JsonResponse
    {
        try {
            $bytes = ArrivedPicture::looked($request, 'picture');
        } catch (UnreadablePicture $e) {
            throw ValidationException::withMessages(['picture' => $e->getMessage()]);
        }
        $file = Incoming::keep($painter, 'picture', ArrivedPicture::titleOf($request, 'picture'), static fn (string $path) => StoredFile::put($path, $bytes));
        ArrivedPicture::isSmall($bytes) ? ReadPicture::dispatchSync($file) : ReadPicture::dispatch($file)->onQueue(Turn::SHORT);

        return new JsonResponse(IncomingProps::of($file->refresh()), JsonResponse::HTTP_ACCEPTED);
    }

    public function show(IncomingFile $incomingFile): JsonResponse
    {
        LostJob::tell($incomingFile);

        return new JsonResponse(IncomingProps::of($incomingFile));
    }

    /** Cancelled: what is being read stops at its next part, what waits is forgotten. */
    public function destroy(IncomingFile $incomingFile): JsonResponse
    {
        $cancelled = 'Cancelled. Nothing was added.';
        // It stays to be asked about: a page that follows it is told so.
        if (IncomingFile::query()->whereKey($incomingFile->id)->whereIn('state', ['waiting', 'asks'])->update(['state' => 'failed', 'problem' => $cancelled]) === 1) {
            StoredFile::forget($incomingFile->path);

            return new JsonResponse(['message' => $cancelled]);
        }
        // The job may have passed its last place to stop. Its state then tells how it ended.
        $incomingFile->update(['stop_asked' => true]);

        return new JsonResponse(['message' => 'Stopping.']);
    }
}
