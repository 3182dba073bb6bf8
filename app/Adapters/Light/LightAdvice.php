<?php

declare(strict_types=1);

namespace App\Adapters\Light;

use App\Adapters\Finish\FigureOptics;
use App\Http\Props\Finish\AreaFinishProps;
use App\Models\Brief\Area;
use App\Models\Brief\Figure;
use App\Models\Finish\LayerRecord;
use App\Models\Light\LightRecord;
use Hyalin\Finish\Section;
use Hyalin\Finish\Technique;
use Hyalin\Finish\Zone;

/**
 * What the light on a mesh means for painting it. All limits are own estimates.
 *
 * @phpstan-import-type LitArea from LightRecord
 */
final class LightAdvice
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
     * @param  LitArea  $lit
     * @param  Section  $section  of its finish, with the sprays as the mesh has them
     * @return list<string>
     */
    public static function of(Figure $figure, Area $area, array $lit, Section $section): array
    {
        $advice = [];
        if ($lit['hidden'] > self::HIDDEN) {
            $advice[] = sprintf('No eye reaches %d of 100 of it: that may stay primed.', (int) round(100 * $lit['hidden']));
        }
        $black = self::black($figure, $area, $lit, $section);
        if ($black !== null) {
            $advice[] = $black;
        } elseif ($lit['exposure'] < self::UNREACHED) {
            $advice[] = 'Spray hardly reaches it: paint its light by hand.';
        } elseif ($lit['exposure'] < self::DARK && ($lit['shares'][Zone::Light->index()] ?? 0.0) < self::HIDDEN) {
            $advice[] = 'Little spray: it stays dark under translucent paint.';
        }

        return $advice;
    }

    /**
     * How parts must be held that are sprayed apart, where standing as in their file would put light on their wrong side.
     *
     * @return list<string>
     */
    public static function apart(Figure $figure, LightRecord $light): array
    {
        $said = [];
        foreach ($figure->meshes()->get() as $mesh) {
            $apart = $light->result['apart'][$mesh->id] ?? null;
            if ($apart !== null && $apart['share'] > self::WRONG_SIDE) {
                $said[] = sprintf(
                    '"%s" sprayed apart, standing as in its file, would get about %d of 100 of its light on the wrong side. Hold it so that what is %s in the file is up.',
                    $mesh->title, (int) round(100 * $apart['share']), self::side($apart['up']),
                );
            }
        }

        return $said;
    }

    /**
     * Where the plan counts on light from a spray, and the mesh does not get it.
     *
     * @param  LitArea  $lit
     */
    private static function black(Figure $figure, Area $area, array $lit, Section $section): ?string
    {
        if (! $area->layers->contains(static fn (LayerRecord $l): bool => $l->technique->usualExposure() !== null && $l->technique !== Technique::SprayFromBelow)) {
            return null;
        }
        $planned = FigureOptics::of($figure, $area, null, [])->section(AreaFinishProps::drafts($area))->top();
        $worst = null;
        $most = self::BLACK;
        foreach ([Zone::Mid, Zone::Light, Zone::Edge] as $zone) {
            $fall = $planned->cell($zone)->seen->lightness - $section->top()->cell($zone)->seen->lightness;
            if ($fall > $most && ($lit['shares'][$zone->index()] ?? 0.0) >= self::LEAST_ZONE) {
                [$worst, $most] = [$zone, $fall];
            }
        }

        return $worst === null ? null : sprintf(
            'The spray leaves its %s dark: about L* %.0f where the plan wants %.0f. Paint light there by hand, or spray it from another side.',
            $worst->value, $section->top()->cell($worst)->seen->lightness, $planned->cell($worst)->seen->lightness,
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
