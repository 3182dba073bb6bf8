<?php

declare(strict_types=1);

namespace Hyalin\Mixing;

use Hyalin\Colour\HueName;
use Hyalin\Colour\Lab;
use Hyalin\Mixing\Found\FoundMix;

/**
 * What a pot would have to be like to bring a target nearer that no mix reaches.
 */
final readonly class MissingPaint
{
    /** CIEDE2000 above which a target counts as out of reach: the eye sees it at once. */
    public const OUT_OF_REACH = 5.0;

    /** @param  non-empty-list<string>  $wanted in a painter's words: "lighter", "more chromatic, towards orange" */
    private function __construct(public float $difference, public array $wanted)
    {
    }

    /** @return self|null null when the nearest mix is near enough */
    public static function between(Lab $target, FoundMix $nearest): ?self
    {
        return $nearest->difference <= self::OUT_OF_REACH ? null : self::from($target, $nearest->lab, $nearest->difference);
    }

    /** What lies between a colour that is wanted and the nearest that there is. */
    public static function from(Lab $target, Lab $nearest, float $difference): self
    {
        $wanted = [];
        $dl = $target->lightness - $nearest->lightness;
        if (abs($dl) > 2) {
            $wanted[] = $dl > 0 ? 'lighter' : 'darker';
        }
        $dc = $target->toLch()->chroma - $nearest->toLch()->chroma;
        $da = $target->a - $nearest->a;
        $db = $target->b - $nearest->b;
        if ($dc < -2 && hypot($da, $db) - abs($dc) < 2) {
            $wanted[] = 'more neutral';
        } elseif (hypot($da, $db) > 2) {
            $towards = HueName::of(Lab::of(50, $da, $db));
            $wanted[] = ($dc > 2 ? 'more saturated, towards ' : 'towards ').$towards;
        }

        return new self($difference, $wanted ?: ['closer to the target in every way']);
    }
}
