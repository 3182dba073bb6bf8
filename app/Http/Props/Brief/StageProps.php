<?php

declare(strict_types=1);

namespace App\Http\Props\Brief;

/**
 * A stage of a figure's work and how far it is, in words.
 */
final readonly class StageProps
{
    /** @param  string|null  $url null when the stage is not built yet */
    public function __construct(
        public string $name,
        public ?string $url,
        public string $state,
        public bool $current,
    ) {
    }
}
