<?php

declare(strict_types=1);

namespace Hyalin\Cup;

use Hyalin\Optics\PaintOptics;

/**
 * Volumes by ingredient, in mL. Every act gives a new cup; the caller keeps the history.
 */
final readonly class Cup
{
    /** Thinner, water or medium: takes up volume and does nothing to light. */
    public const THINNER = 'thinner';

    /** Below this a volume is rounding, not paint. */
    private const NOTHING = 1e-9;

    /** @param  array<string, float>  $volumes */
    private function __construct(public array $volumes)
    {
    }

    public static function empty(): self
    {
        return new self([]);
    }

    /** @throws InvalidCup unless $millilitres > 0 */
    public function adding(string $ingredient, float $millilitres): self
    {
        if (! is_finite($millilitres) || $millilitres <= 0) {
            throw InvalidCup::volume($millilitres);
        }
        $volumes = $this->volumes;
        $volumes[$ingredient] = ($volumes[$ingredient] ?? 0.0) + $millilitres;

        return new self($volumes);
    }

    /**
     * Takes some out: of everything in proportion.
     *
     * @throws InvalidCup unless 0 < $millilitres <= what it holds
     */
    public function using(float $millilitres): self
    {
        if (! is_finite($millilitres) || $millilitres <= 0) {
            throw InvalidCup::volume($millilitres);
        }
        $held = $this->total();
        if ($millilitres > $held + self::NOTHING) {
            throw InvalidCup::notThatMuch($millilitres, $held);
        }
        $left = max(0.0, 1 - $millilitres / $held);
        if ($left * $held < self::NOTHING) {
            return self::empty();
        }

        return new self(array_map(static fn (float $v): float => $v * $left, $this->volumes));
    }

    /** @return float mL */
    public function total(): float
    {
        return (float) array_sum($this->volumes);
    }

    /**
     * @return array<string, float> adding up to 1
     *
     * @throws InvalidCup on an empty cup
     */
    public function shares(): array
    {
        $total = $this->total();
        if ($total < self::NOTHING) {
            throw InvalidCup::emptyCup();
        }

        return array_map(static fn (float $v): float => $v / $total, $this->volumes);
    }

    /**
     * @param  array<string, PaintOptics>  $paints  by ingredient; thinner need not be given
     *
     * @throws InvalidCup on an empty cup or an ingredient without paint
     */
    public function optics(array $paints): PaintOptics
    {
        $ingredients = [];
        foreach ($this->shares() as $key => $share) {
            $ingredients[] = [
                $paints[$key] ?? ($key === self::THINNER ? PaintOptics::clear() : throw InvalidCup::unknownIngredient($key)),
                $share,
            ];
        }

        return PaintOptics::mixed($ingredients ?: throw InvalidCup::emptyCup());
    }

    /**
     * The whole-drop recipe of at most $maxDrops whose shares are nearest: of two that are equally near within a
     * thousandth, the smaller. For each total the drops are given out by largest remainder.
     *
     * @throws InvalidCup on an empty cup
     */
    public function nearestRecipe(int $maxDrops = 12): WholeDropRecipe
    {
        $shares = $this->shares();
        arsort($shares);
        $best = new WholeDropRecipe([], INF, []);
        for ($total = 1; $total <= max(1, $maxDrops); $total++) {
            $drops = self::givenOut($shares, $total);
            $error = 0.0;
            foreach ($shares as $key => $share) {
                $error = max($error, abs($share - ($drops[$key] ?? 0) / $total));
            }
            if ($error < $best->error - 1e-3) {
                $best = new WholeDropRecipe($drops, $error, array_values(array_diff(array_keys($shares), array_keys($drops))));
            }
        }

        return $best;
    }

    /**
     * @param  array<string, float>  $shares  largest first
     * @return array<string, int> without those that get none
     */
    private static function givenOut(array $shares, int $total): array
    {
        $drops = $remainders = [];
        foreach ($shares as $key => $share) {
            $drops[$key] = (int) floor($share * $total + 1e-9);
            $remainders[$key] = $share * $total - $drops[$key];
        }
        arsort($remainders);
        foreach (array_slice(array_keys($remainders), 0, $total - array_sum($drops)) as $key) {
            $drops[$key]++;
        }

        return array_filter($drops, static fn (int $d): bool => $d > 0);
    }
}
