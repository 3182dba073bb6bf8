<?php

declare(strict_types=1);

namespace App\Http\Props\Shelf;

use App\Models\Shelf\Paint;

/**
 * Something known of a pot beside its colour.
 */
final readonly class FactProps
{
    /** @param  bool  $isDefault  usual for its kind, not said of this pot */
    public function __construct(public string $key, public string $label, public string $value, public bool $isDefault)
    {
    }

    /** @return list<self> */
    public static function of(Paint $paint): array
    {
        $usual = $paint->kind->usual();
        $defaults = [
            'chemistry' => ['Chemistry', $usual->chemistry],
            'density' => ['Density, g/mL', (string) $usual->density],
            'sizeMl' => ['Size, mL', (string) $usual->sizeMl],
            'price' => ['Price', ''],
            'dryingMinutes' => ['Dry to the next coat, min', (string) $usual->dryingMinutes],
            'pressurePsi' => ['Airbrush, psi', $usual->pressurePsi === null ? 'not sprayed' : (string) $usual->pressurePsi],
            'thinner' => ['Thinner to one of paint', $usual->thinner === null ? '' : (string) $usual->thinner],
            'cleaner' => ['Cleans with', $usual->cleaner],
        ];
        $facts = [];
        foreach ($defaults as $key => [$label, $default]) {
            $own = $paint->facts[$key] ?? null;
            $facts[] = new self($key, $label, is_scalar($own) ? (string) $own : $default, $own === null);
        }

        return $facts;
    }
}
