<?php

declare(strict_types=1);

namespace Hyalin\Finish;

use Hyalin\Optics\PaintOptics;

/**
 * The surroundings of a layer, apart from its paint: the hand, the wet coat beneath, the light that falls there.
 */
final readonly class LayerContext
{
    /**
     * @param  Hand|null  $hand  of the painter, where test chips have told it; null for the usual profile
     * @param  PaintOptics|null  $into  the mix of the wet coat beneath that it is blended into
     * @param  list<float>|null  $factors  36, of what it was seen to give to what is predicted for it
     * @param  list<float|null>|null  $exposure  of the five zones to this spray, as the mesh has it, 0..1; null for the usual
     */
    public function __construct(public ?Hand $hand = null, public ?PaintOptics $into = null, public ?array $factors = null, public ?array $exposure = null, public AreaForm $form = AreaForm::Shaped)
    {
    }

    public function withHand(Hand $hand): self
    {
        return new self($hand, $this->into, $this->factors, $this->exposure, $this->form);
    }

    public function withInto(PaintOptics $wet): self
    {
        return new self($this->hand, $wet, $this->factors, $this->exposure, $this->form);
    }

    /** @param  list<float>|null  $factors  36, each above 0 */
    public function withFactors(?array $factors): self
    {
        return new self($this->hand, $this->into, $factors, $this->exposure, $this->form);
    }

    /** @param  list<float|null>|null  $exposure  of the five zones, 0..1 */
    public function withExposure(?array $exposure): self
    {
        return new self($this->hand, $this->into, $this->factors, $exposure, $this->form);
    }

    public function withForm(AreaForm $form): self
    {
        return new self($this->hand, $this->into, $this->factors, $this->exposure, $form);
    }

    /** @return DepositProfile what one coat of the technique leaves on each zone here */
    public function deposit(Technique $technique): DepositProfile
    {
        return $this->form->deposit($technique->profile($this->form === AreaForm::Gradient ? null : $this->exposure), $technique->spec()->blendsWet);
    }
}
