<?php

declare(strict_types=1);

namespace App\Http\Props\Compare;

use App\Http\Props\ColourProps;
use App\Models\Compare\Correction;
use Hyalin\Colour\Illuminant;
use Hyalin\Colour\Reflectance;
use Hyalin\Colour\SpectralSum;
use Hyalin\Finish\Technique;
use Hyalin\Matching\Comparison\ComparedColours;
use Hyalin\Optics\Sheen;
use Hyalin\Optics\Surface;

/**
 * How a pot came out by a technique, beside what was predicted.
 */
final readonly class CorrectionProps
{
    /**
     * @param  int  $seen  zones it was seen in
     * @param  float  $difference  mean CIEDE2000
     * @param  list<string>  $words  how it came out
     * @param  bool  $isTaken  predictions use it
     */
    public function __construct(
        public int $id,
        public string $potName,
        public string $hex,
        public string $correctedHex,
        public Technique $technique,
        public int $seen,
        public float $difference,
        public array $words,
        public bool $isTaken,
    ) {
    }

    public static function of(Correction $correction): self
    {
        $surface = Surface::of(Sheen::Matt);
        $thick = $correction->paint->optics()->masstone();
        $seen = static fn (Reflectance $r) => SpectralSum::under(Illuminant::D65)->xyz($surface->seen($r))->toLab();
        $before = $seen($thick);
        $after = $seen(Reflectance::of(array_map(static fn (float $r, float $f): float => max(0.0, min(1.0, $r * $f)), $thick->values, $correction->factors)));

        return new self(
            $correction->id,
            $correction->paint->name,
            ColourProps::of($before)->hex,
            correctedHex: ColourProps::of($after)->hex,
            technique: $correction->technique,
            seen: $correction->seen,
            difference: $correction->difference,
            words: ComparedColours::of($before, $after)->words,
            isTaken: $correction->taken_at !== null,
        );
    }
}
