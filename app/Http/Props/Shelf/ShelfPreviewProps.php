<?php

declare(strict_types=1);

namespace App\Http\Props\Shelf;

use App\Adapters\Shelf\Fault;
use App\Adapters\Shelf\PotRow;
use App\Adapters\Shelf\ShelfFile;

/**
 * Preview of the changes that a file would make to the shelf.
 */
final readonly class ShelfPreviewProps
{
    private const SHOWN = 60;

    /**
     * @param  int  $known  pots that stand on the shelf already and are left as they are
     * @param  list<PreviewPotProps>  $shown  the first of the new ones
     * @param  list<FaultProps>  $faults
     */
    public function __construct(public string $format, public int $new, public int $known, public array $shown, public array $faults)
    {
    }

    /** @param  list<PotRow>  $new  pots of the file that are not on the shelf yet */
    public static function of(ShelfFile $file, array $new): self
    {

        return new self(
            $file->format,
            count($new),
            count($file->pots) - count($new),
            array_map(static fn (PotRow $p): PreviewPotProps => new PreviewPotProps($p->text('maker'), $p->text('name'), $p->kind(), $p->text('thickHex')), array_slice($new, 0, self::SHOWN)),
            array_map(static fn (Fault $f): FaultProps => new FaultProps($f->line, $f->column, $f->message), $file->faults),
        );
    }
}
