<?php

declare(strict_types=1);

namespace App\Models\Shelf;

use App\Models\OwnedByPainter;
use Hyalin\Finish\Hand;
use Hyalin\Finish\Technique;
use Illuminate\Database\Eloquent\Model;

/**
 * A painter's hand at one technique, from test chips: factors of the usual profile.
 *
 * @property int $id
 * @property int $painter_id
 * @property Technique $technique
 * @property float $coverage
 * @property float $coverage_deviation
 * @property float $thickness
 * @property float $thickness_deviation
 * @property float $scatter from one chip to the next, as standard deviation of the logarithm
 * @property int $chips
 */
final class TechniqueHand extends Model
{
    use OwnedByPainter;

    protected $guarded = ['id', 'painter_id'];

    protected $attributes = ['scatter' => Hand::SCATTER];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['technique' => Technique::class, 'coverage' => 'float', 'coverage_deviation' => 'float', 'thickness' => 'float', 'thickness_deviation' => 'float', 'scatter' => 'float'];
    }

    public function toHand(): Hand
    {
        return new Hand($this->coverage, $this->thickness, $this->coverage_deviation / $this->coverage, $this->thickness_deviation / $this->thickness, $this->scatter);
    }
}
