<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Adapters\Incoming;
use App\Adapters\References\UnreadablePicture;
use App\Adapters\StoredFile;
use App\Http\Props\TaskProps;
use App\Http\Requests\ArrivedPicture;
use App\Jobs\ReadPicture;
use App\Jobs\Turn;
use App\Models\Painter;
use App\Models\TaskKind;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;

/**
 * Pictures that are sent ahead of what they are for.
 */
final class IncomingController
{
    /**
     * A small one is read at once.
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
        $task = Incoming::keep($painter, TaskKind::Picture, ArrivedPicture::titleOf($request, 'picture'), static fn (string $path) => StoredFile::put($path, $bytes));
        ArrivedPicture::isSmall($bytes) ? ReadPicture::dispatchSync($task) : ReadPicture::dispatch($task)->onQueue(Turn::of($task));

        return new JsonResponse(TaskProps::of($task->refresh()), JsonResponse::HTTP_ACCEPTED);
    }
}
