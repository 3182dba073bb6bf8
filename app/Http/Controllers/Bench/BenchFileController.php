<?php

declare(strict_types=1);

namespace App\Http\Controllers\Bench;

use App\Adapters\BenchFile\BenchReader;
use App\Adapters\BenchFile\BenchWriter;
use App\Adapters\BenchFile\UnreadableBench;
use App\Adapters\Incoming;
use App\Adapters\LostJob;
use App\Adapters\StoredFile;
use App\Http\Named;
use App\Http\Props\IncomingProps;
use App\Jobs\ImportBenchFile;
use App\Jobs\Turn;
use App\Models\Brief\Figure;
use App\Models\IncomingFile;
use App\Models\Painter;
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

        return self::read(Incoming::keep($painter, 'bench', $file->getClientOriginalName(), static fn (string $path) => StoredFile::take($path, $file->getPathname()), $request->boolean('both')));
    }

    /** What is being read, or waits for an answer: a page that is opened anew goes on with it. */
    public function last(#[CurrentUser] Painter $painter): JsonResponse
    {
        $file = IncomingFile::query()->where(['painter_id' => $painter->id, 'kind' => 'bench'])->whereIn('state', ['waiting', 'running', 'asks'])->latest('id')->first();

        if ($file !== null) {
            LostJob::tell($file);
        }

        return new JsonResponse(['file' => $file === null ? null : IncomingProps::of($file)]);
    }

    /** Figures of a name that is there come in as copies. */
    public function both(IncomingFile $incomingFile): JsonResponse
    {
        // Pressed twice, it is read once.
        $asked = IncomingFile::query()->whereKey($incomingFile->id)->where('state', 'asks')->update(['state' => 'waiting', 'both' => true, 'problem' => null]);

        return $asked === 1 ? self::read($incomingFile->refresh()) : new JsonResponse(IncomingProps::of($incomingFile->refresh()));
    }

    /** @throws ValidationException when it is known already that nothing is added */
    private static function read(IncomingFile $file): JsonResponse
    {
        ImportBenchFile::dispatch($file)->onQueue(Turn::SHORT);
        $file->refresh();
        $status = match ($file->state) {
            'failed' => throw ValidationException::withMessages(['bench' => (string) $file->problem]),
            'done' => JsonResponse::HTTP_CREATED,
            default => JsonResponse::HTTP_ACCEPTED,
        };

        return new JsonResponse(IncomingProps::of($file), $status);
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
