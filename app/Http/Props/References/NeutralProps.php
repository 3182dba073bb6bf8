<?php

declare(strict_types=1);

namespace App\Http\Props\References;

use App\Adapters\References\PictureFile;
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
    /**
     * @param  string  $method  grey, chart or hand
     * @param  list<list<float>>  $points
     * @param  string  $words  what was found
     * @param  float|null  $bound  CIEDE2000 below which colours of this picture are not known, from one camera step
     * @param  list<ResidualProps>  $residuals  of the patches of a chart
     */
    public function __construct(
        public string $method,
        public array $points,
        public string $words,
        public ?float $bound,
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
            $correction = PictureFile::of($picture)->correction($neutral);
        } catch (InvalidInput $e) {
            return new self($neutral['method'], $neutral['points'], ucfirst($e->getMessage()).'.', null, []);
        }
        if ($correction instanceof ChartFit) {
            $residuals = [];
            foreach (ChartPatches::names() as $i => $name) {
                $residuals[] = new ResidualProps($name, ColourProps::of(ChartPatches::underD65()[$i])->hex, $correction->residuals[$i]);
            }

            return new self('chart', $neutral['points'], sprintf('24 patches: ΔE %.1f left on average, worst %.1f.', $correction->mean(), max(0.0, ...$correction->residuals)), null, $residuals);
        }

        return new self($neutral['method'], $neutral['points'], self::words($correction), $correction->bound, []);
    }

    private static function words(GreyPatch $grey): string
    {
        $light = match (true) {
            $grey->lamp->kelvin < 3500 => 'a warm lamp',
            $grey->lamp->kelvin < 4800 => 'a lamp between warm and white',
            $grey->lamp->kelvin < 7500 => 'white light',
            default => 'bluish light',
        };

        return sprintf(
            'Taken in %s, about %.0f K for this camera%s. Colours are known to about ΔE %.1f.',
            $light,
            round($grey->lamp->kelvin, -2),
            abs($grey->exposure - 1) < 0.02 ? '' : sprintf(', and %.1f times too %s', $grey->exposure > 1 ? $grey->exposure : 1 / $grey->exposure, $grey->exposure > 1 ? 'dark' : 'bright'),
            $grey->bound,
        );
    }
}
