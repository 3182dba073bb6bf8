<?php

declare(strict_types=1);

namespace App\Models;

enum TaskKind: string
{
    case Proposal = 'proposal';
    case Zones = 'zones';
    case Spray = 'spray';
    case Gradient = 'gradient';
    case Glow = 'glow';
    case Measures = 'measures';
    /** Of the demo's figures. */
    case Sculpt = 'sculpt';
    /** Every mix of the shelf is tried for one layer. */
    case Proof = 'proof';
    /** Finishes for all areas of a figure. */
    case Finishes = 'finishes';
    case Light = 'light';
    case Mesh = 'mesh';
    /** A photo of a swatch sheet. */
    case Sheet = 'sheet';
    /** A file of pots. */
    case Shelf = 'shelf';
    case Bench = 'bench';
    case Picture = 'picture';

    /** Whether only one of these is done for a figure at a time: two would each undo what the other has done. */
    public function changesFigure(): bool
    {
        return match ($this) {
            self::Proposal, self::Zones, self::Spray, self::Gradient, self::Glow, self::Measures, self::Sculpt => true,
            default => false,
        };
    }

    /** @return list<self> */
    public static function thatChangeFigure(): array
    {
        return array_values(array_filter(self::cases(), static fn (self $kind): bool => $kind->changesFigure()));
    }

    /** Whether it takes minutes: the second one of a painter waits for the first ones of others. */
    public function takesMinutes(): bool
    {
        return match ($this) {
            self::Proof, self::Finishes, self::Light => true,
            default => false,
        };
    }

    /** Whether it gives way to another: what follows from the areas follows anew, and of two settings the later one holds. */
    public function yieldsTo(self $next): bool
    {
        return match ($this) {
            self::Measures, self::Glow => true,
            self::Spray, self::Zones => $next === $this,
            default => false,
        };
    }

    /** @return string what was not done, to be followed by the reason */
    public function failed(): string
    {
        return match ($this) {
            self::Proposal => 'No areas were proposed',
            self::Zones => 'Edges and grooves were not found again',
            self::Spray => 'The spray was not calculated',
            self::Gradient => 'The gradient was not set',
            self::Glow => 'The glow was not calculated',
            self::Measures => 'The areas were not measured',
            self::Sculpt => 'The print files were not sculpted',
            self::Proof => 'The full search was not finished',
            self::Finishes => 'No finishes were proposed',
            self::Light => 'The light was not calculated',
            self::Mesh => 'The print file was not read, and nothing was added',
            self::Sheet => 'The photo was not read, and nothing was changed',
            self::Shelf => 'The file was not read, and nothing was added to the shelf',
            self::Bench => 'The bench file was not read, and nothing was added',
            self::Picture => 'The picture was not read, and nothing was added',
        };
    }
}
