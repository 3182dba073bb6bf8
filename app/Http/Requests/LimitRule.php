<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Hyalin\Limit;

/**
 * A declared range as the rules that judge a field of a request.
 */
final class LimitRule
{
    /** @return array{string, string} */
    public static function of(Limit $limit): array
    {
        return [$limit->isWhole() ? 'integer' : 'numeric', "between:{$limit->least()},{$limit->most()}"];
    }
}
