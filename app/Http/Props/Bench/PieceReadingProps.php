<?php

declare(strict_types=1);

namespace App\Http\Props\Bench;

use App\Http\Props\ColourProps;
use App\Models\Bench\PieceReading;

/**
 * One reading of one figure of a batch.
 */
final readonly class PieceReadingProps
{
    /** @param  float|null  $difference  CIEDE2000 from the mean of all figures; null while fewer than two are read */
    public function __construct(public int $copy, public ColourProps $colour, public string $method, public ?float $difference)
    {
    }

    public static function of(PieceReading $reading, ?float $difference): self
    {
        return new self($reading->copy, ColourProps::of($reading->lab()), $reading->method, $difference);
    }
}
