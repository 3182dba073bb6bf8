<?php

declare(strict_types=1);

namespace Hyalin\Finish;

use Hyalin\Colour\DifferenceFormula;
use Hyalin\Colour\Lab;

/**
 * Whether a wish about the balance of areas holds, in numbers.
 */
final readonly class Balance
{
    /**
     * @param  float  $value  what is compared with the limit: CIEDE2000 of the mid zones, L* between them, or L* of
     *                        contrast ahead of the next
     */
    private function __construct(public bool $holds, public float $value)
    {
    }

    /** CIEDE2000 between the mid zones: at least, or at most, $limit. */
    public static function between(BalanceKind $kind, Section $one, Section $other, float $limit): self
    {
        $p = $one->top()->cell(Zone::Mid)->seen;
        $q = $other->top()->cell(Zone::Mid)->seen;
        $lightness = abs($p->lightness - $q->lightness);
        $difference = DifferenceFormula::Ciede2000->between($p, $q);

        return match ($kind) {
            BalanceKind::StandApart => new self($difference >= $limit || $lightness >= $limit, max($difference, $lightness)),
            BalanceKind::SitTogether => new self($difference <= $limit, $difference),
            BalanceKind::SameBrightness => new self($lightness <= $limit, $lightness),
            BalanceKind::FocalPoint => throw new \LogicException('a focal point stands against all others'),
        };
    }

    /**
     * The area with the most contrast draws the eye: it should lead all others.
     *
     * @param  list<Section>  $others
     */
    public static function focal(Section $one, array $others, float $lead): self
    {
        $most = 0.0;
        foreach ($others as $other) {
            $most = max($most, self::contrast($other));
        }
        $value = self::contrast($one) - $most;

        return new self($value >= $lead, $value);
    }

    /** @return float L* from the darkest to the lightest zone */
    public static function contrast(Section $section): float
    {
        $lightness = array_map(static fn (SectionCell $c): float => $c->seen->lightness, array_values($section->top()->cells));

        return $lightness === [] ? 0.0 : max($lightness) - min($lightness);
    }

    /**
     * How far two colours that are alike in daylight part company under another light (metamerism; CIE 015 asks for the
     * difference under the second light between a pair that matches under the first).
     *
     * @param  array{Lab, Lab}  $daylight
     * @param  array{Lab, Lab}  $light  the same two under the other light
     * @return float CIEDE2000 more than in daylight; negative when they come nearer
     */
    public static function parting(array $daylight, array $light): float
    {
        return DifferenceFormula::Ciede2000->between(...$light) - DifferenceFormula::Ciede2000->between(...$daylight);
    }
}
