<?php

declare(strict_types=1);

namespace App\Adapters\Shelf;

use Hyalin\Formats\UnreadableFile;

/**
 * A shelf as a file describes it. All faults are collected, not only the first; a file with any is not imported.
 */
final readonly class ShelfFile
{
    public const MOST_FAULTS = 200;

    /**
     * @param  string  $format  its name on the screen
     * @param  list<PotRow>  $pots
     * @param  list<Fault>  $faults  by line and column
     */
    private function __construct(public string $format, public array $pots, public array $faults)
    {
    }

    public static function read(string $text): self
    {
        $format = ShelfFormats::of($text);
        try {
            return $format->read($text);
        } catch (UnreadableFile $e) {
            return new self($format->title(), [], [new Fault($e->atLine, $e->atColumn, $e->reason)]);
        }
    }

    /**
     * The pots that a format read. A pot that is in it twice is a fault.
     *
     * @param  list<PotRow>  $pots
     * @param  list<Fault>  $faults
     */
    public static function of(string $format, array $pots, array $faults): self
    {
        $seen = [];
        foreach ($pots as $pot) {
            $first = $seen[$pot->identity()] ?? null;
            if ($first !== null) {
                $faults[] = new Fault($pot->line, 1, "{$pot->text('maker')} {$pot->text('name')} is in line {$first} already.");
            }
            $seen[$pot->identity()] ??= $pot->line;
        }
        usort($faults, static fn (Fault $p, Fault $q): int => [$p->line, $p->column] <=> [$q->line, $q->column]);

        return new self($format, $pots, array_slice($faults, 0, self::MOST_FAULTS));
    }
}
