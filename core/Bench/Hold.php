<?php

declare(strict_types=1);

namespace Hyalin\Bench;

/**
 * Why a step does not begin earlier.
 */
enum Hold: string
{
    case Drying = 'what it goes over had to dry';
    case Order = 'it follows straight after';
    case Bench = 'the painter was at another step';
    case Hours = 'there was no session before';
}
