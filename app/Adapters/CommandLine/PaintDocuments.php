<?php

declare(strict_types=1);

namespace App\Adapters\CommandLine;

use Hyalin\InvalidInput;
use Hyalin\Mixing\Task\LaterLayer;
use Hyalin\Optics\FilmThickness;
use Hyalin\Optics\OpticsQuality;
use Hyalin\Optics\PaintOptics;

/**
 * Paints, mixes and layers as the command line writes them.
 */
final class PaintDocuments
{
    /**
     * A layer {"mix":[{"K","S","parts"}], "thickness", "coverage"}; coverage is 1 if absent.
     *
     * @throws BadInput
     */
    public static function layer(mixed $value): LaterLayer
    {
        $layer = Document::of($value, 'a layer');
        $mix = $layer->parsed('mix', self::mix(...));
        $thickness = $layer->number('thickness');
        $coverage = $layer->number('coverage', 1.0);
        $layer->refuseUnknown();

        return self::refusing(static fn (): LaterLayer => LaterLayer::of($mix, FilmThickness::coats($thickness), $coverage));
    }

    /**
     * @return list<LaterLayer>
     *
     * @throws BadInput naming the layer
     */
    public static function layers(mixed $value): array
    {
        return self::each($value, 'layer', self::layer(...));
    }

    /** @throws BadInput naming the ingredient */
    public static function mix(mixed $value): PaintOptics
    {
        $ingredients = self::each($value, 'ingredient', static function (mixed $entry): array {
            $ingredient = Document::of($entry, 'an ingredient');
            $optics = self::optics($ingredient);
            $parts = $ingredient->number('parts');
            $ingredient->refuseUnknown();

            return [$optics, $parts];
        });
        if ($ingredients === []) {
            throw BadInput::at('', 'a mix needs at least one paint');
        }

        return self::refusing(static fn (): PaintOptics => PaintOptics::mixed($ingredients));
    }

    /** @throws BadInput */
    public static function optics(Document $paint): PaintOptics
    {
        $k = $paint->value('K');
        $s = $paint->value('S');

        return self::refusing(static fn (): PaintOptics => PaintOptics::parse($k, $s, OpticsQuality::Measured));
    }

    /**
     * @template T
     *
     * @param  callable(mixed): T  $parse
     * @return list<T>
     *
     * @throws BadInput naming the place, counted from 1
     */
    public static function each(mixed $value, string $what, callable $parse): array
    {
        if (! is_array($value) || ! array_is_list($value)) {
            throw BadInput::at('', "must be a list of {$what}s");
        }
        $parsed = [];
        foreach ($value as $i => $entry) {
            try {
                $parsed[] = $parse($entry);
            } catch (BadInput $e) {
                throw $e->within($what.' '.($i + 1));
            }
        }

        return $parsed;
    }

    /**
     * @template T
     *
     * @param  callable(): T  $make
     * @return T
     *
     * @throws BadInput for what the core refuses
     */
    public static function refusing(callable $make): mixed
    {
        try {
            return $make();
        } catch (InvalidInput $e) {
            throw BadInput::at('', $e->getMessage(), $e);
        }
    }
}
