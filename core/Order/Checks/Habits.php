<?php

declare(strict_types=1);

namespace Hyalin\Order\Checks;

use Hyalin\Plan\Approach;
use Hyalin\Plan\AreaPlan;
use Hyalin\Plan\FigurePlan;
use Hyalin\Plan\LayerPlan;
use Hyalin\Plan\LayerTone;
use Hyalin\Plan\StepId;
use Hyalin\Plan\StepKind;

/**
 * Where a finish differs from the approaches its painter follows. Both ways work: nothing here stops a plan.
 */
final class Habits
{
    /** L* below which a socket is dark, and above which a layer is the white of an eye: own estimates. */
    private const DARK = 40.0;

    private const WHITE = 75.0;

    /** @return list<Issue> */
    public static function of(FigurePlan $figure): array
    {
        $found = [];
        foreach ($figure->areas as $area) {
            foreach ([self::washes($figure, $area), self::prime($figure, $area), self::brush($figure, $area), self::barrier($figure, $area), self::eyes($figure, $area)] as $remark) {
                if ($remark !== null) {
                    [$layer, $what, $remedy] = $remark;
                    $found[] = new Issue("{$area->name}, {$layer->words}: {$what}", $remedy, false, StepId::layer($layer->key), $area->id);
                }
            }
        }

        return $found;
    }

    /** @return array{LayerPlan, string, string}|null */
    private static function washes(FigurePlan $figure, AreaPlan $area): ?array
    {
        [$first, $second] = $figure->follows(Approach::WashFirst) ? [LayerTone::Shade, LayerTone::Light] : [LayerTone::Light, LayerTone::Shade];
        $after = null;
        foreach ($area->layers as $layer) {
            if ($layer->tone === $second) {
                $after = $layer;
            } elseif ($layer->tone === $first && $after !== null) {
                return $first === LayerTone::Shade
                    ? [$layer, 'the wash covers the highlights and dulls them.', 'Your approach washes first and highlights up from it: move the wash down, or paint the highlights brighter.']
                    : [$layer, 'highlights lie over the wash.', 'Your approach highlights first and shades down with the wash: move the wash up.'];
            }
        }

        return null;
    }

    /** @return array{LayerPlan, string, string}|null */
    private static function prime(FigurePlan $figure, AreaPlan $area): ?array
    {
        $primes = array_values(array_filter($area->layers, static fn (LayerPlan $l): bool => $l->kind === StepKind::Prime));

        return $figure->follows(Approach::OnePrimer) && count($primes) > 1
            ? [$primes[1], 'light is sprayed over the primer.', 'Your approach layers straight over one primer colour: leave it out.']
            : null;
    }

    /** @return array{LayerPlan, string, string}|null */
    private static function brush(FigurePlan $figure, AreaPlan $area): ?array
    {
        foreach ($figure->follows(Approach::BrushOnly) ? $area->layers : [] as $layer) {
            if ($layer->kind === StepKind::Spray) {
                return [$layer, 'it is sprayed, and you work with the brush only.', 'Make it a base coat: it needs no mask.'];
            }
        }

        return null;
    }

    /** @return array{LayerPlan, string, string}|null */
    private static function barrier(FigurePlan $figure, AreaPlan $area): ?array
    {
        $below = null;
        foreach ($figure->follows(Approach::VarnishBetween) ? $area->layers : [] as $layer) {
            if ($layer->tone === LayerTone::Shade && $below !== null && $below->kind !== StepKind::Varnish && $below->kind !== StepKind::Prime) {
                return [$layer, 'no varnish protects the colour beneath it.', 'Your approach puts a varnish between: a slip can then be wiped away.'];
            }
            $below = $layer;
        }

        return null;
    }

    /** @return array{LayerPlan, string, string}|null */
    private static function eyes(FigurePlan $figure, AreaPlan $area): ?array
    {
        if (preg_match('/\beyes?\b/i', $area->name) !== 1) {
            return null;
        }
        $dark = false;
        foreach ($area->layers as $layer) {
            $dark = $dark || ($layer->lightness ?? self::DARK) < self::DARK && $layer->kind !== StepKind::Prime;
            if (($layer->lightness ?? 0.0) > self::WHITE && $layer->kind !== StepKind::Prime) {
                return $figure->follows(Approach::EyeSocketDark) && ! $dark
                    ? [$layer, 'the white goes on without a dark socket.', 'Your approach darkens the socket first: a dark rim stays around the white.']
                    : null;
            }
        }

        return null;
    }
}
