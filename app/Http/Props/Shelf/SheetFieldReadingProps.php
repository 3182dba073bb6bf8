<?php

declare(strict_types=1);

namespace App\Http\Props\Shelf;

use Hyalin\Optics\OpticsQuality;

/**
 * One field of a sheet as it was read, and what it makes of its pot.
 */
final readonly class SheetFieldReadingProps
{
    /**
     * @param  list<SheetPlaceProps>  $places
     * @param  string|null  $problem  why nothing can be kept of it
     * @param  list<string>  $remarks  what is odd about it
     * @param  float|null  $moved  CIEDE2000 between one coat over grey as the pot is held and as it would be
     * @param  float|null  $sure  CIEDE2000 within which that coat would lie two out of three times; an estimate
     * @param  float|null  $before  the same as the pot is held
     * @param  float|null  $changed  CIEDE2000 since the photo that was kept, where that is more than both photos may be wrong
     */
    public function __construct(
        public int $position,
        public array $places,
        public ?string $problem,
        public array $remarks,
        public ?OpticsQuality $quality,
        public ?float $moved,
        public ?float $sure,
        public ?float $before,
        public ?float $changed,
    ) {
    }
}
