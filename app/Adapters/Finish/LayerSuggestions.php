<?php

declare(strict_types=1);

namespace App\Adapters\Finish;

use App\Models\Shelf\Paint;
use Hyalin\Cup\HueDrift;
use Hyalin\Cup\RampStep;
use Hyalin\Finish\SettingSearch;
use Hyalin\Finish\UndercoatAdvice;

/**
 * Suggestions for a layer: other coats or thinner, another undercoat, a ramp from its mix.
 */
final readonly class LayerSuggestions
{
    /**
     * @param  SettingSearch|null  $setting  null when the zone has no colour to match
     * @param  list<array{UndercoatAdvice, Paint}>  $undercoats  best first
     * @param  list<RampStep>  $ramp  darkest first
     * @param  array<string, Paint>  $pots  by ingredient of the ramp
     */
    public function __construct(public ?SettingSearch $setting, public array $undercoats, public array $ramp, public array $pots, public HueDrift $drift)
    {
    }
}
