<?php

declare(strict_types=1);

namespace App\Http\Props\Order;

use Hyalin\Plan\PrintProcess;

final readonly class BuiltPartProps
{
    /**
     * @param  int|null  $gritFrom  P grit to begin sanding with; null for the usual of the print
     * @param  int|null  $sandingRounds  of filler primer one expects
     * @param  string|null  $attachments  magnets, pins, straps that go on before paint
     */
    public function __construct(public int $id, public string $name, public PrintProcess $process, public bool $isBase, public bool $isFiddly, public ?int $gritFrom, public ?int $gritTo, public ?int $sandingRounds, public ?string $attachments)
    {
    }
}
