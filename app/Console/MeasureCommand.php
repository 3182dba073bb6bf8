<?php

declare(strict_types=1);

namespace App\Console;

use App\Adapters\CommandLine\Document;
use Hyalin\Colour\Reflectance;
use Hyalin\Measuring\PotMeasurement;
use Hyalin\Measuring\SwatchReadings;

final class MeasureCommand extends CoreCommand
{
    protected $signature = 'hyalin:measure {file?}';

    protected $description = 'K and S of a paint from one coat over black and over white, a row each; no surface correction';

    protected function answer(): void
    {
        $this->rows(function (mixed $row): array {
            $document = Document::of($row, 'a row');
            $read = static fn (string $key): Reflectance => $document->parsed($key, static fn (mixed $v): Reflectance => Reflectance::parse($v));
            $readings = [$read('overBlack'), $read('overWhite'), $read('black'), $read('white')];
            $masstone = $document->valueOr('masstone', null) === null ? null : $read('masstone');
            $document->refuseUnknown();
            $measured = PotMeasurement::solve(SwatchReadings::of(...$readings, masstone: $masstone));

            return [
                'K' => $measured->optics->k,
                'S' => $measured->optics->s,
                'quality' => $measured->optics->quality->value,
            ];
        });
    }
}
