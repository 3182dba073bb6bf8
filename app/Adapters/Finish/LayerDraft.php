<?php

declare(strict_types=1);

namespace App\Adapters\Finish;

use App\Models\Finish\LayerPaint;
use App\Models\Finish\LayerRecord as LayerRecord;
use App\Models\Shelf\Paint;
use Closure;
use Hyalin\Finish\Hand;
use Hyalin\Finish\Layer;
use Hyalin\Finish\Technique;
use Hyalin\Finish\Zone;
use Hyalin\Optics\PaintOptics;

/**
 * A layer as the painter has it before them, stored or not: pots instead of optics.
 */
final readonly class LayerDraft
{
    /**
     * @param  string  $key  stays with the layer through every edit
     * @param  non-empty-list<Zone>  $zones
     * @param  non-empty-list<array{Paint, int}>  $mix  pots with their drops
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

    public static function of(LayerRecord $layer): self
    {
        $mix = array_values($layer->paints->map(static fn (LayerPaint $p): array => [$p->paint, $p->drops])->all());

        return new self(
            $layer->key,
            $layer->technique,
            $layer->zones ?: $layer->technique->usualZones(),
            $layer->thinner,
            $layer->coats,
            $mix ?: throw new \LogicException("layer {$layer->id} has no paint"),
            $layer->note,
        );
    }

    /** @param  (Closure(Paint): PaintOptics)|null  $optics  of a pot; as it is on the shelf by default */
    public function mixOptics(?Closure $optics = null): PaintOptics
    {
        return PaintOptics::mixed(array_map(
            static fn (array $entry): array => [$optics === null ? $entry[0]->optics() : $optics($entry[0]), (float) $entry[1]],
            $this->mix,
        ));
    }

    /**
     * @param  (Closure(Paint): PaintOptics)|null  $optics
     * @param  Hand|null  $hand  that of the painter by default
     */
    public function toLayer(?Closure $optics = null, ?Hand $hand = null): Layer
    {
        $pots = array_column($this->mix, 0);

        return Layer::of(
            $this->technique,
            $this->mixOptics($optics),
            $this->thinner,
            $this->coats,
            $this->zones,
            $this->technique === Technique::Varnish ? $pots[0]->sheen : null,
            // Flakes stirred into paint swim in it as flakes.
            array_filter($pots, static fn (Paint $p): bool => $p->kind->isFlake()) !== [],
            $hand ?? app(Hands::class)->of($pots[0]->painter_id, $this->technique),
        )->correctedBy($optics === null ? app(Corrections::class)->of($pots[0]->painter_id, $this->mainPot()->id, $this->technique) : null);
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
        return json_encode([
            $this->technique->value,
            array_column($this->zones, 'value'),
            $this->thinner,
            $this->coats,
            array_map(static fn (array $entry): array => [$entry[0]->id, $entry[1]], $this->mix),
        ], JSON_THROW_ON_ERROR);
    }
}
