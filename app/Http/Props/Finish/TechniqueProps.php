<?php

declare(strict_types=1);

namespace App\Http\Props\Finish;

use Hyalin\Finish\Technique;
use Hyalin\Finish\Zone;

/**
 * A technique with the defaults of the trade.
 */
final readonly class TechniqueProps
{
    /**
     * @param  list<Zone>  $usualZones
     * @param  bool  $ownHand  its profile comes from the painter's own test chips
     */
    public function __construct(
        public Technique $technique,
        public array $usualZones,
        public float $usualThinner,
        public int $dryingMinutes,
        public string $instruction,
        public bool $ownHand,
    ) {
    }

    /**
     * @param  list<string>  $measured  techniques whose profile comes from the painter's own test chips
     * @return list<self>
     */
    public static function all(array $measured = []): array
    {
        return array_map(static fn (Technique $t): self => new self(
            $t,
            $t->spec()->usualZones,
            $t->spec()->usualThinner,
            $t->spec()->dryingMinutes,
            $t->spec()->instruction,
            in_array($t->value, $measured, true),
        ), Technique::cases());
    }
}
