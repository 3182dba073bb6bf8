<?php

declare(strict_types=1);

namespace App\Actions\Shelf;

use App\Models\Shelf\Paint;
use Hyalin\Optics\OpticsQuality;
use Illuminate\Validation\ValidationException;

/**
 * Estimates again, from what the painters typed, every pot that nobody measured and no photo has taught of: for when the
 * estimate itself gets better.
 */
final readonly class ReestimatePots
{
    private const CHUNK = 200;

    public function __construct(private EstimatePaint $estimate)
    {
    }

    public function __invoke(): void
    {
        Paint::withTrashed()->where('quality', OpticsQuality::Estimated)->whereNull('spread')->chunkById(self::CHUNK, function (iterable $paints): void {
            foreach ($paints as $paint) {
                try {
                    $optics = ($this->estimate)($paint);
                } catch (ValidationException) {
                    // A colour that no paint can have was let in once: what is stored of it stays.
                    continue;
                }
                $paint->timestamps = false;
                $paint->fill(['absorption' => $optics->k, 'scattering' => $optics->s])->save();
            }
        });
    }
}
