<?php

declare(strict_types=1);

namespace Hyalin\Finish\Doubt;

use Hyalin\Colour\ColourSpread;
use Hyalin\Colour\Lab;
use Hyalin\Colour\Reflectance;
use Hyalin\Finish\Layer;
use Hyalin\Finish\SectionCell;
use Hyalin\Finish\SectionPrediction;
use Hyalin\Finish\SectionRow;
use Hyalin\Finish\Technique;
use Hyalin\Finish\Zone;
use Hyalin\Optics\OpticsSpread;

/**
 * How sure the finished zones are, and what of that is due to which pot, to which technique of the hand, to the coats.
 *
 * First order: what a pot, a hand or a coat changes is computed by predicting the finish once more with it moved a little.
 * Bands do not mix, so one such prediction for K and one for S tell all directions of a pot's spread.
 */
final readonly class FinishDoubt
{
    private const STEP = 0.01;

    /** Share of a doubt's standard deviation that remains when its pot was measured with a tint, or chips were painted. */
    private const AFTER_MEASURING = 0.15;

    private const AFTER_CHIPS = 0.35;

    /**
     * @param  list<Direction>  $directions
     * @param  array<string, Lab>  $seen  by zone
     */
    private function __construct(public array $directions, public array $seen)
    {
    }

    /**
     * @param  SectionRow  $start  what lies there already: taken as it is
     * @param  list<DoubtfulLayer>  $stack
     */
    public static function of(SectionPrediction $prediction, SectionRow $start, array $stack): self
    {
        $layers = array_map(static fn (DoubtfulLayer $l): Layer => $l->layer, $stack);
        $top = $prediction->onTop($start, $layers)->top();
        $seen = [];
        foreach (Zone::cases() as $zone) {
            $seen[$zone->value] = $top->cell($zone)->seen;
        }

        return new self([...self::ofPots($prediction, $start, $stack, $top), ...self::ofHands($prediction, $start, $stack, $top)], $seen);
    }

    public function spread(Zone $zone): ColourSpread
    {
        return $this->spreadWith($zone, null);
    }

    /** @return float mean over the zones of the CIEDE2000 within which they lie two out of three times */
    public function radius(): float
    {
        return $this->radiusWith(null);
    }

    /**
     * The one pot to measure, or technique to paint chips of, that would make the finish surest.
     *
     * @param  list<string>  $settled  keys of causes that nothing more can be done about: pots measured, hands learnt
     * @return WouldHelp|null null when nothing would help by a tenth
     */
    public function wouldHelpMost(array $settled): ?WouldHelp
    {
        $before = $this->radius();
        $best = null;
        $causes = [];
        foreach ($this->directions as $direction) {
            $causes[$direction->cause->key] = $direction->cause;
        }
        foreach ($causes as $key => $cause) {
            if ($cause->kind === CauseKind::Coats || in_array($key, $settled, true)) {
                continue;
            }
            $after = $this->radiusWith($cause);
            if ($after < 0.9 * $before && ($best === null || $after < $best->after)) {
                $best = new WouldHelp($cause, $before, $after);
            }
        }

        return $best;
    }

    /** With what is left when a cause has been looked into. */
    private function spreadWith(Zone $zone, ?Cause $settled): ColourSpread
    {
        $left = $settled?->kind === CauseKind::Hand ? self::AFTER_CHIPS : self::AFTER_MEASURING;
        $errors = [];
        foreach ($this->directions as $direction) {
            if (isset($direction->errors[$zone->value])) {
                $share = $direction->cause->key === $settled?->key ? $left : 1.0;
                [$l, $a, $b] = $direction->errors[$zone->value];
                $errors[] = [$share * $l, $share * $a, $share * $b];
            }
        }

        return ColourSpread::of($this->seen[$zone->value], $errors);
    }

    private function radiusWith(?Cause $settled): float
    {
        $sum = 0.0;
        foreach (Zone::cases() as $zone) {
            $sum += $this->spreadWith($zone, $settled)->radius() * $zone->usualShare();
        }

        return $sum;
    }

    /**
     * @param  list<DoubtfulLayer>  $stack
     * @return list<Direction>
     */
    private static function ofPots(SectionPrediction $prediction, SectionRow $start, array $stack, SectionRow $top): array
    {
        $directions = [];
        foreach (self::pots($stack) as $pot => $spread) {
            $byK = $prediction->onTop($start, self::withPot($stack, (string) $pot, 1 + self::STEP, 1.0))->top();
            $byS = $prediction->onTop($start, self::withPot($stack, (string) $pot, 1.0, 1 + self::STEP))->top();
            foreach ($spread->modes as $n => $mode) {
                $moved = [];
                foreach (Zone::cases() as $zone) {
                    foreach ($top->cell($zone)->inside->values as $band => $r) {
                        $moved[$zone->value][] = (($byK->cell($zone)->inside->values[$band] - $r) * $mode['k'][$band] + ($byS->cell($zone)->inside->values[$band] - $r) * $mode['s'][$band]) / self::STEP;
                    }
                }
                $directions[] = self::direction($prediction, $top, Cause::pot((string) $pot), (string) $n, $moved);
            }
        }

        return array_values(array_filter($directions));
    }

    /**
     * What thickness and coverage of each technique change: the hand's own deviation moves all its layers together, the
     * scatter from coat to coat each on its own.
     *
     * @param  list<DoubtfulLayer>  $stack
     * @return list<Direction>
     */
    private static function ofHands(SectionPrediction $prediction, SectionRow $start, array $stack, SectionRow $top): array
    {
        /** @var array<string, array<string, array<int, float>>> $together by technique and way, zone and band */
        $together = $kinds = $directions = [];
        foreach ($stack as $i => $doubtful) {
            $hand = $doubtful->hand();
            $ways = [
                'thickness' => [$hand->moved(1.0, 1 + self::STEP), self::STEP, $hand->thicknessDeviation],
                // Less, and not more: a zone that is covered cannot be covered more.
                'coverage' => [$hand->moved(1 - self::STEP, 1.0), -self::STEP, $hand->coverageDeviation],
            ];
            foreach ($ways as $way => [$moved, $step, $deviation]) {
                if ($way === 'coverage' && $doubtful->layer->coversAll()) {
                    continue;
                }
                $layers = array_map(static fn (DoubtfulLayer $l, int $n): Layer => $n === $i ? $l->layer->withHand($moved) : $l->layer, $stack, array_keys($stack));
                $then = $prediction->onTop($start, $layers)->top();
                $scattered = [];
                $key = "{$doubtful->layer->technique->value}\n{$way}";
                $kinds[$key] = [$doubtful->layer->technique, $way];
                foreach (Zone::cases() as $zone) {
                    foreach ($top->cell($zone)->inside->values as $band => $r) {
                        $slope = ($then->cell($zone)->inside->values[$band] - $r) / $step;
                        $scattered[$zone->value][] = $slope * $hand->scatter / sqrt($doubtful->layer->coats);
                        $together[$key][$zone->value][$band] = ($together[$key][$zone->value][$band] ?? 0.0) + $slope * $deviation;
                    }
                }
                $directions[] = self::direction($prediction, $top, Cause::coats(), "{$i} {$way}", $scattered);
            }
        }
        foreach ($kinds as $key => [$technique, $way]) {
            $directions[] = self::direction($prediction, $top, Cause::hand($technique), $way, $together[$key]);
        }

        return array_values(array_filter($directions));
    }

    /**
     * @param  array<string, array<int, float>>  $moved  what a standard deviation does to the reflectance inside the film, by zone and band
     * @return Direction|null null where it does nothing
     */
    private static function direction(SectionPrediction $prediction, SectionRow $top, Cause $cause, string $way, array $moved): ?Direction
    {
        $errors = [];
        foreach ($moved as $zone => $bands) {
            $error = self::error($prediction, $top->cell(Zone::from($zone)), array_values($bands));
            if ($error !== null) {
                $errors[$zone] = $error;
            }
        }

        return $errors === [] ? null : new Direction($cause, $way, $errors);
    }

    /**
     * @param  list<DoubtfulLayer>  $stack
     * @return array<string, OpticsSpread> by pot
     */
    private static function pots(array $stack): array
    {
        $pots = [];
        foreach ($stack as $doubtful) {
            foreach ($doubtful->mix as $ingredient) {
                $pots[$ingredient->pot] = $ingredient->spread;
            }
        }

        return $pots;
    }

    /**
     * The layers with one pot moved; what is blended into a wet coat meets the mix of that coat as it was moved.
     *
     * @param  list<DoubtfulLayer>  $stack
     * @return list<Layer>
     */
    private static function withPot(array $stack, string $pot, float $k, float $s): array
    {
        $layers = array_map(static fn (DoubtfulLayer $l): Layer => $l->withPot($pot, $k, $s), $stack);
        foreach ($layers as $i => $layer) {
            if ($layer->context->into !== null && $i > 0) {
                $layers[$i] = $layer->blendedInto($layers[$i - 1]->mix);
            }
        }

        return array_values($layers);
    }

    /**
     * @param  list<float>  $moved  what a standard deviation does to the reflectance inside the film, by band
     * @return array{float, float, float}|null null where it does nothing
     */
    private static function error(SectionPrediction $prediction, SectionCell $cell, array $moved): ?array
    {
        if (max(0.0, ...array_map(abs(...), $moved)) < 1e-7) {
            return null;
        }
        $there = [];
        foreach ($cell->inside->values as $band => $r) {
            $there[] = max(0.0, min(1.0, $r + $moved[$band]));
        }
        $lab = $prediction->seen(Reflectance::of($there), $cell->surface);

        return [$lab->lightness - $cell->seen->lightness, $lab->a - $cell->seen->a, $lab->b - $cell->seen->b];
    }
}
