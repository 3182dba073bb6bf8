<?php

declare(strict_types=1);

namespace App\Adapters\Shelf;

use App\Models\Shelf\Paint;
use Hyalin\Formats\UnreadableFile;

/**
 * A kind of file that a shelf can be read from or written to. Adding one: a class, and its entry in ShelfFormats.
 */
interface ShelfFormat
{
    /** @return string ending of its files, without the dot; it names the format in addresses */
    public function ending(): string;

    /** @return string its name on the screen */
    public function title(): string;

    /** @return string what an exported file holds, in a painter's words */
    public function holds(): string;

    /** @return string what such a file is for, beside it */
    public function about(): string;

    public function contentType(): string;

    /** @return bool whether this text is one of its files */
    public function recognises(string $text): bool;

    /**
     * Collects all faults instead of stopping at the first.
     *
     * @throws UnreadableFile when it cannot be read at all, saying where
     */
    public function read(string $text): ShelfFile;

    /**
     * @param  iterable<Paint>  $paints  in shelf order
     * @param  string  $title  of the shelf
     */
    public function write(iterable $paints, string $title): string;
}
