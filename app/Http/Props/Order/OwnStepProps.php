<?php

declare(strict_types=1);

namespace App\Http\Props\Order;

/**
 * Work that no rule of the trade plans.
 */
final readonly class OwnStepProps
{
    /**
     * @param  int|null  $partId  null for the whole figure
     * @param  string|null  $after  step that must come before it
     * @param  string|null  $before  step that must come after it
     */
    public function __construct(
        public int $id,
        public string $words,
        public ?int $partId,
        public ?string $tool,
        public int $minutes,
        public int $dryMinutes,
        public ?string $caution,
        public ?string $after,
        public ?string $before,
    ) {
    }
}
