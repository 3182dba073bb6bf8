<?php

declare(strict_types=1);

namespace App\Http\Props\Shelf;

use Illuminate\Support\Carbon;
use stdClass;

/**
 * Paint that left a pot.
 */
final readonly class PotUseProps
{
    /**
     * @param  string|null  $at  ISO 8601
     * @param  float  $millilitres  mL of paint, as it comes from the pot
     * @param  string|null  $figure  null for a cup of no figure
     * @param  int|null  $runId  null for a cup that no step is painted with
     * @param  int|null  $run  its number within the figure
     * @param  string|null  $technique  null for a cup of no step
     * @param  string  $what  areas that were painted, or the name of the cup
     * @param  int|null  $cupId  null where it went straight into a step
     */
    public function __construct(
        public ?string $at,
        public float $millilitres,
        public ?string $figure,
        public ?int $runId,
        public ?int $run,
        public ?string $technique,
        public string $what,
        public ?int $cupId,
    ) {
    }

    public static function of(stdClass $row): self
    {
        $text = static fn (mixed $value): ?string => is_string($value) ? $value : null;
        $number = static fn (mixed $value): ?int => is_numeric($value) ? (int) $value : null;
        $at = $text($row->at);

        return new self(
            $at === null ? null : Carbon::parse($at, 'UTC')->toIso8601String(),
            is_numeric($row->millilitres) ? (float) $row->millilitres : 0.0,
            $text($row->figure), $number($row->run_id), $number($row->run), $text($row->technique), (string) $text($row->area), $number($row->cup_id),
        );
    }
}
