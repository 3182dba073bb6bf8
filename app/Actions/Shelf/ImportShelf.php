<?php

declare(strict_types=1);

namespace App\Actions\Shelf;

use App\Adapters\Shelf\PotRow;
use App\Adapters\Shelf\ShelfFile;
use App\Models\NextNumber;
use App\Models\Painter;
use App\Models\Shelf\Paint;
use App\Models\Shelf\ShelfImport;
use App\Models\TaskState;
use Hyalin\Progress;
use Hyalin\Stopped;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;

/**
 * Puts the pots of a file on the shelf, all or none. Pots that stand there already are left as they are.
 */
final readonly class ImportShelf
{
    private const AT_ONCE = 100;

    public function __construct(private EstimatePaint $estimate)
    {
    }

    /**
     * @param  list<PotRow>  $pots
     * @return list<PotRow> those that are not on the painter's shelf yet
     */
    public static function missing(Painter $painter, array $pots): array
    {
        $known = [];
        foreach ($painter->paints()->get(['maker', 'name']) as $paint) {
            $known[PotRow::identityOf($paint->maker, $paint->name)] = true;
        }

        return array_values(array_filter($pots, static fn (PotRow $p): bool => ! isset($known[$p->identity()])));
    }

    /**
     * @throws ValidationException when the file has a fault
     * @throws Stopped nothing is added then
     */
    public function __invoke(ShelfImport $import, Progress $progress): void
    {
        $painter = $import->painter()->firstOrFail();
        $file = ShelfFile::read($import->text);
        if ($file->faults !== []) {
            // The preview refuses such a file; it cannot get here but by hand.
            throw ValidationException::withMessages(['file' => $file->faults[0]->message]);
        }
        $pots = self::missing($painter, $file->pots);
        $rows = [];
        // Optics first, with progress; then everything is written in one transaction.
        foreach ($pots as $i => $pot) {
            $rows[] = $this->row($pot);
            if ($i % self::AT_ONCE === 0) {
                Stopped::unless($progress, $i / max(1, count($pots)));
            }
        }
        DB::transaction(function () use ($painter, $rows, $import): void {
            $position = NextNumber::of($painter->paints(), 'position');
            $records = [];
            foreach ($rows as $i => $row) {
                $paint = new Paint([...$row, 'position' => $position + $i, 'shelf_import_id' => $import->id]);
                $paint->painter_id = $painter->id;
                $records[] = [...$paint->getAttributes(), 'created_at' => now(), 'updated_at' => now()];
            }
            // Many rows a statement: one by one, 5 000 pots take as long again.
            foreach (array_chunk($records, self::AT_ONCE) as $chunk) {
                Paint::query()->insert($chunk);
            }
            // Said to be done with the last pot: a worker that is killed after it has imported them.
            $import->task()->first()?->update(['state' => TaskState::Done, 'progress' => 1.0]);
        });
    }

    /** @return array<string, mixed> */
    private function row(PotRow $pot): array
    {
        $optics = $pot->optics ?? ($this->estimate)(new Paint($pot->columns()));

        return [...$pot->columns(), 'absorption' => $optics->k, 'scattering' => $optics->s, 'quality' => $optics->quality];
    }
}
