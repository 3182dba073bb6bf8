<?php

declare(strict_types=1);

namespace App\Http\Props\References;

use App\Adapters\References\PictureFile;
use App\Adapters\References\WhiteBalance;
use App\Http\Props\ColourProps;
use App\Models\References\Picture;
use Hyalin\InvalidInput;
use Hyalin\Matching\Neutral\ChartFit;
use Hyalin\Matching\Neutral\ChartPatches;
use Hyalin\Matching\Neutral\GreyPatch;

/**
 * How a picture was neutralised and how well.
 */
final readonly class NeutralProps
{
    /** Light that differs by less across a picture is even. */
    private const EVEN = 1.05;

    /**
     * @param  string  $method  grey, chart or hand
     * @param  list<list<float>>  $points
     * @param  string  $words  what was found
     * @param  list<list<list<float>>>  $others  outlines of further greys, that tell how the light falls off
     * @param  float|null  $typical  CIEDE2000 that half of the colours of this picture stay within, an estimate; null when it cannot be told
     * @param  list<ResidualProps>  $residuals  of the patches of a chart
     */
    public function __construct(
        public string $method,
        public array $points,
        public array $others,
        public ?float $reflectance,
        public string $words,
        public ?float $typical,
        public array $residuals,
    ) {
    }

    public static function of(Picture $picture): ?self
    {
        $neutral = $picture->neutral;
        if ($neutral === null) {
            return null;
        }
        try {
            $balance = PictureFile::of($picture)->whiteBalance($neutral);
        } catch (InvalidInput $e) {
            return new self($neutral['method'], $neutral['points'], $neutral['others'] ?? [], $neutral['reflectance'], ucfirst($e->getMessage()).'.', null, []);
        }
        $residuals = [];
        if ($balance->correction instanceof ChartFit) {
            foreach (ChartPatches::names() as $i => $name) {
                $residuals[] = new ResidualProps($name, ColourProps::of(ChartPatches::underD65()[$i])->hex, $balance->correction->residuals[$i]);
            }
        }

        return new self($neutral['method'], $neutral['points'], $neutral['others'] ?? [], $neutral['reflectance'], self::words($balance), $balance->typical, $residuals);
    }

    private static function words(WhiteBalance $balance): string
    {
        $words = $balance->correction instanceof ChartFit ? self::ofChart($balance->correction) : self::ofGrey($balance->correction);
        if ($balance->field !== null && $balance->field->contrast() > self::EVEN) {
            $words[] = sprintf('The light falls off by a factor of %.1f across the picture; evened.', $balance->field->contrast());
        }
        $words[] = sprintf('Colours are off by ΔE %.1f as a rule, one in twenty by more than %.1f (estimate).', $balance->typical, $balance->most);

        return implode(' ', $words);
    }

    /** @return list<string> */
    private static function ofChart(ChartFit $fit): array
    {
        $words = [sprintf('24 patches: ΔE %.1f left on average, worst %.1f.', $fit->mean(), max(0.0, ...$fit->residuals))];
        if ($fit->curve !== null) {
            $words[] = 'The tone curve of the camera is undone by the six greys.';
        }

        return $words;
    }

    /** @return list<string> */
    private static function ofGrey(GreyPatch $grey): array
    {
        $light = match (true) {
            $grey->lamp->kelvin < 3500 => 'a warm lamp',
            $grey->lamp->kelvin < 4800 => 'a lamp between warm and white',
            $grey->lamp->kelvin < 7500 => 'white light',
            default => 'bluish light',
        };
        $words = [sprintf(
            'Taken in %s, about %.0f K for this camera%s.',
            $light,
            round($grey->lamp->kelvin, -2),
            abs($grey->exposure - 1) < 0.02 ? '' : sprintf(', and %.1f times too %s', $grey->exposure > 1 ? $grey->exposure : 1 / $grey->exposure, $grey->exposure > 1 ? 'dark' : 'bright'),
        )];
        if ($grey->isDoubtful()) {
            $words[] = sprintf('Is this patch really grey? Under daylight it would be %s.', $grey->lamp->kelvin < 5000 ? 'brown or orange' : 'blue');
        }

        return $words;
    }
}
