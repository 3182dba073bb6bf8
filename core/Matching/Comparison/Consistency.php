<?php

declare(strict_types=1);

namespace Hyalin\Matching\Comparison;

use Hyalin\Colour\DifferenceFormula;
use Hyalin\Colour\Lab;
use Hyalin\Matching\Sampling\InvalidSample;

/**
 * How alike the pieces of a batch came out: the mean colour difference from the mean (MCDM, F. W. Billmeyer and
 * P. J. Alessi, Color Research and Application 6, 1981), with CIEDE2000, and the piece that stands out.
 */
final readonly class Consistency
{
    /** A piece must differ from the others by at least this to stand out: the limit of "close". */
    private const VISIBLE = 2.5;

    /** And by this many times their own spread. */
    private const TIMES = 3.0;

    /**
     * @param  list<float>  $differences  CIEDE2000 of each piece from the mean of all
     * @param  int|null  $outlier  index of the piece that stands out
     * @param  float|null  $outlierBy  CIEDE2000 of that piece from the mean of the others
     * @param  list<float>|null  $outlierShift  its L*, a*, b* less those of the others
     */
    private function __construct(public Lab $mean, public array $differences, public float $spread, public ?int $outlier, public ?float $outlierBy, public ?array $outlierShift)
    {
    }

    /**
     * @param  list<Lab>  $pieces
     *
     * @throws InvalidSample when there are fewer than two
     */
    public static function of(array $pieces): self
    {
        if (count($pieces) < 2) {
            throw InvalidSample::tooFewPieces(count($pieces));
        }
        $mean = self::mean($pieces);
        $differences = array_map(static fn (Lab $p): float => DifferenceFormula::Ciede2000->between($mean, $p), $pieces);
        [$outlier, $by] = self::outlier($pieces);

        return new self($mean, $differences, array_sum($differences) / count($differences), $outlier, $by, $outlier === null ? null : self::shift($pieces, $outlier));
    }

    /**
     * @param  list<Lab>  $pieces
     * @return array{int|null, float|null}
     */
    private static function outlier(array $pieces): array
    {
        $worst = [null, null];
        // Of two pieces neither is the odd one.
        foreach (count($pieces) < 3 ? [] : $pieces as $n => $piece) {
            $others = self::others($pieces, $n);
            $mean = self::mean($others);
            $by = DifferenceFormula::Ciede2000->between($mean, $piece);
            $spread = array_sum(array_map(static fn (Lab $o): float => DifferenceFormula::Ciede2000->between($mean, $o), $others)) / count($others);
            if ($by >= max(self::VISIBLE, self::TIMES * $spread) && $by > ($worst[1] ?? 0.0)) {
                $worst = [$n, $by];
            }
        }

        return $worst;
    }

    /**
     * @param  list<Lab>  $pieces
     * @return list<float>
     */
    private static function shift(array $pieces, int $n): array
    {
        $mean = self::mean(self::others($pieces, $n));

        return [$pieces[$n]->lightness - $mean->lightness, $pieces[$n]->a - $mean->a, $pieces[$n]->b - $mean->b];
    }

    /**
     * @param  list<Lab>  $pieces
     * @return list<Lab>
     */
    private static function others(array $pieces, int $n): array
    {
        unset($pieces[$n]);

        return array_values($pieces);
    }

    /** @param  list<Lab>  $pieces */
    private static function mean(array $pieces): Lab
    {
        $count = max(1, count($pieces));
        $of = static fn (string $axis): float => array_sum(array_map(static fn (Lab $p): float => match ($axis) {
            'l' => $p->lightness,
            'a' => $p->a,
            default => $p->b,
        }, $pieces)) / $count;

        return Lab::of($of('l'), $of('a'), $of('b'), ($pieces[0] ?? throw InvalidSample::tooFewPieces(0))->white);
    }
}
