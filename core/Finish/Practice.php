<?php

declare(strict_types=1);

namespace Hyalin\Finish;

/**
 * How one painter paints one area: their hand at each technique, what the area is, and how it lies to sprays.
 */
final readonly class Practice
{
    /**
     * @param  array<string, Hand>  $hands  by technique; the usual where none is known
     * @param  array<string, list<float|null>>  $exposures  0..1 of the five zones to directed sprays, by technique
     */
    public function __construct(private array $hands = [], private array $exposures = [], public AreaForm $form = AreaForm::Shaped)
    {
    }

    public function of(Layer $layer): Layer
    {
        $hand = $this->hands[$layer->technique->value] ?? null;

        return ($hand === null ? $layer : $layer->withHand($hand))->sprayedAs($this->exposures)->onForm($this->form);
    }
}
