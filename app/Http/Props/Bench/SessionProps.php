<?php

declare(strict_types=1);

namespace App\Http\Props\Bench;

/**
 * One session with what is to be done in it.
 */
final readonly class SessionProps
{
    /**
     * @param  string  $start  ISO 8601
     * @param  string  $end  ISO 8601
     * @param  list<SessionStepProps>  $steps
     */
    public function __construct(public string $start, public string $end, public array $steps)
    {
    }
}
