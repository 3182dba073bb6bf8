<?php

declare(strict_types=1);

namespace Hyalin\Finish;

/**
 * Advice on painting a mesh, from the light on it. All limits are own estimates.
 */
final class MeshSuggestions
{
    /** Of an area that no eye reaches. */
    private const HIDDEN = 0.1;

    /** Mean exposure below which spray hardly reaches an area, and below which it stays dark. */
    private const UNREACHED = 0.12;

    private const DARK = 0.25;

    /** Lightness by which a zone comes out darker than planned before it is said. */
    private const BLACK = 8.0;

    /** Of the area: a zone smaller than this is no matter. */
    private const LEAST_ZONE = 0.03;

    /** Of the light on a part: more of it on the wrong side is seen. */
    private const WRONG_SIDE = 0.1;

    /**
     * @param  float  $hidden  share of the area that no eye reaches, 0..1
     * @param  float  $exposure  mean to the spray from above, 0..1
     * @param  list<float>  $shares  of the zones, recess to edge
     * @param  Section  $asLit  the finish with the sprays as the mesh has them
     * @param  Section|null  $planned  the same with the usual sprays, where the plan counts on light from one
     * @return list<string>
     */
    public static function of(float $hidden, float $exposure, array $shares, Section $asLit, ?Section $planned): array
    {
        $found = [];
        if ($hidden > self::HIDDEN) {
            $found[] = sprintf('%d %% of it cannot be seen: that can stay primed.', (int) round(100 * $hidden));
        }
        $black = $planned === null ? null : self::black($shares, $asLit->top(), $planned->top());
        if ($black !== null) {
            $found[] = $black;
        } elseif ($exposure < self::UNREACHED) {
            $found[] = 'Spray hardly reaches it: paint its highlights by hand.';
        } elseif ($exposure < self::DARK && ($shares[Zone::Light->index()] ?? 0.0) < self::HIDDEN) {
            $found[] = 'Little spray: it stays dark under translucent paint.';
        }

        return $found;
    }

    /**
     * How a part must be held that is sprayed apart, where standing as in its file would put light on its wrong side.
     *
     * @param  float  $share  of its light that would be on the wrong side, 0..1
     * @param  array{float, float, float}  $up  direction in its file that is up on the figure
     * @return string|null null where it matters little
     */
    public static function apart(string $title, float $share, array $up): ?string
    {
        return $share <= self::WRONG_SIDE ? null : sprintf(
            '"%s" sprayed apart, standing as in its file, would get about %d %% of its light on the wrong side. Hold it so that what is %s in the file is up.',
            $title, (int) round(100 * $share), self::side($up),
        );
    }

    /** @param  list<float>  $shares */
    private static function black(array $shares, SectionRow $asLit, SectionRow $planned): ?string
    {
        $worst = null;
        $most = self::BLACK;
        foreach ([Zone::Mid, Zone::Light, Zone::Edge] as $zone) {
            $fall = $planned->cell($zone)->seen->lightness - $asLit->cell($zone)->seen->lightness;
            if ($fall > $most && ($shares[$zone->index()] ?? 0.0) >= self::LEAST_ZONE) {
                [$worst, $most] = [$zone, $fall];
            }
        }

        return $worst === null ? null : sprintf(
            'The spray leaves its %s dark: about L* %.0f where the plan wants %.0f. Paint light there by hand, or spray it from another side.',
            $worst->value, $asLit->cell($worst)->seen->lightness, $planned->cell($worst)->seen->lightness,
        );
    }

    /** @param  array{float, float, float}  $direction */
    private static function side(array $direction): string
    {
        $longest = 0;
        foreach ([1, 2] as $k) {
            $longest = abs($direction[$k]) > abs($direction[$longest]) ? $k : $longest;
        }
        $name = ($direction[$longest] < 0 ? '-' : '').['x', 'y', 'z'][$longest];
        $off = rad2deg(acos(min(1.0, abs($direction[$longest]))));

        return $off < 10 ? $name : sprintf('about %s (%d degrees off it)', $name, (int) round($off));
    }
}
