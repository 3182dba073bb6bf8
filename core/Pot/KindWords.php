<?php

declare(strict_types=1);

namespace Hyalin\Pot;

/**
 * The kind of pot that its name says, where it does: common practice.
 */
final class KindWords
{
    /** In this order: a gloss varnish for the airbrush is a varnish. */
    private const KINDS = [
        [PotKind::Varnish, '/\b(varnish|top ?coat|clear ?coat)\b/'],
        [PotKind::Primer, '/\b(primer|surfacer|undercoat)\b/'],
        [PotKind::Can, '/\b(spray|rattle|aerosol)\b|\bspray ?can\b/'],
        [PotKind::Thinner, '/\b(thinner|flow improver|retarder|solvent)\b/'],
        [PotKind::Medium, '/\bmedium\b/'],
        [PotKind::Gel, '/\bgel\b/'],
        [PotKind::Powder, '/\b(pigment|powder)s?\b/'],
        [PotKind::Oil, '/\boils?\b/'],
        [PotKind::Enamel, '/\b(enamel|panel liner|liner)\b/'],
        [PotKind::Wax, '/\bwax\b/'],
        [PotKind::ColourShift, '/\b(colou?r.?shift|chameleon)\b/'],
        [PotKind::Chrome, '/\b(chrome|mirror)\b/'],
        [PotKind::OneCoat, '/\bone.?coat\b/'],
        [PotKind::Wash, '/\b(wash|shade|tone)\b/'],
        [PotKind::Ink, '/\binks?\b/'],
        [PotKind::Metal, '/\b(metal(lic)?|gold|silver|brass|bronze|copper|steel|iron|alumini?um|gun ?metal|pewter)\b/'],
        [PotKind::Airbrush, '/\b(airbrush|air)\b/'],
    ];

    /** @return PotKind|null null where nothing is said: then it is a usual acrylic */
    public static function kind(string $name): ?PotKind
    {
        $words = mb_strtolower($name);
        foreach (self::KINDS as [$kind, $pattern]) {
            if (preg_match($pattern, $words) === 1) {
                return $kind;
            }
        }

        return null;
    }
}
