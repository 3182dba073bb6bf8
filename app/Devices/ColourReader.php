<?php

declare(strict_types=1);

namespace App\Devices;

use App\Adapters\Finish\FigureOptics;
use App\Adapters\Finish\LayerDraft;
use App\Models\Shelf\Paint;
use Hyalin\Colour\Reflectance;
use Hyalin\Finish\Technique;
use Hyalin\Finish\Zone;
use Hyalin\Measuring\Swatch;

/**
 * A device that reads the spectrum of a swatch with its gloss excluded: a matt surface still shows its veil.
 */
interface ColourReader
{
    /** @return float repeatability, as a standard deviation of reflectance */
    public function noise(): float;

    /** @param  Paint|null  $white  the white of a tint */
    public function read(Paint $pot, Swatch $swatch, ?Paint $white): Reflectance;

    /** A test chip: so many coats of a technique on a card, in this painter's hand. */
    public function readChip(Paint $pot, Technique $technique, float $thinner, int $coats, float $card): Reflectance;

    /**
     * One zone of a painted piece.
     *
     * @param  list<LayerDraft>  $drafts  what was painted on it
     * @param  string  $piece  the same for the same piece
     */
    public function readPiece(array $drafts, FigureOptics $figure, Zone $zone, string $piece): Reflectance;
}
