<?php

declare(strict_types=1);

namespace App\Adapters\BenchFile;

use BackedEnum;
use Hyalin\Pot\Chemistry;
use Hyalin\Pot\InvalidPot;
use Hyalin\Pot\PotFields;
use LogicException;
use stdClass;

/**
 * Documents of earlier versions, brought up to the present one; each step leads to the next version.
 */
final class Upgrade
{
    /** @param  stdClass  $document  of a version that was published, judged by its own schema; the present version afterwards */
    public static function bring(stdClass $document): void
    {
        if (($document->version ?? null) === 1) {
            self::factsInFields($document);
            $document->version = 2;
        }
    }

    /** Version 1 kept what is stated of a pot in one object, its chemistry in the painter's own words. */
    private static function factsInFields(stdClass $document): void
    {
        $paints = is_object($document->records ?? null) ? $document->records->paints ?? [] : [];
        foreach (is_array($paints) ? $paints : [] as $paint) {
            if ($paint instanceof stdClass && isset($paint->facts)) {
                $facts = is_object($paint->facts) ? get_object_vars($paint->facts) : [];
                unset($paint->facts);
                foreach ($facts as $key => $given) {
                    self::state($paint, $key, is_scalar($given) ? (string) $given : '');
                }
            }
        }
    }

    private static function state(stdClass $paint, string $key, string $words): void
    {
        try {
            $value = PotFields::named($key)->parse($key === 'chemistry' ? Chemistry::inWords($words)->value ?? $words : $words);
            if ($value !== null) {
                $paint->{$key} = $value instanceof BackedEnum ? $value->value : $value;
            }
        } catch (InvalidPot|LogicException) {
            // Nothing is lost: what is no value any more stays readable.
            $note = is_string($paint->note ?? null) ? $paint->note : '';
            $paint->note = mb_substr(trim("{$note}\n{$key}: {$words}"), 0, 2000);
        }
    }
}
