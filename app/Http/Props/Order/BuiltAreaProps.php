<?php

declare(strict_types=1);

namespace App\Http\Props\Order;

use Hyalin\Order\Plan\Reach;

final readonly class BuiltAreaProps
{
    /**
     * @param  int  $depth  0 lies innermost
     * @param  float|null  $squareCm  null for the usual
     */
    public function __construct(public int $id, public string $name, public ?int $partId, public int $depth, public ?float $squareCm, public bool $isHidden, public Reach $reach)
    {
    }
}
