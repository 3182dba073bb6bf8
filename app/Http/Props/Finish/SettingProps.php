<?php

declare(strict_types=1);

namespace App\Http\Props\Finish;

use App\Http\Props\ColourProps;
use Hyalin\Colour\Likeness;

/**
 * The coats and thinner with which a layer ends nearest to what is wanted.
 */
final readonly class SettingProps
{
    public function __construct(public int $coats, public float $thinner, public ColourProps $colour, public float $difference, public Likeness $likeness)
    {
    }
}
