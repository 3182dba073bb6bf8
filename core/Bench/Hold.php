<?php

declare(strict_types=1);

namespace Hyalin\Bench;

/**
 * Why a step does not begin earlier.
 */
enum Hold: string
{
    case Drying = 'the layer beneath had to dry';
    case Order = 'it follows directly';
    case Bench = 'you were at another step';
    case Hours = 'there was no earlier session';
}
