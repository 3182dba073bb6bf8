<?php

declare(strict_types=1);

namespace App\Adapters\Finish;

use App\Models\Compare\Correction;
use Hyalin\Finish\Technique;

/**
 * The corrections painters have taken; looked up once a request.
 */
final class Corrections
{
    /** @var array<int, array<string, list<float>>> by painter, and by pot and technique */
    private array $taken = [];

    /** @return list<float>|null 36 factors; null where none was taken */
    public function of(int $painterId, int $paintId, Technique $technique): ?array
    {
        if (! isset($this->taken[$painterId])) {
            $this->taken[$painterId] = [];
            foreach (Correction::query()->where('painter_id', $painterId)->whereNotNull('taken_at')->get() as $correction) {
                $this->taken[$painterId]["{$correction->paint_id} {$correction->technique->value}"] = $correction->factors;
            }
        }

        return $this->taken[$painterId]["{$paintId} {$technique->value}"] ?? null;
    }

    public function forget(): void
    {
        $this->taken = [];
    }
}
