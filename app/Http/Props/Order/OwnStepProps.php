<?php

declare(strict_types=1);

namespace App\Http\Props\Order;

use App\Models\Order\OwnStep;

/**
 * Work that no rule of the trade plans.
 */
final readonly class OwnStepProps
{
    /**
     * @param  int|null  $partId  null for the whole figure
     * @param  string|null  $after  step that must come before it
     * @param  string|null  $before  step that must come after it
     * @param  string  $seen  mark of all of it, for who changes it
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
        public string $seen,
    ) {
    }

    public static function of(OwnStep $own): self
    {
        return new self(
            $own->id,
            $own->words,
            $own->part_id,
            tool: $own->tool,
            minutes: $own->minutes,
            dryMinutes: $own->dry_minutes,
            caution: $own->caution,
            after: $own->after,
            before: $own->before,
            seen: $own->seen(),
        );
    }
}
