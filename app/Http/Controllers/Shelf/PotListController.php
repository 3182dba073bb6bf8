<?php

declare(strict_types=1);

namespace App\Http\Controllers\Shelf;

use App\Adapters\Shelf\NamedPot;
use App\Adapters\Shelf\NameList;
use App\Adapters\Shelf\PotRow;
use App\Adapters\Shelf\TableFormat;
use App\Http\Props\Shelf\ListedPotProps;
use App\Http\Props\Shelf\ShelfImportProps;
use App\Http\Requests\Shelf\CapsPhotoRequest;
use App\Jobs\ImportShelfFile;
use App\Models\Painter;
use App\Models\Shelf\Paint;
use App\Models\Shelf\ShelfImport;
use Hyalin\Formats\Csv;
use Hyalin\Pot\PotKind;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;

/**
 * Many pots at once, from a list of their names and a photo of their caps.
 */
final class PotListController
{
    /** What of the demo's pots is lent: as they are described, none of them measured. */
    private const BORROWED = ['maker', 'name', 'kind', 'sheen', 'colour', 'opacity', 'strength', 'level', 'note'];

    /** Reads a list and guesses from its words. Nothing is added. */
    public function look(Request $request, #[CurrentUser] Painter $painter): JsonResponse
    {
        $request->validate(['text' => ['required', 'string', 'max:60000'], 'maker' => ['nullable', 'string', 'max:80']]);
        $shelf = $painter->paints()->get(['maker', 'name']);
        $known = array_fill_keys($shelf->map(static fn (Paint $p): string => PotRow::identityOf($p->maker, $p->name))->all(), true);
        $makers = array_values(array_unique($shelf->map(static fn (Paint $p): string => $p->maker)->all()));
        // Of two makers that begin alike the longer one.
        usort($makers, static fn (string $p, string $q): int => mb_strlen($q) <=> mb_strlen($p));
        $list = NameList::read($request->string('text')->value(), $makers, trim($request->string('maker')->value()));

        return new JsonResponse([
            'pots' => array_map(static fn (NamedPot $p): ListedPotProps => ListedPotProps::of($p, isset($known[PotRow::identityOf($p->maker, $p->name)])), $list->pots),
            'leftOut' => $list->leftOut,
        ]);
    }

    /** The colours of caps or labels in a photo, in the order in which they were pressed. */
    public function caps(CapsPhotoRequest $request): JsonResponse
    {
        return new JsonResponse(['hexes' => $request->colours()]);
    }

    /** Lends the demo's shelf to a painter without pots; one press gives it back. */
    public function borrow(#[CurrentUser] Painter $painter): JsonResponse
    {
        $lines = file(database_path('demo/shelf.csv'), FILE_IGNORE_NEW_LINES | FILE_SKIP_EMPTY_LINES) ?: [];
        $rows = array_map(static fn (string $line): array => str_getcsv($line, ',', '"', ''), $lines);
        $header = array_map(strval(...), array_shift($rows) ?? []);
        $lent = array_map(
            static fn (array $row): array => array_map(static fn (string $column): string => (string) ($row[(int) array_search($column, $header, true)] ?? ''), self::BORROWED),
            $rows,
        );

        return new JsonResponse(ShelfImportProps::of(ImportShelfFile::ask($painter, ShelfImport::BORROWED, Csv::write(self::BORROWED, $lent))), JsonResponse::HTTP_ACCEPTED);
    }

    /**
     * Puts the pots of a list on the shelf, by the way of any file: all or none, and undone in one press.
     *
     * @throws ValidationException when two of them are the same
     */
    public function store(Request $request, #[CurrentUser] Painter $painter): JsonResponse
    {
        $request->validate([
            'pots' => ['required', 'array', 'list', 'min:1', 'max:'.NameList::MOST],
            'pots.*.maker' => ['required', 'string', 'max:80'],
            'pots.*.name' => ['required', 'string', 'max:80'],
            'pots.*.kind' => ['required', Rule::enum(PotKind::class)],
            'pots.*.hex' => ['required', 'string', 'regex:/^#[0-9a-f]{6}\z/i'],
        ], ['pots.*.maker.required' => 'Every pot needs a maker: write one above the list.', 'pots.*.name.required' => 'Every pot needs a name.', 'pots.*.hex.*' => 'Every pot needs a colour of the form #rrggbb.']);
        $columns = TableFormat::columns();
        $rows = $seen = [];
        foreach ($request->array('pots') as $n => $pot) {
            $pot = new Request(is_array($pot) ? $pot : []);
            [$maker, $name] = [trim($pot->string('maker')->value()), trim($pot->string('name')->value())];
            $identity = PotRow::identityOf($maker, $name);
            if (isset($seen[$identity])) {
                throw ValidationException::withMessages(["pots.{$n}.name" => "{$maker} {$name} is in the list twice. Remove one. Nothing was added."]);
            }
            $seen[$identity] = true;
            $said = ['maker' => $maker, 'name' => $name, 'kind' => $pot->string('kind')->value(), 'colour' => mb_strtolower($pot->string('hex')->value())];
            $rows[] = array_map(static fn (string $column): string => $said[$column] ?? '', $columns);
        }

        return new JsonResponse(ShelfImportProps::of(ImportShelfFile::ask($painter, 'list of names', Csv::write($columns, $rows))), JsonResponse::HTTP_ACCEPTED);
    }
}
