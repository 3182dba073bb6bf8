<?php

declare(strict_types=1);

namespace Hyalin\Finish;

use Closure;
use Hyalin\Optics\PaintOptics;
use Hyalin\Optics\Sheen;
use Hyalin\Pot\Pot;
use Hyalin\Pot\PotKind;

/**
 * A layer as a painter mixes it: pots in drops instead of optics.
 */
final readonly class LayerRecipe
{
    /**
     * @param  string  $key  stays with the layer through every edit
     * @param  non-empty-list<Zone>  $zones
     * @param  float  $thinner  parts of water or medium to one part of the mix
     * @param  non-empty-list<array{Pot, int|float}>  $mix  pots with their parts by volume
     */
    public function __construct(
        public string $key,
        public Technique $technique,
        public array $zones,
        public float $thinner,
        public int $coats,
        public array $mix,
    ) {
    }

    /** @return Pot the one with the most drops; the first of those with as many */
    public function mainPot(): Pot
    {
        $main = $this->mix[0];
        foreach ($this->mix as $entry) {
            $main = $entry[1] > $main[1] ? $entry : $main;
        }

        return $main[0];
    }

    /** @return string technique and mix, in words */
    public function words(): string
    {
        return "{$this->technique->value}, ".implode(' + ', array_map(static fn (array $e): string => round($e[1], 2)." {$e[0]->name}", $this->mix));
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

    /** @return Sheen|null what it makes of the surface; null leaves that as it is */
    public function sheen(): ?Sheen
    {
        return $this->isVarnish() ? $this->mainPot()->sheen() : null;
    }

    /** @return bool a varnish that is put on as one: paint put on like a varnish is paint, and protects nothing */
    public function isVarnish(): bool
    {
        return $this->technique->spec()->setsSheen && $this->mainPot()->isVarnish();
    }

    /** @return bool flakes stirred into paint swim in it as flakes */
    public function isFlake(): bool
    {
        foreach ($this->mix as [$pot]) {
            if ($pot->isFlake()) {
                return true;
            }
        }

        return false;
    }

    public function isChrome(): bool
    {
        return $this->mainPot()->kind === PotKind::Chrome;
    }

    /** @return bool whether it hides what lies beneath it everywhere: that need not be protected before */
    public function covers(): bool
    {
        $from = $this->technique->spec()->coversFromCoats;

        return $from !== null && $this->coats >= $from && count($this->zones) === count(Zone::cases());
    }

    /** @return bool primer, or light sprayed on it; a colour from a can is a spray like any other, and masked */
    public function isPriming(): bool
    {
        $spec = $this->technique->spec();

        return $spec->isPriming && ($spec->application !== Application::SprayCan || $this->mainPot()->isPrimer());
    }

    /** @return int minutes until the next coat: as stated of the main pot, or the longer of what pot and technique usually take */
    public function dryingMinutes(): int
    {
        $pot = $this->mainPot();

        return $pot->states('dryingMinutes') ? $pot->dryingMinutes() : max($this->technique->spec()->dryingMinutes, $pot->dryingMinutes());
    }

    /**
     * @param  float  $squareCm  of the area
     * @param  float  $edgeMm  around it
     * @param  float  $learned  factor from the painter's own runs
     * @return int minutes at the bench for all coats on one figure
     */
    public function handsOnMinutes(float $squareCm, float $edgeMm, float $learned = 1.0): int
    {
        return $this->technique->spec()->minutes->minutes($this->coats, $squareCm, $edgeMm, $learned);
    }

    /** @return string equal for the same pots in the same proportions */
    public function mixKey(): string
    {
        $by = [];
        foreach ($this->mix as [$pot, $drops]) {
            $by[$pot->id] = ($by[$pot->id] ?? 0) + $drops;
        }
        ksort($by);
        $all = array_sum($by);

        return implode(' ', array_map(static fn (string|int $id, int|float $drops): string => "{$id}:".round($drops / $all, 4), array_keys($by), $by));
    }

    /** @param  (Closure(Pot): PaintOptics)|null  $optics  of a pot; as it is on the shelf by default */
    public function mixOptics(?Closure $optics = null): PaintOptics
    {
        return PaintOptics::mixed(array_map(
            static fn (array $entry): array => [$optics === null ? $entry[0]->optics : $optics($entry[0]), (float) $entry[1]],
            $this->mix,
        ));
    }

    /**
     * @param  (Closure(Pot): PaintOptics)|null  $optics
     * @param  Hand|null  $hand  of the painter; null for the usual profile
     *
     * @throws InvalidLayer outside the ranges of a layer
     */
    public function toLayer(?Closure $optics = null, ?Hand $hand = null): Layer
    {
        return Layer::of($this->technique, $this->mixOptics($optics), $this->thinner, $this->coats, $this->zones, $this->sheen(), $this->isFlake(), $hand);
    }
}
