<?php

declare(strict_types=1);

namespace App\Http\Props\Order;

use Hyalin\Order\Plan\PrintProcess;

final readonly class BuiltPartProps
{
    /** @param  string|null  $attachments  magnets, pins, straps that go on before paint */
    public function __construct(public int $id, public string $name, public PrintProcess $process, public bool $isBase, public bool $isFiddly, public ?string $attachments)
    {
    }
}
