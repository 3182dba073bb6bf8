<?php

declare(strict_types=1);

namespace Tests\Core\Finish;

use Closure;
use Hyalin\Finish\Technique;
use Hyalin\Finish\Zone;
use Hyalin\Pot\PotKind;
use PHPUnit\Framework\TestCase;
use Tests\Support\DocTable;

/**
 * What docs/practice.md states of techniques is what holds: drying times, thinners and suiting pots are common practice, the rest
 * own estimates.
 */
final class TechniqueTableTest extends TestCase
{
    public function test_every_technique_leaves_what_the_document_has(): void
    {
        $held = [];
        foreach (Technique::cases() as $technique) {
            $deposit = $technique->profile();
            $exposure = $technique->spec()->usualExposure();
            $from = $technique->spec()->direction;
            $held[$technique->value] = [
                self::zones($deposit->coverage(...)), self::zones($deposit->thickness(...)), self::zones($deposit->scattering(...)),
                $exposure === null ? '-' : self::zones(static fn (Zone $z): float => $exposure[$z->index()]), (string) $technique->spec()->efficiency,
                $from === null ? '-' : "{$from->elevation} {$from->side} {$from->spread} {$from->passes} {$from->luminance}",
            ];
        }
        self::assertSame(DocTable::rows('practice.md', 'What a coat leaves'), $held);
    }

    public function test_every_technique_is_done_as_the_document_has_it(): void
    {
        $held = [];
        foreach (Technique::cases() as $technique) {
            $spec = $technique->spec();
            // Of so many coats, rounding is lost.
            $minutes = static fn (float $cm2, float $mm): float => $spec->minutes->minutes(100_000, $cm2, $mm) / 100_000;
            $held[$technique->value] = [
                $spec->application->value, $spec->step->value, (string) $spec->usualThinner, (string) $spec->mostThinner(), (string) $spec->dryingMinutes,
                implode(' ', array_map(static fn (float $m): string => (string) round($m, 4), [$minutes(0, 0), $minutes(1, 0) - $minutes(0, 0), $minutes(0, 1) - $minutes(0, 0)])),
                (string) ($spec->coversFromCoats ?? '-'), $spec->tone === null ? '-' : strtolower($spec->tone->name),
                implode(', ', array_keys(array_filter(['primes' => $spec->isPriming, 'lets through' => $spec->isTranslucent, 'sets the sheen' => $spec->setsSheen, 'blends wet' => $spec->blendsWet, 'over fluid' => $spec->isOverFluid, 'dots' => $spec->isDotted]))) ?: '-',
                implode(', ', array_map(static fn (Zone $z): string => $z->value, $spec->usualZones)),
                implode(', ', array_map(static fn (PotKind $kind): string => $kind->value, $spec->suits)),
            ];
        }
        self::assertSame(DocTable::rows('practice.md', 'How techniques are done'), $held);
    }

    /** @param  Closure(Zone): float  $of */
    private static function zones(Closure $of): string
    {
        return implode(' ', array_map(static fn (Zone $z): string => (string) round($of($z), 3), Zone::cases()));
    }
}
