<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\Answer;
use App\Models\Painter;
use Closure;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Symfony\Component\HttpFoundation\Response;

/**
 * A change that carries a key is made once, however often it is sent: a browser that never heard the answer, because the
 * connection or either side was gone, asks again and gets the same one. The change and its answer are stored together.
 */
final class IdempotentRequests
{
    public const HEADER = 'X-Once';

    /** 26 letters of Crockford's alphabet, as browsers make them. */
    public const KEY = '/^[0-9A-HJKMNP-TV-Z]{26}\z/';

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $key = strtoupper((string) $request->header(self::HEADER));
        $painter = $request->user();
        if (preg_match(self::KEY, $key) !== 1 || ! $painter instanceof Painter) {
            return $next($request);
        }

        return DB::transaction(static function () use ($request, $next, $key, $painter): Response {
            $known = Answer::query()->where('painter_id', $painter->id)->where('key', $key)->first();
            if ($known !== null) {
                return new JsonResponse($known->body, $known->status, json: true);
            }
            $response = $next($request);
            if ($response->isSuccessful()) {
                $answer = new Answer(['key' => $key, 'status' => $response->getStatusCode(), 'body' => (string) $response->getContent()]);
                $answer->painter_id = $painter->id;
                $answer->save();
            }

            return $response;
        });
    }
}
