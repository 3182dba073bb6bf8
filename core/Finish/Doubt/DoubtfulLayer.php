<?php

declare(strict_types=1);

namespace Hyalin\Finish\Doubt;

use Hyalin\Finish\Hand;
use Hyalin\Finish\Layer;
use Hyalin\Optics\PaintOptics;

/**
 * A layer with the pots that its mix is made of.
 */
final readonly class DoubtfulLayer
{
    /** @param  non-empty-list<Ingredient>  $mix */
    public function __construct(public Layer $layer, public array $mix)
    {
    }

    public function hand(): Hand
    {
        return $this->layer->context->hand ?? Hand::usual();
    }

    /**
     * @param  float  $k  what the absorption of that pot is multiplied by
     * @param  float  $s  what its scattering is multiplied by
     */
    public function withPot(string $pot, float $k, float $s): Layer
    {
        $touched = false;
        $mix = [];
        foreach ($this->mix as $ingredient) {
            $its = $ingredient->pot === $pot;
            $touched = $touched || $its;
            $mix[] = [$its ? $ingredient->optics->times($k, $s) : $ingredient->optics, $ingredient->parts];
        }

        return $touched ? $this->layer->withMix(PaintOptics::mixed($mix)) : $this->layer;
    }
}
