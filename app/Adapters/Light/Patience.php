<?php

declare(strict_types=1);

namespace App\Adapters\Light;

use App\Models\Light\LightRecord;

/**
 * What takes more than about a second on a figure, and is therefore done in the queue. From measured times on two slow processors:
 * 3.5 s for the areas of a million triangles, 2.2 s for shadows of a near spray or a glow on 50,000 vertices, 3 to 14 s for a proposal.
 */
final class Patience
{
    private const TRIANGLES = 250_000;

    private const VERTICES = 20_000;

    /** A proposal smooths the surface many times. */
    private const PROPOSED = 2_000;

    /** Whether measuring all triangles takes long. */
    public static function endsAtMeasuring(LightRecord $light): bool
    {
        return ($light->result['triangles'] ?? 0) > self::TRIANGLES * self::scale();
    }

    /** Whether shadows from a place near by do. */
    public static function endsAtShadows(StoredStudy $study): bool
    {
        return $study->working()->vertices() > self::VERTICES * self::scale();
    }

    public static function endsAtProposals(StoredStudy $study): bool
    {
        return $study->working()->vertices() > self::PROPOSED * self::scale();
    }

    private static function scale(): float
    {
        return config()->float('hyalin.patience');
    }
}
