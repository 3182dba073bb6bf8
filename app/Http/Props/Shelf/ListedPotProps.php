<?php

declare(strict_types=1);

namespace App\Http\Props\Shelf;

use App\Adapters\Shelf\NamedPot;
use Hyalin\Pot\PotKind;

/**
 * A pot of a pasted list, before it is added.
 */
final readonly class ListedPotProps
{
    /**
     * @param  int  $line  from 1
     * @param  string|null  $hex  #rrggbb; null where nothing tells its colour
     * @param  bool  $isGuessed  the colour is guessed from the words of the name
     * @param  bool  $isKnown  on the shelf already: it is left as it is
     */
    public function __construct(public int $line, public string $maker, public string $name, public PotKind $kind, public ?string $hex, public bool $isGuessed, public bool $isKnown)
    {
    }

    public static function of(NamedPot $pot, bool $isKnown): self
    {
        return new self($pot->line, $pot->maker, $pot->name, $pot->kind, $pot->hex, $pot->isGuessed, $isKnown);
    }
}
