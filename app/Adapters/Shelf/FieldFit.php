<?php

declare(strict_types=1);

namespace App\Adapters\Shelf;

use Hyalin\InvalidInput;
use Hyalin\Optics\OpticsQuality;
use Hyalin\Optics\OpticsSpread;
use Hyalin\Optics\PaintOptics;

/**
 * What a field of a sheet makes of its pot or of a hand, as it is stored until the painter keeps it.
 */
final readonly class FieldFit
{
    /**
     * @param  string|null  $problem  why nothing can be kept of it
     * @param  list<string>  $remarks  what is odd about it
     * @param  PaintOptics|null  $optics  of the pot; null for a strip, or with a problem
     * @param  array<string, float>  $residuals  by Hyalin\Measuring\Swatch: CIEDE2000 between what was read and what the fit gives back
     * @param  float|null  $moved  CIEDE2000 between one coat over grey as it was held and as it is now
     * @param  float|null  $sure  CIEDE2000 within which that coat lies two out of three times; an estimate
     * @param  float|null  $before  the same as it was held
     */
    public function __construct(
        public ?string $problem,
        public array $remarks,
        public ?PaintOptics $optics = null,
        public ?OpticsSpread $spread = null,
        public array $residuals = [],
        public ?float $moved = null,
        public ?float $sure = null,
        public ?float $before = null,
    ) {
    }

    public static function unusable(string $problem): self
    {
        return new self($problem, []);
    }

    /** @param  list<string>  $remarks */
    public function with(array $remarks): self
    {
        return new self($this->problem, $remarks, $this->optics, $this->spread, $this->residuals, $this->moved, $this->sure, $this->before);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'problem' => $this->problem, 'remarks' => $this->remarks, 'k' => $this->optics?->k, 's' => $this->optics?->s, 'quality' => $this->optics?->quality->value,
            'spread' => $this->spread?->toArray(), 'residuals' => $this->residuals, 'moved' => $this->moved, 'sure' => $this->sure, 'before' => $this->before,
        ];
    }

    /**
     * @param  array<mixed>  $stored  as toArray() wrote it
     *
     * @throws InvalidInput when it was not
     */
    public static function parse(array $stored): self
    {
        $number = static fn (string $key): ?float => is_numeric($stored[$key] ?? null) ? (float) $stored[$key] : null;
        $residuals = [];
        foreach (is_array($stored['residuals'] ?? null) ? $stored['residuals'] : [] as $swatch => $residual) {
            $residuals[(string) $swatch] = is_numeric($residual) ? (float) $residual : 0.0;
        }
        $quality = $stored['quality'] ?? null;

        return new self(
            is_string($stored['problem'] ?? null) ? $stored['problem'] : null,
            array_values(array_filter(is_array($stored['remarks'] ?? null) ? $stored['remarks'] : [], is_string(...))),
            is_array($stored['k'] ?? null) && is_string($quality) ? PaintOptics::parse($stored['k'], $stored['s'] ?? null, OpticsQuality::from($quality)) : null,
            is_array($stored['spread'] ?? null) ? OpticsSpread::parse($stored['spread']) : null,
            $residuals,
            $number('moved'),
            $number('sure'),
            $number('before'),
        );
    }
}
