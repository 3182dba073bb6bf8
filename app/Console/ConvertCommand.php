<?php

declare(strict_types=1);

namespace App\Console;

use App\Adapters\CommandLine\BadInput;
use Hyalin\Colour\Illuminant;
use Hyalin\Colour\Lab;
use Hyalin\Colour\Lch;
use Hyalin\Colour\Reflectance;
use Hyalin\Colour\SpectralRecovery;
use Hyalin\Colour\SpectralSum;
use Hyalin\Colour\Srgb;
use Hyalin\Colour\Xyz;

final class ConvertCommand extends CoreCommand
{
    protected $signature = 'hyalin:convert {file?} {--from=} {--to=} {--illuminant=D65}';

    protected $description = 'Convert colours between spectrum, xyz, lab, lch and srgb, a row each';

    private const SPACES = ['spectrum', 'xyz', 'lab', 'lch', 'srgb'];

    protected function answer(): void
    {
        $from = $this->space('from');
        $to = $this->space('to');
        $light = $this->illuminant((string) $this->option('illuminant'));
        $this->rows(fn (mixed $row): array => self::convert($row, $from, $to, $light));
    }

    /** @return list<float> */
    private static function convert(mixed $row, string $from, string $to, Illuminant $light): array
    {
        if ($from === $to) {
            // Parsed all the same: a row that is no such colour is refused, not passed on.
            return match ($from) {
                'spectrum' => Reflectance::parse($row)->values,
                'xyz' => Xyz::parse($row)->toArray(),
                'lab' => Lab::parse($row)->toArray(),
                'lch' => Lch::parse($row)->toArray(),
                default => Srgb::parse($row)->toArray(),
            };
        }
        // Neighbours only: everything passes through XYZ.
        $xyz = match ($from) {
            'spectrum' => SpectralSum::under($light)->xyz(Reflectance::parse($row)),
            'xyz' => Xyz::parse($row, $light),
            'lab' => Lab::parse($row, $light)->toXyz(),
            'lch' => Lch::parse($row, $light)->toLab()->toXyz(),
            default => Srgb::parse($row)->toXyz()->adaptedTo($light),
        };

        return match ($to) {
            'spectrum' => SpectralRecovery::of($xyz)->values,
            'xyz' => $xyz->toArray(),
            'lab' => $xyz->toLab()->toArray(),
            'lch' => $xyz->toLab()->toLch()->toArray(),
            default => $xyz->toSrgb()->toArray(),
        };
    }

    /** @throws BadInput unless the option names a space */
    private function space(string $option): string
    {
        $name = $this->option($option);

        return is_string($name) && in_array($name, self::SPACES, true)
            ? $name
            : throw BadInput::at("--{$option}", 'must be one of '.implode(', ', self::SPACES));
    }
}
