<?php

declare(strict_types=1);

namespace App\Http\Props\Finish;

use App\Adapters\Finish\LayerSuggestions;
use App\Http\Props\ColourProps;
use App\Http\Props\DropsProps;
use App\Models\Shelf\Paint;
use Hyalin\Colour\Likeness;
use Hyalin\Cup\HueDrift;
use Hyalin\Cup\RampStep;
use Hyalin\Pot\Volume;

/**
 * Suggestions for a layer, in numbers.
 */
final readonly class SuggestionsProps
{
    /**
     * @param  SettingProps|null  $setting  null when the zone has no colour to match
     * @param  list<UndercoatProps>  $undercoats  best first
     * @param  list<RampStepProps>  $ramp  darkest first
     */
    public function __construct(public ?SettingProps $setting, public array $undercoats, public array $ramp, public HueDrift $drift)
    {
    }

    public static function of(LayerSuggestions $of): self
    {
        return new self(
            $of->setting === null ? null : new SettingProps(
                $of->setting->coats,
                $of->setting->thinner,
                ColourProps::of($of->setting->lab),
                $of->setting->difference,
                Likeness::of($of->setting->difference),
            ),
            array_map(static fn (array $u): UndercoatProps => new UndercoatProps($u[0]->undercoat, $u[1]->thick_hex, $u[0]->coats, ColourProps::of($u[0]->lab), $u[0]->difference), $of->undercoats),
            array_map(static fn (RampStep $s): RampStepProps => new RampStepProps(
                $s->step,
                self::inDrops($of->pots, $s->added),
                self::inDrops($of->pots, array_map(static fn (float $v): int => (int) round(Volume::millilitres($v)->inParts()), $s->cup->volumes)),
                ColourProps::of($s->lab),
            ), $of->ramp),
            $of->drift,
        );
    }

    /**
     * @param  array<string, Paint>  $pots
     * @param  array<string, int>  $counts
     * @return list<DropsProps>
     */
    private static function inDrops(array $pots, array $counts): array
    {
        return array_map(static fn (string $key, int $count): DropsProps => DropsProps::of($pots[$key], $count), array_keys($counts), array_values($counts));
    }
}
