<?php

declare(strict_types=1);

namespace App\Http\Props\Brief;

use Hyalin\Finish\BalanceKind;

/**
 * A wish, and whether it holds.
 */
final readonly class BalancePreferenceProps
{
    public function __construct(public int $id, public BalanceKind $kind, public int $areaId, public ?int $otherId, public float $limit, public bool $holds, public float $value)
    {
    }
}
