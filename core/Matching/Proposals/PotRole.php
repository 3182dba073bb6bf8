<?php

declare(strict_types=1);

namespace Hyalin\Matching\Proposals;

use Hyalin\Pot\Pot;
use Hyalin\Pot\PotKind;

/**
 * Uses of a pot in a proposal.
 */
enum PotRole
{
    case Primer;
    /** Mixed for coats that are to cover. */
    case Covering;
    /** Mixed for coats that are to let show what lies beneath. */
    case Translucent;
    /** Flakes: laid on as they are, never through a wash or into a paint. */
    case Metal;

    /** @return self|null null when nothing is proposed with it */
    public static function of(Pot $pot): ?self
    {
        return match (true) {
            $pot->isPrimer() => self::Primer,
            $pot->kind === PotKind::Metal || $pot->kind === PotKind::Chrome => self::Metal,
            $pot->isFlake() || ! $pot->isMixed() => null,
            default => $pot->isTranslucent() ? self::Translucent : self::Covering,
        };
    }
}
