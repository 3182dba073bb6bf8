<?php

declare(strict_types=1);

namespace Hyalin\Finish;

use Hyalin\Plan\LayerTone;
use Hyalin\Plan\StepKind;
use Hyalin\Pot\PotKind;

/**
 * Everything the rest of Hyalin needs to know of a technique. All of it has to be said: nothing is assumed of a technique
 * that nobody thought of. Profiles and efficiencies are own estimates until a painter calibrates them by test chips; drying
 * times and thinners are common practice.
 */
final readonly class TechniqueSpec
{
    /** Parts of thinner: common practice. */
    private const COVERS_WITH = 1.0;

    private const LETS_THROUGH_WITH = 8.0;

    /**
     * @param  DepositProfile  $deposit  what one coat leaves on each zone
     * @param  SprayDirection|null  $direction  null unless it is sprayed from one
     * @param  array{float, float, float, float, float}|null  $lamp  what the five zones usually receive of a lamp that it paints
     *                                                               the glow of, 0..1; null unless it paints one
     * @param  float  $efficiency  0..1, what of the paint reaches the piece
     * @param  bool  $isPriming  sprayed on the whole figure before anything is masked
     * @param  LayerTone|null  $tone  whether it shades or lights; null for neither
     * @param  int|null  $coversFromCoats  coats from which it hides what lies beneath, on all zones; null for never
     * @param  bool  $isTranslucent  meant to let show what lies beneath
     * @param  bool  $setsSheen  it is clear, and sets the sheen of everything beneath
     * @param  bool  $blendsWet  into the coat beneath while that is wet
     * @param  bool  $isOverFluid  painted over masking fluid that is peeled off again
     * @param  bool  $isDotted  it leaves single dots: they are seen by their contrast, however little of the area they cover
     * @param  non-empty-list<Zone>  $usualZones  those a painter usually means
     * @param  float  $usualThinner  parts of water or medium to one part of paint
     * @param  int  $dryingMinutes  until the next coat
     * @param  non-empty-list<PotKind>  $suits  kinds of pot it is usually done with
     * @param  string  $instruction  what to do, in a painter's words
     */
    public function __construct(
        public DepositProfile $deposit,
        public ?SprayDirection $direction,
        public ?array $lamp,
        public float $efficiency,
        public Application $application,
        public StepKind $step,
        public bool $isPriming,
        public ?LayerTone $tone,
        public ?int $coversFromCoats,
        public bool $isTranslucent,
        public bool $setsSheen,
        public bool $blendsWet,
        public bool $isOverFluid,
        public bool $isDotted,
        public array $usualZones,
        public float $usualThinner,
        public int $dryingMinutes,
        public HandsOnMinutes $minutes,
        public array $suits,
        public string $instruction,
    ) {
    }

    /** @return array{float, float, float, float, float}|null 0..1 of the zones, where light or spray from somewhere decides; as it usually is */
    public function usualExposure(): ?array
    {
        return $this->direction->exposure ?? $this->lamp;
    }

    /** @return float parts of thinner to one of paint that it is ever put on with: nothing is stirred into a can, and what is to hide is not let down to a wash */
    public function mostThinner(): float
    {
        return match (true) {
            $this->application === Application::SprayCan => 0.0,
            $this->coversFromCoats !== null => self::COVERS_WITH,
            default => self::LETS_THROUGH_WITH,
        };
    }
}
