<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Log;
use PhpMode;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\ServiceUnavailableHttpException;

/**
 * A server in another mode of PHP computes nothing: it answers 503, and /health says why. See bin/php/mode.ini.
 */
final class RunInMode
{
    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $difference = PhpMode::difference();
        if ($difference !== null && ! $request->is('health', 'health.json', 'up')) {
            Log::critical("PHP runs in another mode than bin/php/mode.ini: {$difference}.");
            throw new ServiceUnavailableHttpException(null, "Hyalin is not served in its mode of PHP: {$difference}. Nothing was changed; start it with bin/serve.");
        }

        return $next($request);
    }
}
