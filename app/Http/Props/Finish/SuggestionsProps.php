<?php

declare(strict_types=1);

namespace App\Http\Props\Finish;

use Hyalin\Cup\HueDrift;

/**
 * What could be done about a layer, in numbers.
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
}
