<?php

declare(strict_types=1);

namespace App\Http\Props\Finish;

use App\Models\Shelf\Paint;
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
     * @param  int|null  $potId  the pot that a new layer of it starts with; null when the shelf has none that suits
     */
    public function __construct(
        public Technique $technique,
        public array $usualZones,
        public float $usualThinner,
        public int $dryingMinutes,
        public string $instruction,
        public bool $ownHand,
        public ?int $potId,
    ) {
    }

    /**
     * @param  iterable<Paint>  $shelf
     * @param  list<string>  $measured  techniques whose profile comes from the painter's own test chips
     * @return list<self>
     */
    public static function all(iterable $shelf, array $measured = []): array
    {
        $pots = [];
        foreach ($shelf as $paint) {
            $pots[] = $paint->pot();
        }

        return array_map(static fn (Technique $t): self => new self(
            $t,
            $t->spec()->usualZones,
            $t->spec()->usualThinner,
            $t->spec()->dryingMinutes,
            $t->spec()->instruction,
            in_array($t->value, $measured, true),
            ($pot = $t->startsWith($pots)) === null ? null : (int) $pot->id,
        ), Technique::cases());
    }
}
