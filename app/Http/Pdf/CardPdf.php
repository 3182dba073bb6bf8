<?php

declare(strict_types=1);

namespace App\Http\Pdf;

use App\Http\Props\Finish\CardAreaProps;
use App\Http\Props\Finish\WorkCardProps;
use App\Models\Brief\Figure;
use Dompdf\Dompdf;
use Dompdf\Options;
use Illuminate\Contracts\View\Factory;
use Illuminate\Support\Facades\Storage;

/**
 * The card as a PDF: fonts embedded, nothing fetched.
 */
final readonly class CardPdf
{
    public function __construct(private Factory $views)
    {
    }

    /** @param  list<CardAreaProps>  $areas */
    public function of(Figure $figure, array $areas, ?WorkCardProps $work): string
    {
        $path = $figure->lightStudy()->first()?->still;
        $still = $path === null ? null : Storage::disk('local')->get($path);

        return $this->render('card', ['figure' => $figure, 'areas' => $areas, 'work' => $work, 'still' => $still === null ? null : 'data:image/png;base64,'.base64_encode($still)], units: OwnUnits::of($figure->painter()->firstOrFail()));
    }

    /**
     * @param  view-string  $view
     * @param  array<string, mixed>  $data
     * @param  string|array{float, float, float, float}  $paper  name, or its box in points
     * @param  OwnUnits|null  $units  null leaves what is written as it is
     */
    public function render(string $view, array $data, string|array $paper = 'a4', ?OwnUnits $units = null): string
    {
        // One folder for the application: a second one with the same family name would get the first one's face.
        $cache = storage_path('framework/cache/fonts');
        if (! is_dir($cache)) {
            mkdir($cache, 0o755, true);
        }
        $options = new Options([
            'chroot' => [resource_path('fonts')],
            'isRemoteEnabled' => false,
            'isPhpEnabled' => false,
            'isJavascriptEnabled' => false,
            'isFontSubsettingEnabled' => true,
            'fontDir' => $cache,
            'fontCache' => $cache,
            'tempDir' => $cache,
        ]);
        $html = $this->views->make($view, [...$data, 'fonts' => resource_path('fonts')])->render();
        $html = $units?->words($html) ?? $html;
        $pdf = new Dompdf($options);
        $pdf->loadHtml($html);
        $pdf->setPaper($paper);
        $pdf->render();

        return (string) $pdf->output();
    }
}
