<?php

declare(strict_types=1);

namespace Hyalin\Finish;

/**
 * How much paint a technique takes from the pot. A normal wet coat is 40 micrometres (the reference coat of the model);
 * transfer efficiencies are own estimates, but for the dry brush, of which common practice wipes off nearly all.
 */
final readonly class Consumption
{
    /** Wet, full strength: K and S of every paint are given for it. */
    public const REFERENCE_MICROMETRES = 40.0;

    /** What stays in a cup, a nozzle or a palette well, in drops. */
    private const KEPT_BY_AIRBRUSH = 4.0;

    private const KEPT_BY_PALETTE = 1.0;

    private function __construct(
        /** wet micrometres of one coat, averaged over the area with the usual shares of the zones */
        public float $wetMicrometres,
        /** 0..1, what reaches the piece */
        public float $efficiency,
        /** drops a cup or palette keeps, however little is used */
        public float $keptDrops,
    ) {
    }

    /**
     * @param  list<Zone>  $zones  it is put on
     * @param  list<float>|null  $shares  of the area, recess to edge, as a mesh has them; null for the usual
     */
    public static function of(Technique $technique, array $zones, ?array $shares = null): self
    {
        $profile = $technique->profile();
        $deposit = 0.0;
        foreach ($zones as $zone) {
            $deposit += ($shares[$zone->index()] ?? $zone->usualShare()) * $profile->coverage($zone) * $profile->thickness($zone);
        }

        return new self(
            self::REFERENCE_MICROMETRES * $deposit,
            self::efficiency($technique),
            $technique->isSprayed() ? self::KEPT_BY_AIRBRUSH : self::KEPT_BY_PALETTE,
        );
    }

    /** @return bool whether it comes out of a pot that is counted in drops: cans, decals and powders are not */
    public static function isCounted(Technique $technique): bool
    {
        return ! in_array($technique, [Technique::SprayCan, Technique::Decal, Technique::Powder], true);
    }

    private static function efficiency(Technique $technique): float
    {
        return match ($technique) {
            Technique::Airbrush, Technique::ZenithalSpray, Technique::SlantedSpray, Technique::SprayFromBelow, Technique::SprayCan => 0.4,
            Technique::DryBrush, Technique::Overbrush => 0.05,
            Technique::Stipple, Technique::Sponge, Technique::Spatter => 0.3,
            Technique::Wash, Technique::RecessShade, Technique::Glaze, Technique::Filter => 0.6,
            default => 0.8,
        };
    }
}
