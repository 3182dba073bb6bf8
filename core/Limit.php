<?php

declare(strict_types=1);

namespace Hyalin;

/**
 * The range of every number that a painter enters and a file keeps, said once: requests, bench file, schema, command line and
 * core read it here. What is stated of a pot has its ranges in Pot\PotFields.
 */
enum Limit
{
    case Coats;
    case UsedCoats;
    /** Parts to one part of the mix. */
    case Thinner;
    /** Parts of one pot in a planned mix: whole. */
    case Parts;
    /** Parts of one pot in a recorded mix. */
    case RecordedParts;
    /** Drops counted into one cup. */
    case UsedDrops;
    case UsedMinutes;
    case FigureHeightMm;
    case FigureCopies;
    case Tolerance;
    case BalanceLimit;
    case Depth;
    case AreaSquareCm;
    case BoundaryMm;
    case Translucency;
    case Grit;
    case SandingRounds;
    case OwnStepMinutes;
    case OwnStepDryMinutes;
    case RuleWeight;
    case LightHeightMm;
    case SprayElevation;
    case SpraySide;
    case SpraySpread;
    case SprayPasses;
    /** Factor on what the mesh says of its edges or grooves. */
    case EdgeStrength;

    /** @return array{int|float, int|float} least and most, both allowed */
    public function range(): array
    {
        return match ($this) {
            self::Coats, self::UsedCoats => [1, 12],
            self::Thinner => [0, 20],
            self::Parts => [1, 99],
            self::RecordedParts => [0.001, 999],
            self::UsedDrops => [1, 9999],
            self::UsedMinutes => [0, 10_000],
            self::FigureHeightMm => [5, 3000],
            self::FigureCopies => [1, 500],
            self::Tolerance => [0.5, 20],
            self::BalanceLimit => [0, 100],
            self::Depth => [0, 9],
            self::AreaSquareCm => [0.0001, 100_000],
            self::BoundaryMm => [0, 100_000],
            self::Translucency => [0, 1],
            self::Grit => [40, 3000],
            self::SandingRounds => [0, 20],
            self::OwnStepMinutes => [0, 6000],
            self::OwnStepDryMinutes => [0, 60_000],
            self::RuleWeight => [0, 600],
            self::LightHeightMm => [1, 5000],
            self::SprayElevation => [-90, 90],
            self::SpraySide => [-180, 180],
            self::SpraySpread => [0, 90],
            self::SprayPasses => [0, 9],
            self::EdgeStrength => [0.25, 4],
        };
    }

    public function least(): int|float
    {
        return $this->range()[0];
    }

    public function most(): int|float
    {
        return $this->range()[1];
    }

    public function isWhole(): bool
    {
        return ! in_array($this, [
            self::Thinner, self::RecordedParts, self::Tolerance, self::BalanceLimit, self::AreaSquareCm, self::BoundaryMm, self::Translucency, self::RuleWeight,
            self::LightHeightMm, self::SprayElevation, self::SpraySide, self::SpraySpread, self::EdgeStrength,
        ], true);
    }

    public function holds(int|float $value): bool
    {
        return $value >= $this->least() && $value <= $this->most();
    }
}
