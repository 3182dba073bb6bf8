<?php

declare(strict_types=1);

namespace App\Adapters\Finish;

use App\Models\Brief\Area;
use App\Models\Brief\Figure;
use App\Models\Painter;
use Hyalin\Colour\Lab;
use Hyalin\Colour\Srgb;
use Hyalin\Finish\Application;
use Hyalin\Finish\Zone;
use Illuminate\Validation\ValidationException;

/**
 * A question to the mix finder, asked now or when a search was put into the queue.
 */
final readonly class MixQuestion
{
    /**
     * @param  array<array-key, mixed>  $layers
     * @param  string|null  $targetHex  null for the sample of the zone
     * @param  bool  $allKinds  also inks and washes, where a painter would not look for them
     * @param  bool  $allZones  one mix for every zone that has a sample and is touched by the layer
     */
    private function __construct(
        private array $layers,
        private int $index,
        private Zone $zone,
        private ?string $targetHex,
        private int $maxPaints,
        private bool $allKinds,
        private bool $allZones,
    ) {
    }

    /** @param  array<array-key, mixed>  $asked  judged by MixFinderRequest */
    public static function of(array $asked): self
    {
        $zone = $asked['zone'] ?? null;

        return new self(
            is_array($asked['layers'] ?? null) ? $asked['layers'] : [],
            is_numeric($asked['index'] ?? null) ? (int) $asked['index'] : 0,
            Zone::tryFrom(is_string($zone) ? $zone : '') ?? Zone::Mid,
            is_string($asked['targetHex'] ?? null) && $asked['targetHex'] !== '' ? $asked['targetHex'] : null,
            is_numeric($asked['maxPaints'] ?? null) ? (int) $asked['maxPaints'] : 3,
            filter_var($asked['allKinds'] ?? false, FILTER_VALIDATE_BOOLEAN),
            filter_var($asked['allZones'] ?? false, FILTER_VALIDATE_BOOLEAN),
        );
    }

    /** @throws ValidationException when it cannot be searched for, saying what to do */
    public function request(Figure $figure, Area $area, Painter $painter): MixRequest
    {
        $drafts = AskedLayers::of($this->layers, $painter);
        $draft = $drafts[$this->index] ?? throw ValidationException::withMessages(['index' => 'There is no such layer.']);
        $shelf = $painter->paints()->get();
        $pots = MixRequest::potsFor($draft->technique, $shelf, $this->allKinds);
        if ($pots === []) {
            throw ValidationException::withMessages(['shelf' => $shelf->isEmpty()
                ? 'The shelf is empty. Add a pot first.'
                : "No pot on the shelf suits the technique {$draft->technique->value}. Add one, or allow all kinds."]);
        }
        $optics = FigureOptics::of($figure, $area);
        // Nothing is stirred into a can.
        $most = $draft->technique->spec()->application === Application::SprayCan ? 1 : $this->maxPaints;
        $others = [];
        foreach ($this->allZones ? $area->samples : [] as $sample) {
            $other = $sample->zone === $this->zone ? null : MixRequest::of($optics, $drafts, $this->index, $sample->zone, $sample->lab(), $pots, $most);
            if ($other !== null) {
                $others[] = $other;
            }
        }

        return MixRequest::of($optics, $drafts, $this->index, $this->zone, $this->target($area), $pots, $most)?->andFor(...$others) ?? throw ValidationException::withMessages([
            'zone' => "This layer does not touch the {$this->zone->value}: choose a zone it paints.",
        ]);
    }

    /** @throws ValidationException when the zone has no sample and no colour was given */
    public function target(Area $area): Lab
    {
        if ($this->targetHex !== null) {
            return Srgb::hex($this->targetHex)->toXyz()->toLab();
        }

        return $area->samples->firstWhere('zone', $this->zone)?->lab() ?? throw ValidationException::withMessages([
            'zone' => "The {$this->zone->value} of {$area->name} has no colour to match yet: take one from a reference, or choose one here.",
        ]);
    }
}
