<?php

declare(strict_types=1);

namespace Hyalin\Bench;

use Hyalin\Plan\StepKind;
use Hyalin\Pot\Chemistry;

/**
 * Tool, paint and part that the painter has at hand for a step: from one step to the next something has to be put away, cleaned and taken up.
 * Minutes are own estimates.
 */
final readonly class Handling
{
    /** To take the airbrush up: compressor, cup, a test spray. */
    private const SET_UP_AIRBRUSH = 5.0;

    /** To clean it out before it is put away, or before paint of another chemistry. */
    private const CLEAN_AIRBRUSH = 8.0;

    /** To flush it for another colour. */
    private const FLUSH = 3.0;

    private const NEW_CUP = 3.0;

    private const OTHER_TOOL = 2.0;

    private const OTHER_PIECE = 1.0;

    /**
     * @param  string  $tool  what it is done with
     * @param  string  $piece  the figure or part in hand
     * @param  string|null  $mix  the same for the same cup; null for work without paint
     * @param  bool  $isAirbrush  that is set up and cleaned out
     * @param  bool  $makesDust  sanding: never in one sitting with wet paint
     * @param  bool  $leavesWet  paint that dust would settle on
     */
    public function __construct(
        public string $tool,
        public string $piece,
        public ?string $mix = null,
        public ?Chemistry $chemistry = null,
        public bool $isAirbrush = false,
        public bool $makesDust = false,
        public bool $leavesWet = false,
    ) {
    }

    /**
     * @param  self|null  $before  what was at hand before, in the same sitting; null at its beginning
     * @return float minutes
     */
    public function after(?self $before): float
    {
        $minutes = 0.0;
        if ($this->isAirbrush && $before?->isAirbrush !== true) {
            $minutes += self::SET_UP_AIRBRUSH;
        }
        if ($before === null) {
            return $minutes;
        }
        if ($before->isAirbrush && ! ($this->isAirbrush && $this->chemistry === $before->chemistry)) {
            $minutes += self::CLEAN_AIRBRUSH;
        } elseif ($this->isAirbrush && $before->isAirbrush && $this->mix !== $before->mix) {
            $minutes += self::FLUSH;
        }
        if (! $this->isAirbrush && $this->mix !== null && $this->mix !== $before->mix) {
            $minutes += self::NEW_CUP;
        }
        if (! $this->isAirbrush && ! $before->isAirbrush && $this->tool !== $before->tool) {
            $minutes += self::OTHER_TOOL;
        }

        return $minutes + ($this->piece === $before->piece ? 0.0 : self::OTHER_PIECE);
    }

    /** Whether the two may not be in one sitting. */
    public function clashesWith(self $other): bool
    {
        return ($this->makesDust && $other->leavesWet) || ($this->leavesWet && $other->makesDust);
    }

    /** @return bool whether a step of this kind leaves something that dust would settle on */
    public static function isWet(StepKind $kind): bool
    {
        return in_array($kind, [StepKind::Prime, StepKind::Spray, StepKind::Brush, StepKind::Wash, StepKind::Varnish, StepKind::Decal], true);
    }
}
