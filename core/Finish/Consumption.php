<?php

declare(strict_types=1);

namespace Hyalin\Finish;

/**
 * How much paint a technique takes from the pot. A normal wet coat is 40 micrometres (the reference coat of the model).
 */
final readonly class Consumption
{
    /** Wet, full strength: K and S of every paint are given for it. */
    public const REFERENCE_MICROMETRES = 40.0;

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
            $technique->spec()->efficiency,
            $technique->spec()->application->keptDrops(),
        );
    }
}
