<?php

declare(strict_types=1);

namespace App\Adapters\Finish;

use App\Models\Brief\Area;
use App\Models\Finish\LayerPaint;
use App\Models\Finish\LayerRecord as LayerRecord;
use App\Models\Shelf\Paint;
use Closure;
use Hyalin\Finish\Hand;
use Hyalin\Finish\Layer;
use Hyalin\Finish\LayerRecipe;
use Hyalin\Finish\Technique;
use Hyalin\Finish\Zone;
use Hyalin\Optics\PaintOptics;
use Hyalin\Pot\Pot;

/**
 * A layer as the painter has it before them, stored or not: pots instead of optics.
 */
final readonly class LayerDraft
{
    /**
     * @param  string  $key  stays with the layer through every edit
     * @param  non-empty-list<Zone>  $zones
     * @param  non-empty-list<array{Paint, int|float}>  $mix  pots with their parts by volume
     */
    public function __construct(
        public string $key,
        public Technique $technique,
        public array $zones,
        public float $thinner,
        public int $coats,
        public array $mix,
        public ?string $note,
    ) {
    }

    private static function of(LayerRecord $layer): self
    {
        $mix = array_values($layer->paints->map(static fn (LayerPaint $p): array => [$p->paint, $p->drops])->all());

        return new self(
            $layer->key,
            $layer->technique,
            $layer->zones ?: $layer->technique->spec()->usualZones,
            $layer->thinner,
            $layer->coats,
            $mix ?: throw new \LogicException("layer {$layer->id} has no paint"),
            $layer->note,
        );
    }

    /** @param  non-empty-list<array{Paint, int|float}>  $mix */
    public function mixed(array $mix): self
    {
        return new self($this->key, $this->technique, $this->zones, $this->thinner, $this->coats, $mix, $this->note);
    }

    /** The layer as the core knows it. */
    public function recipe(): LayerRecipe
    {
        return new LayerRecipe($this->key, $this->technique, $this->zones, $this->thinner, $this->coats, array_map(
            static fn (array $entry): array => [$entry[0]->pot(), $entry[1]],
            $this->mix,
        ));
    }

    /**
     * @param  (Closure(Paint): PaintOptics)|null  $optics  of a pot; as it is on the shelf by default
     * @param  Hand|null  $hand  that of the painter by default
     */
    public function toLayer(?Closure $optics = null, ?Hand $hand = null): Layer
    {
        $painterId = $this->mix[0][0]->painter_id;
        $by = [];
        foreach ($this->mix as [$paint]) {
            $by[(string) $paint->id] = $paint;
        }

        return $this->recipe()->toLayer(
            $optics === null ? null : static fn (Pot $pot): PaintOptics => $optics($by[$pot->id]),
            $hand ?? app(Hands::class)->of($painterId, $this->technique),
        )->correctedBy($optics === null ? app(Corrections::class)->of($painterId, $this->mainPot()->id, $this->technique) : null);
    }

    /** @return Paint the pot with the most drops */
    public function mainPot(): Paint
    {
        $main = $this->mix[0];
        foreach ($this->mix as $entry) {
            $main = $entry[1] > $main[1] ? $entry : $main;
        }

        return $main[0];
    }

    /** @return string equal for layers that are painted in one go on several areas */
    public function signature(): string
    {
        return $this->recipe()->signature();
    }

    /**
     * @return list<self> the stack of an area, from the print upwards; its layers, paints and pots are loaded. A layer without paint,
     *                    as bench files brought some in once, paints nothing
     */
    public static function stackOf(Area $area): array
    {
        return array_values($area->layers->filter(static fn (LayerRecord $l): bool => $l->paints->isNotEmpty())->map(static fn (LayerRecord $l): self => self::of($l))->all());
    }
}
