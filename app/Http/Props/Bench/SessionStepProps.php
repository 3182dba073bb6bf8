<?php

declare(strict_types=1);

namespace App\Http\Props\Bench;

final readonly class SessionStepProps
{
    /**
     * @param  string  $start  ISO 8601
     * @param  string  $end  ISO 8601
     * @param  string|null  $hex  colour of its main pot; null for work without paint
     * @param  string|null  $url  of its run, where one has begun
     */
    public function __construct(
        public string $id,
        public int $figureId,
        public string $figure,
        public string $what,
        public string $where,
        public string $start,
        public string $end,
        public ?string $hex,
        public ?string $url,
    ) {
    }
}
