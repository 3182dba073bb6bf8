<?php

declare(strict_types=1);

namespace Tests\Feature;

use PHPUnit\Framework\TestCase as PlainTestCase;
use Symfony\Component\Process\Process;

/**
 * What the README says of adding a technique: one case and one class, and it is everywhere.
 */
final class NewTechniqueTest extends PlainTestCase
{
    public function test_a_technique_more_is_planned_counted_drawn_and_filed(): void
    {
        $process = new Process([PHP_BINARY, dirname(__DIR__).'/Support/added-technique.php'], null, [
            'APP_ENV' => 'testing', 'DB_CONNECTION' => 'sqlite', 'DB_DATABASE' => ':memory:', 'CACHE_STORE' => 'array', 'SESSION_DRIVER' => 'array',
        ]);
        $process->setTimeout(120)->mustRun();
        /** @var array{props: array<string, mixed>, types: bool, schema: bool, steps: list<array<string, mixed>>, needs: list<float>, card: array{layers: list<array<string, mixed>>, section: array{rows: list<array{shows: bool, largestChange: float}>}}} $found */
        $found = json_decode($process->getOutput(), true, 512, JSON_THROW_ON_ERROR);
        self::assertSame([53, 'Drag veins through it while it is wet.'], [$found['props']['dryingMinutes'], $found['props']['instruction']]);
        self::assertTrue($found['types']);
        self::assertTrue($found['schema']);
        // The part is prepared first; then the layer takes the time and waits as it was specified.
        self::assertSame(['prepare', 'wash'], array_column($found['steps'], 'kind'));
        self::assertSame([37, 53], [$found['steps'][1]['minutes'], $found['steps'][1]['drying_minutes']]);
        // Quantities: more than nothing, less than a pot.
        self::assertCount(1, $found['needs']);
        self::assertGreaterThan(0.0, $found['needs'][0]);
        self::assertLessThan(2.0, $found['needs'][0]);
        // The card shows it, and the model sees it.
        self::assertSame('marbling', $found['card']['layers'][0]['technique']);
        self::assertTrue($found['card']['section']['rows'][1]['shows']);
        self::assertGreaterThan(10.0, $found['card']['section']['rows'][1]['largestChange']);
    }
}
