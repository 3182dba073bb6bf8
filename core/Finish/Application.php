<?php

declare(strict_types=1);

namespace Hyalin\Finish;

/**
 * The tool that a technique is applied with.
 */
enum Application: string
{
    case Brush = 'brush';
    case Airbrush = 'airbrush';
    case SprayCan = 'spray can';
    case DryPigment = 'dry pigment';
    case Transfer = 'transfer';
    case Rubbed = 'rubbed on';
    case Spread = 'spread on';

    /** @return bool whether it reaches what lies beside it through the air: that has to be masked */
    public function isSprayed(): bool
    {
        return $this === self::Airbrush || $this === self::SprayCan;
    }

    /** @return bool whether its paint comes out of a pot in drops */
    public function isCountedInDrops(): bool
    {
        return $this === self::Brush || $this === self::Airbrush;
    }

    /** @return bool whether what it takes can be said in millilitres */
    public function isMeasured(): bool
    {
        return $this->isCountedInDrops() || $this === self::SprayCan;
    }

    /** @return float drops that stay in a cup, a nozzle or a palette well, however little is used: own estimates */
    public function keptDrops(): float
    {
        return match ($this) {
            self::Airbrush, self::SprayCan => 4.0,
            self::Brush, self::DryPigment, self::Transfer, self::Rubbed, self::Spread => 1.0,
        };
    }
}
