<?php

declare(strict_types=1);

namespace App\Http;

use ErrorException;
use Hyalin\InvalidInput;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Database\QueryException;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Log;
use Inertia\Inertia;
use League\Flysystem\FilesystemException;
use League\Flysystem\UnableToCreateDirectory;
use League\Flysystem\UnableToMoveFile;
use League\Flysystem\UnableToReadFile;
use League\Flysystem\UnableToWriteFile;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Symfony\Component\HttpKernel\Exception\ServiceUnavailableHttpException;
use Throwable;
use UnexpectedValueException;

/**
 * Errors as a page of ours that says what happened, what is safe and what to do. Requests for JSON get JSON.
 */
final class ShowErrors
{
    private const SHOWN = [403, 404, 405, 419, 429, 500, 503];

    public static function register(Exceptions $exceptions): void
    {
        $exceptions->shouldRenderJsonWhen(static fn (Request $request): bool => $request->expectsJson());
        // One lost file is no fault of the page: the rest of the bench stays in reach.
        $exceptions->map(UnableToReadFile::class, static function (UnableToReadFile $e): NotFoundHttpException {
            Log::error($e->getMessage());

            return new NotFoundHttpException('A file of this record is missing on the disk of the server: restore it from a backup.', $e);
        });
        $exceptions->map(QueryException::class, self::ofDatabase(...));
        // Files, sessions, caches and logs meet a full or read-only disk in exceptions of their own.
        foreach ([UnableToWriteFile::class, UnableToCreateDirectory::class, UnableToMoveFile::class, ErrorException::class, UnexpectedValueException::class] as $ofFiles) {
            $exceptions->map($ofFiles, self::ofDisk(...));
        }
        // Names of classes are nobody's business.
        $exceptions->map(ModelNotFoundException::class, static fn (ModelNotFoundException $e): NotFoundHttpException => new NotFoundHttpException('It is not there, or not yours.', $e));
        // What the core refuses is what was asked, also where no rule of a request has said so before. It is reported all the same.
        $exceptions->render(static fn (InvalidInput $e, Request $request): ?JsonResponse => $request->expectsJson()
            ? new JsonResponse(['message' => ucfirst($e->getMessage()).'. Nothing was changed.'], Response::HTTP_UNPROCESSABLE_ENTITY)
            : null);
        $exceptions->respond(static function (Response $response, Throwable $e, Request $request): Response {
            $status = $response->getStatusCode();
            // A developer sees the trace of a fault.
            if ($request->expectsJson() || ! in_array($status, self::SHOWN, true) || ($status === 500 && config('app.debug') === true)) {
                return $response;
            }

            return Inertia::render('error/index', ['status' => $status])->toResponse($request)->setStatusCode($status);
        });
    }

    /** What is no fault of ours and will pass, or is for the keeper to mend: nothing was changed, and that is said. */
    private static function ofDatabase(QueryException $e): Throwable
    {
        $said = static fn (string ...$words): bool => array_filter($words, static fn (string $w): bool => str_contains($e->getMessage(), $w)) !== [];

        return match (true) {
            // Another writes just now: the browser asks again by itself.
            $said('database is locked') => new ServiceUnavailableHttpException(1, 'The database is busy. Nothing was changed; try again.', $e),
            default => self::ofDisk($e),
        };
    }

    /** Whatever was to be written: the edit stays in the browser, which sends it again. */
    private static function ofDisk(Throwable $e): Throwable
    {
        for ($cause = $e; $cause !== null; $cause = $cause->getPrevious()) {
            $said = static fn (string ...$words): bool => array_filter($words, static fn (string $w): bool => stripos($cause->getMessage(), $w) !== false) !== [];
            if ($said('disk is full', 'No space left', 'out of free disk space', 'disk quota')) {
                return self::forTheKeeper('There is no room left on the disk of the server. Nothing was changed; its keeper must make room.', $e);
            }
            // SQLite says no more of a disk that has not one page left for its index of the log.
            if ($said('disk I/O error')) {
                return self::forTheKeeper('The disk of the server is full, or fails. Nothing was changed; its keeper must look at it.', $e);
            }
            if ($said('readonly database', 'read-only')) {
                return self::forTheKeeper('The disk of the server cannot be written to. Nothing was changed; its keeper must look at it.', $e);
            }
        }

        // A file that could not be written, without the reason of the system.
        return $e instanceof FilesystemException
            ? self::forTheKeeper('A file could not be written on the server: its disk may be full. Nothing was changed; its keeper must look at it.', $e)
            : $e;
    }

    private static function forTheKeeper(string $words, Throwable $e): ServiceUnavailableHttpException
    {
        try {
            Log::critical($e->getMessage());
        } catch (Throwable) {
            // The log lies on the same disk.
        }

        return new ServiceUnavailableHttpException(null, $words, $e);
    }
}
