<?php

declare(strict_types=1);

namespace Hyalin\Matching\Proposals;

use Hyalin\Finish\AreaForm;

/**
 * Ways to build a finish that differ in kind, not in degree.
 */
enum ProposalKind: string
{
    case Translucent = 'translucent over zenithal';
    case BaseWash = 'base, wash, highlights';
    case Opaque = 'opaque layering';
    case Glazes = 'undercoat and glazes';
    case DryBrushed = 'base, overbrush, dry brush';
    case Metals = 'metal over dark, shaded and lit';
    case Flat = 'flat colours';
    case OneCoat = 'one coat over white';
    case Bands = 'bands from root to tip';

    public function needsAirbrush(): bool
    {
        return $this === self::Translucent;
    }

    /** @return bool whether an area of that form can be painted so */
    public function suits(AreaForm $form): bool
    {
        return match ($form) {
            AreaForm::Shaped => ! in_array($this, [self::Metals, self::Flat, self::OneCoat, self::Bands], true),
            AreaForm::Metal => $this === self::Metals,
            AreaForm::Sign, AreaForm::Eye => $this === self::Flat || $this === self::OneCoat,
            AreaForm::Gradient => $this === self::Bands,
        };
    }
}
