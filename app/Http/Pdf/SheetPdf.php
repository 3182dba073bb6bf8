<?php

declare(strict_types=1);

namespace App\Http\Pdf;

use App\Models\Shelf\SwatchSheet;
use Hyalin\Sheet\Box;
use Hyalin\Sheet\MarkCode;
use Hyalin\Sheet\Place;
use Hyalin\Sheet\SheetLayout;
use Illuminate\Support\Str;
use Symfony\Component\Process\Process;

/**
 * A swatch sheet to print: everything where SheetLayout has it, in mm.
 */
final readonly class SheetPdf
{
    /** Width and height of the paper, mm. */
    private const PAPERS = ['a4' => [210.0, 297.0], 'letter' => [215.9, 279.4]];

    private const QR = 18.0;

    /** Of a name, that fit over the narrowest field. */
    private const LETTERS = 34;

    public function __construct(private CardPdf $pdf)
    {
    }

    public function of(SwatchSheet $sheet): string
    {
        $layout = $sheet->layout();
        [$width, $height] = self::PAPERS[$sheet->paper] ?? self::PAPERS['a4'];
        $fields = [];
        foreach ($sheet->fields as $field) {
            $places = $field->places($sheet->white_id);
            $fields[] = [
                'code' => $layout->code($field->position),
                'name' => Str::limit(($field->technique === null ? '' : "{$field->technique->value}, ".($field->coats === 1 ? '1 coat of ' : "{$field->coats} coats of ")).$field->paint->name, self::LETTERS, '...'),
                'cell' => $layout->cell($field->position),
                'black' => $layout->place($field->position, Place::OverBlack),
                'places' => array_map(static fn (Place $p): Box => $layout->place($field->position, $p), $places),
            ];
        }

        return $this->pdf->render('sheet', [
            'sheet' => $sheet,
            'left' => ($width - SheetLayout::WIDTH) / 2,
            'top' => ($height - SheetLayout::HEIGHT) / 2,
            'black' => [...self::marks($sheet->id), ...SheetLayout::blacks()],
            'qr' => self::qr(route('sheets.show', ['sheet' => $sheet->id])),
            'card' => SheetLayout::card(),
            'fields' => $fields,
            'hasChips' => $sheet->fields->contains(static fn ($f): bool => $f->technique !== null),
        ], [0.0, 0.0, $width * 72 / 25.4, $height * 72 / 25.4]);
    }

    /** @return list<Box> black runs of all marks, so that no hairline is left between modules */
    private static function marks(int $number): array
    {
        $boxes = [];
        foreach (SheetLayout::marks() as $mark => $box) {
            $n = MarkCode::SIDE + 2;
            $rows = array_fill(0, $n, array_fill(0, $n, true));
            foreach (MarkCode::modules($number, $mark) as $at => $isBlack) {
                $rows[1 + intdiv($at, MarkCode::SIDE)][1 + $at % MarkCode::SIDE] = $isBlack;
            }
            array_push($boxes, ...self::runs($rows, $box->x, $box->y, SheetLayout::MODULE));
        }

        return $boxes;
    }

    /**
     * The address of the sheet's page as a QR code, for the camera of any phone. ISO/IEC 18004, by the encoder of Debian.
     *
     * @return list<Box> none where the encoder is not installed: the sheet does without
     */
    private static function qr(string $address): array
    {
        $process = new Process(['qrencode', '-t', 'ASCIIi', '-m', '0', '-l', 'M', '-o', '-', $address]);
        $process->run();
        if (! $process->isSuccessful()) {
            return [];
        }
        // Two letters a module; the inverted kind writes the light ones.
        $rows = array_map(static fn (string $line): array => array_map(static fn (string $two): bool => $two === '  ', mb_str_split($line, 2)), explode("\n", rtrim($process->getOutput(), "\n")));

        return self::runs($rows, 108.0, 0.0, self::QR / max(1, count($rows)));
    }

    /**
     * @param  array<int, array<int, bool>>  $rows
     * @return list<Box>
     */
    private static function runs(array $rows, float $left, float $top, float $module): array
    {
        $boxes = [];
        foreach ($rows as $y => $row) {
            $from = null;
            foreach ([...$row, false] as $x => $isBlack) {
                if ($isBlack && $from === null) {
                    $from = $x;
                } elseif (! $isBlack && $from !== null) {
                    $boxes[] = new Box($left + $from * $module, $top + $y * $module, ($x - $from) * $module, $module);
                    $from = null;
                }
            }
        }

        return $boxes;
    }
}
