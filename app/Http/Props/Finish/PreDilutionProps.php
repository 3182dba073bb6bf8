<?php

declare(strict_types=1);

namespace App\Http\Props\Finish;

use App\Http\Props\ColourProps;
use App\Http\Props\DropsProps;
use App\Models\Shelf\Paint;
use Hyalin\Mixing\PreDilution;

/**
 * A pot made up beforehand that would dose a strong tinter more finely.
 */
final readonly class PreDilutionProps
{
    /** @param  list<DropsProps>  $drops of the better mix; the made-up pot has paintId 0 */
    public function __construct(
        public string $advice,
        public array $drops,
        public ColourProps $colour,
        public float $difference,
    ) {
    }

    /** @param  list<Paint>  $pots */
    public static function of(PreDilution $found, array $pots): self
    {
        $tinter = $pots[$found->tinter];
        $main = $pots[$found->main];
        $drops = [];
        foreach ($found->mix->drops as $place => $count) {
            $drops[] = isset($pots[$place])
                ? DropsProps::of($pots[$place], $count)
                : new DropsProps(0, '', "{$tinter->name} 1 + {$main->name} ".PreDilution::PARTS, $tinter->thick_hex, $count);
        }

        return new self(
            sprintf(
                'One drop of %s is too much here. Premix 1 drop of it with %d of %s and dose from that: closer by ΔE %.1f.',
                $tinter->name,
                PreDilution::PARTS,
                $main->name,
                $found->gain,
            ),
            $drops,
            ColourProps::of($found->mix->lab),
            $found->mix->difference,
        );
    }
}
