<?php

declare(strict_types=1);

namespace App\Adapters\Shelf;

use Hyalin\Pot\PotKind;

/**
 * A pot as a line of a list names it.
 */
final readonly class NamedPot
{
    /**
     * @param  int  $line  from 1
     * @param  string|null  $hex  #rrggbb; null where nothing tells its colour
     * @param  bool  $isGuessed  the colour is guessed from the words of the name
     */
    public function __construct(public int $line, public string $maker, public string $name, public PotKind $kind, public ?string $hex, public bool $isGuessed)
    {
    }
}
