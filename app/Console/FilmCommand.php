<?php

declare(strict_types=1);

namespace App\Console;

use App\Adapters\CommandLine\Document;
use App\Adapters\CommandLine\PaintDocuments;
use Hyalin\Colour\Reflectance;
use Hyalin\Colour\SpectralSum;
use Hyalin\Optics\AreaCoverage;

final class FilmCommand extends CoreCommand
{
    protected $signature = 'hyalin:film {file?}';

    protected $description = 'Reflectance of films laid over an undercoat, a row each; no surface correction';

    protected function answer(): void
    {
        $this->rows(function (mixed $row): array {
            $document = Document::of($row, 'a row');
            $reflectance = $document->parsed('undercoat', static fn (mixed $v): Reflectance => Reflectance::parse($v));
            $layers = $document->parsed('layers', PaintDocuments::layers(...));
            $light = $this->illuminant($document->text('illuminant', 'D65'));
            $document->refuseUnknown();
            foreach ($layers as $layer) {
                $film = $layer->mix->filmOver($reflectance, $layer->thickness);
                $reflectance = AreaCoverage::of($layer->coverage)->blend($film, $reflectance);
            }

            return [
                'reflectance' => $reflectance->values,
                'lab' => SpectralSum::under($light)->xyz($reflectance)->toLab()->toArray(),
            ];
        });
    }
}
