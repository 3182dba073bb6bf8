<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Adapters\Operations\Health;
use App\Http\Props\HealthProps;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Inertia\Inertia;
use Symfony\Component\HttpFoundation\Response;

/**
 * How the installation fares, for its keeper and for a monitor: 503 while something is not well.
 */
final class HealthController
{
    public function __invoke(Request $request): Response
    {
        $checks = array_map(HealthProps::of(...), Health::all());
        $isWell = array_filter($checks, static fn (HealthProps $c): bool => ! $c->isWell) === [];
        $answer = $request->routeIs('health.json')
            ? new JsonResponse(['isWell' => $isWell, 'checks' => $checks])
            : Inertia::render('health/index', ['isWell' => $isWell, 'checks' => $checks])->toResponse($request);

        return $answer->setStatusCode($isWell ? Response::HTTP_OK : Response::HTTP_SERVICE_UNAVAILABLE);
    }
}
