<?php

declare(strict_types=1);

namespace App\Console;

use App\Adapters\CommandLine\BadInput;
use App\Adapters\CommandLine\Document;
use App\Adapters\CommandLine\PaintDocuments;
use Hyalin\Colour\Reflectance;
use Hyalin\Measuring\PotMeasurement;
use Hyalin\Measuring\ReadSpectrum;
use Hyalin\Measuring\SwatchReadings;
use Hyalin\Measuring\TintReading;
use Hyalin\Optics\PaintOptics;

final class MeasureCommand extends CoreCommand
{
    protected $signature = 'hyalin:measure {file?}';

    protected $description = 'K and S of a paint from one coat over black and over white, a row each; no surface correction';

    protected function answer(): void
    {
        $this->rows(static function (mixed $row): array {
            $document = Document::of($row, 'a row');
            $readings = self::readings($document);
            $document->refuseUnknown();
            $measured = PotMeasurement::solve($readings);

            return [
                'K' => $measured->optics->k,
                'S' => $measured->optics->s,
                'quality' => $measured->optics->quality->value,
                'residuals' => $measured->residuals,
                'lnKDeviation' => $measured->logKDeviations,
                'lnSDeviation' => $measured->logSDeviations,
            ];
        });
    }

    /** @throws BadInput */
    private static function readings(Document $document): SwatchReadings
    {
        $noise = $document->number('noise', SwatchReadings::GOOD_READER);
        $spread = $document->number('coatSpread', 0.0);
        $read = static fn (string $key): ReadSpectrum => $document->parsed($key, static fn (mixed $v): ReadSpectrum => ReadSpectrum::of(Reflectance::parse($v), $noise));
        $card = static fn (string $key): Reflectance => $document->parsed($key, Reflectance::parse(...));
        [$overBlack, $overWhite, $black, $white] = [$read('overBlack'), $read('overWhite'), $card('black'), $card('white')];
        $masstone = $document->valueOr('masstone', null) === null ? null : $read('masstone');
        $tints = $document->has('tints') ? $document->parsed('tints', static fn (mixed $v): array => PaintDocuments::each($v, 'tint', static fn (mixed $tint): TintReading => self::tint($tint, $noise))) : [];

        return SwatchReadings::of($overBlack, $overWhite, $black, $white, $masstone, $tints, $spread);
    }

    /** @throws BadInput */
    private static function tint(mixed $value, float $noise): TintReading
    {
        $tint = Document::of($value, 'a tint');
        $parts = $tint->list('parts');
        if (count($parts) !== 2 || ! is_numeric($parts[0]) || ! is_numeric($parts[1])) {
            throw BadInput::at('parts', 'must be two numbers: parts of the paint, parts of the other');
        }
        $with = $tint->parsed('with', static function (mixed $v): PaintOptics {
            $paint = Document::of($v, 'a paint');
            $optics = PaintDocuments::optics($paint);
            $paint->refuseUnknown();

            return $optics;
        });
        $read = $tint->parsed('reflectance', static fn (mixed $v): ReadSpectrum => ReadSpectrum::of(Reflectance::parse($v), $noise));
        $tint->refuseUnknown();

        return PaintDocuments::refusing(static fn (): TintReading => new TintReading($read, $with, (float) $parts[0], (float) $parts[1]));
    }
}
