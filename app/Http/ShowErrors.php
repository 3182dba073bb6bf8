<?php

declare(strict_types=1);

namespace App\Http;

use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Http\Request;
use Inertia\Inertia;
use Symfony\Component\HttpFoundation\Response;

/**
 * Errors as a page of ours that says what happened, what is safe and what to do. Requests for JSON get JSON.
 */
final class ShowErrors
{
    private const SHOWN = [403, 404, 405, 419, 429, 500, 503];

    public static function register(Exceptions $exceptions): void
    {
        $exceptions->shouldRenderJsonWhen(static fn (Request $request): bool => $request->expectsJson());
        $exceptions->respond(static function (Response $response, \Throwable $e, Request $request): Response {
            $status = $response->getStatusCode();
            // A developer sees the trace of a fault.
            if ($request->expectsJson() || ! in_array($status, self::SHOWN, true) || ($status === 500 && config('app.debug') === true)) {
                return $response;
            }

            return Inertia::render('error/index', ['status' => $status])->toResponse($request)->setStatusCode($status);
        });
    }
}
