<?php

declare(strict_types=1);

namespace App\Http\Controllers\Finish;

use App\Actions\Bench\CalculatePaint;
use App\Http\Named;
use App\Http\Pdf\CardPdf;
use App\Http\Props\Brief\FigureProps;
use App\Http\Props\Finish\CardAreaProps;
use App\Http\Props\Finish\WorkCardProps;
use App\Http\Props\Light\LightProps;
use App\Models\Brief\Figure;
use Illuminate\Http\Response as PlainResponse;
use Inertia\Inertia;
use Inertia\Response;

/**
 * The recipe on paper.
 */
final class CardController
{
    public function show(Figure $figure, CalculatePaint $calculate): Response
    {
        return Inertia::render('card/index', [
            'figure' => static fn () => FigureProps::of($figure, 'Finishes'),
            'areas' => static fn () => CardAreaProps::allOf($figure),
            'work' => Inertia::defer(static fn (): ?WorkCardProps => WorkCardProps::of($figure, $calculate->pots($calculate->planned($figure, $figure->copies)))),
            'stillUrl' => static fn () => LightProps::stillUrl($figure),
        ]);
    }

    public function pdf(Figure $figure, CardPdf $pdf, CalculatePaint $calculate): PlainResponse
    {
        return new PlainResponse($pdf->of($figure, CardAreaProps::allOf($figure), WorkCardProps::of($figure, $calculate->pots($calculate->planned($figure, $figure->copies)))), 200, [
            'Content-Type' => 'application/pdf',
            'Content-Disposition' => Named::file($figure->name, '.pdf', false),
        ]);
    }
}
