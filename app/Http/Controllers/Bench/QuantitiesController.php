<?php

declare(strict_types=1);

namespace App\Http\Controllers\Bench;

use App\Actions\Bench\CalculatePaint;
use App\Http\Named;
use App\Http\Pdf\CardPdf;
use App\Http\Pdf\OwnUnits;
use App\Http\Props\Bench\BatchProps;
use App\Http\Props\Bench\PotNeedProps;
use App\Http\Props\Brief\FigureProps;
use App\Models\Brief\Figure;
use Hyalin\Formats\Csv;
use Hyalin\Limit;
use Illuminate\Http\Request;
use Illuminate\Http\Response as PlainResponse;
use Inertia\Inertia;
use Inertia\Response;

/**
 * How much paint a figure takes, whether the shelf holds it, what to buy, what it costs.
 */
final class QuantitiesController
{
    public function show(Request $request, Figure $figure, CalculatePaint $calculate): Response
    {
        $copies = self::copies($request, $figure);

        return Inertia::render('quantities/index', [
            'figure' => static fn () => FigureProps::of($figure, 'Bench'),
            'copies' => $copies,
            'planned' => Inertia::defer(static function () use ($calculate, $figure, $copies): array {
                $steps = $calculate->planned($figure, $copies);

                return [
                    'pots' => array_map(PotNeedProps::of(...), $calculate->pots($steps)),
                    'batch' => $copies > 1 && $steps !== [] ? BatchProps::of($calculate->batch($steps, $copies), $copies) : null,
                ];
            }),
            'inRun' => static fn (): ?array => self::inRun($figure, $calculate),
        ]);
    }

    /** @return array{number: int, left: list<PotNeedProps>}|null what the run in progress still needs */
    private static function inRun(Figure $figure, CalculatePaint $calculate): ?array
    {
        $run = $figure->runs()->reorder('number', 'desc')->whereNull('finished_at')->first();

        return $run === null ? null : ['number' => $run->number, 'left' => array_map(PotNeedProps::of(...), $calculate->pots(CalculatePaint::left($run)))];
    }

    public function csv(Request $request, Figure $figure, CalculatePaint $calculate): PlainResponse
    {
        $rows = array_map(static fn (PotNeedProps $p): array => [
            $p->maker, $p->name, sprintf('%.3f', $p->needMl), sprintf('%.3f', $p->hasMl), sprintf('%.3f', $p->missingMl), (string) $p->toBuy,
            $p->cost === null ? '' : sprintf('%.2f', $p->cost),
        ], self::pots($request, $figure, $calculate));

        return new PlainResponse(Csv::write(['maker', 'name', 'need_ml', 'has_ml', 'missing_ml', 'to_buy', 'cost'], $rows), 200, [
            'Content-Type' => 'text/csv; charset=utf-8',
            'Content-Disposition' => Named::file($figure->name, '-quantities.csv'),
        ]);
    }

    public function shopping(Request $request, Figure $figure, CalculatePaint $calculate, CardPdf $pdf): PlainResponse
    {
        return new PlainResponse($pdf->render('shopping', ['figure' => $figure, 'copies' => self::copies($request, $figure), 'pots' => self::pots($request, $figure, $calculate)], units: OwnUnits::of($figure->painter()->firstOrFail())), 200, [
            'Content-Type' => 'application/pdf',
            'Content-Disposition' => Named::file($figure->name, '-shopping.pdf', false),
        ]);
    }

    /** @return list<PotNeedProps> */
    private static function pots(Request $request, Figure $figure, CalculatePaint $calculate): array
    {
        return array_map(PotNeedProps::of(...), $calculate->pots($calculate->planned($figure, self::copies($request, $figure))));
    }

    private static function copies(Request $request, Figure $figure): int
    {
        $copies = $request->integer('copies', $figure->copies);
        abort_unless(Limit::FigureCopies->holds($copies), 422, sprintf('Paint is calculated for %d to %d figures.', ...Limit::FigureCopies->range()));

        return $copies;
    }
}
