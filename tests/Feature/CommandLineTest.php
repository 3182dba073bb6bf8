<?php

declare(strict_types=1);

namespace Tests\Feature;

use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\TestCase as PlainTestCase;
use Tests\Support\ArtisanProcess;
use Tests\Support\CheckValues;

/**
 * The commands as a script calls them: a process of their own, standard input, output and error apart.
 * Each is started once as it is; after that in a fork, which has compiled already what they share.
 */
#[Group('sculpted')]
final class CommandLineTest extends PlainTestCase
{
    public function test_differences_of_the_published_pairs_come_out_row_by_row(): void
    {
        $input = $expected = '';
        foreach (CheckValues::rows('ciede2000_sharma2005_34pairs') as $pair) {
            $input .= sprintf("[[%s,%s,%s],[%s,%s,%s]]\n", ...CheckValues::numbers($pair, 'L1', 'a1', 'b1', 'L2', 'a2', 'b2'));
            $expected .= "{$pair['dE00']}\n";
        }
        [$code, $out, $error] = $this->artisan('hyalin:difference', $input);
        self::assertSame([0, ''], [$code, $error]);
        $rounded = implode("\n", array_map(static fn (string $n): string => sprintf('%.4f', (float) $n), explode("\n", trim($out))))."\n";
        self::assertSame($expected, $rounded);
        self::assertSame("5.0\n", $this->artisan('hyalin:difference --formula=cie76', "[[50,0,0],[50,3,4]]\n")[1]);
    }

    public function test_conversions_go_through_every_pair_of_spaces_and_back(): void
    {
        $spaces = ['spectrum', 'xyz', 'lab', 'lch', 'srgb'];
        [, $start] = $this->artisan('hyalin:convert --from=srgb --to=spectrum', "[0.8,0.4,0.2]\n");
        $spectrum = json_decode($start, true);
        self::assertIsArray($spectrum);
        self::assertCount(36, $spectrum);
        foreach ($spaces as $space) {
            [$code, $there] = $this->artisan("hyalin:convert --from=spectrum --to={$space}", $start);
            self::assertSame(0, $code);
            [, $back] = $this->artisan("hyalin:convert --from={$space} --to=srgb", $there);
            self::assertEqualsWithDelta([0.8, 0.4, 0.2], json_decode($back, true), 1e-6, $space);
        }
    }

    public function test_a_film_is_laid_as_the_closed_form_says(): void
    {
        $flat = static fn (float $v): array => array_fill(0, 36, $v);
        $row = ['undercoat' => $flat(0.5), 'layers' => [
            ['mix' => [['K' => $flat(0.4), 'S' => $flat(0.8), 'parts' => 2]], 'thickness' => 1, 'coverage' => 0.25],
        ]];
        [$code, $out] = $this->artisan('hyalin:film', json_encode($row, JSON_THROW_ON_ERROR));
        $answer = json_decode($out, true);
        self::assertSame(0, $code);
        self::assertIsArray($answer);
        self::assertSame(['reflectance', 'lab'], array_keys($answer));
        self::assertIsArray($answer['reflectance']);
        self::assertEqualsWithDelta(0.25 * 0.402602833820255 + 0.75 * 0.5, $answer['reflectance'][35], 1e-12);
    }

    public function test_the_order_that_masks_least_comes_out_as_the_contract_says(): void
    {
        $task = [
            'areas' => [
                ['id' => 'coat', 'method' => 'spray', 'bulkMinutes' => 12],
                ['id' => 'collar', 'method' => 'spray', 'bulkMinutes' => 1],
                ['id' => 'face', 'method' => 'brush', 'bulkMinutes' => 2],
            ],
            'boundaries' => [['a' => 'coat', 'b' => 'collar', 'mm' => 80, 'minutesPerMm' => 0.05], ['a' => 'coat', 'b' => 'face', 'mm' => 40, 'minutesPerMm' => 0.1]],
            'before' => [], 'soft' => [['face', 'collar', 0.5]],
        ];
        [$code, $out] = $this->artisan('hyalin:order', json_encode($task, JSON_THROW_ON_ERROR));
        $answer = json_decode($out, true);
        self::assertSame(0, $code);
        self::assertIsArray($answer);
        self::assertSame(['order', 'maskMinutes', 'softMinutes', 'total', 'brokenSoft', 'masks', 'optimal', 'bound', 'milliseconds'], array_keys($answer));
        self::assertSame(['collar', 'coat', 'face'], $answer['order']);
        self::assertEquals(
            [5.0, 0.5, 5.5, [['face', 'collar']], [['painting' => 'coat', 'protect' => 'collar', 'mm' => 80.0]], true],
            [$answer['maskMinutes'], $answer['softMinutes'], $answer['total'], $answer['brokenSoft'], $answer['masks'], $answer['optimal']],
        );
    }

    public function test_steps_are_laid_over_evenings_as_the_contract_says(): void
    {
        $task = [
            'steps' => [['id' => 'prime', 'minutes' => 20], ['id' => 'base', 'minutes' => 40, 'splittable' => false], ['id' => 'sand', 'minutes' => 90, 'splittable' => true]],
            'lags' => [['from' => 'prime', 'to' => 'base', 'minMinutes' => 60, 'maxMinutes' => null]],
            'sessions' => [['start' => '2026-11-25T19:00:00+01:00', 'minutes' => 120], ['start' => '2026-11-26T19:00:00+01:00', 'minutes' => 120]],
        ];
        [$code, $out] = $this->artisan('hyalin:schedule', json_encode($task, JSON_THROW_ON_ERROR));
        $answer = json_decode($out, true);
        self::assertSame(0, $code);
        self::assertIsArray($answer);
        self::assertSame(['placed', 'finish', 'boundFinish', 'sessionsUsed', 'milliseconds'], array_keys($answer));
        // The sanding fills the drying, and what is left of it the next evening.
        self::assertIsArray($answer['placed']);
        self::assertContains(['id' => 'prime', 'start' => '2026-11-25T19:00:00+01:00', 'end' => '2026-11-25T19:20:00+01:00'], $answer['placed']);
        self::assertSame(['2026-11-26T19:30:00+01:00', '2026-11-26T19:30:00+01:00', 2], [$answer['finish'], $answer['boundFinish'], $answer['sessionsUsed']]);
    }

    public function test_two_readings_give_back_the_paint_and_impossible_ones_are_named(): void
    {
        $flat = static fn (float $v): array => array_fill(0, 36, $v);
        // Worked example of the two-background solution: K = 0.4, S = 0.8 over ideal black and white.
        $row = ['overBlack' => $flat(0.326071738179086), 'overWhite' => $flat(0.51616254035992), 'black' => $flat(0.0), 'white' => $flat(1.0), 'masstone' => null];
        [$code, $out, $error] = $this->artisan('hyalin:measure', json_encode($row, JSON_THROW_ON_ERROR));
        $answer = json_decode($out, true);
        self::assertSame([0, ''], [$code, $error]);
        self::assertIsArray($answer);
        self::assertSame(['K', 'S', 'quality', 'residuals', 'lnKDeviation', 'lnSDeviation'], array_keys($answer));
        self::assertEqualsWithDelta($flat(0.4), $answer['K'], 1e-9);
        self::assertEqualsWithDelta($flat(0.8), $answer['S'], 1e-9);
        self::assertSame('measured', $answer['quality']);
        self::assertSame([36, 36], [count((array) $answer['lnKDeviation']), count((array) $answer['lnSDeviation'])]);
        // One part in five of a white with K = 0.01, S = 6: R = 1 + q - sqrt(q^2 + 2 q) with q = 0.45 / 30.8.
        $tint = ['parts' => [1, 5], 'with' => ['K' => $flat(0.01), 'S' => $flat(6.0)], 'reflectance' => $flat(1 + 0.45 / 30.8 - sqrt((0.45 / 30.8) ** 2 + 0.9 / 30.8))];
        [$code, $out, $error] = $this->artisan('hyalin:measure', json_encode([...$row, 'tints' => [$tint], 'noise' => 0.0025, 'coatSpread' => 0.15], JSON_THROW_ON_ERROR));
        $told = json_decode($out, true);
        self::assertSame([0, ''], [$code, $error]);
        self::assertIsArray($told);
        self::assertEqualsWithDelta($flat(0.8), $told['S'], 0.01);
        self::assertIsArray($told['residuals']);
        self::assertSame(['overBlack', 'overWhite', 'tint1'], array_keys($told['residuals']));
        [$code, , $error] = $this->artisan('hyalin:measure', json_encode([...$row, 'tints' => [[...$tint, 'parts' => [0, 5]]]], JSON_THROW_ON_ERROR));
        self::assertSame(2, $code);
        self::assertStringContainsString('a tint of 0 parts in 5', $error);
        $row['overBlack'] = $flat(0.6);
        [$code, $out, $error] = $this->artisan('hyalin:measure', json_encode($row, JSON_THROW_ON_ERROR));
        self::assertSame([2, ''], [$code, $out]);
        self::assertStringContainsString('"where":"line 1"', $error);
        self::assertStringContainsString('darker than the coat over black (0.600) at 380 nm', $error);
    }

    public function test_the_best_mix_is_found_and_proven_on_a_small_shelf(): void
    {
        $flat = static fn (float $v): array => array_fill(0, 36, $v);
        $document = ['paints' => [
            ['name' => 'white', 'K' => $flat(0.01), 'S' => $flat(6)],
            ['name' => 'black', 'K' => $flat(4), 'S' => $flat(0.2)],
        ], 'target' => [60, 0, 0], 'undercoat' => null, 'thickness' => 1, 'maxPaints' => 3, 'maxDrops' => 12, 'top' => 2, 'then' => []];
        [$code, $out, $error] = $this->artisan('hyalin:mix', json_encode($document, JSON_THROW_ON_ERROR));
        $answer = json_decode($out, true);
        self::assertSame([0, ''], [$code, $error]);
        self::assertIsArray($answer);
        self::assertSame(['mixes', 'optimal', 'milliseconds'], array_keys($answer));
        self::assertTrue($answer['optimal']);
        self::assertIsArray($answer['mixes']);
        self::assertIsArray($answer['mixes'][0]);
        self::assertSame(['white', 'black'], array_keys((array) $answer['mixes'][0]['drops']));
        self::assertLessThan(1.5, $answer['mixes'][0]['difference']);
    }

    public function test_bad_input_ends_with_2_and_says_where_and_nothing_else(): void
    {
        foreach ([
            ['hyalin:convert --from=lab --to=xyz', "[50,0,0]\n[50,0]\n", 'line 2', 'three finite numbers'],
            ['hyalin:convert --from=hsv --to=xyz', '', '--from', 'must be one of'],
            ['hyalin:convert --from=lab --to=xyz --illuminant=F2', '', 'illuminant', 'not known'],
            ['hyalin:difference', "[[50,0,0]]\n", 'line 1', '[[L,a,b],[L,a,b]]'],
            ['hyalin:difference', "{not json\n", 'line 1', 'not JSON'],
            ['hyalin:schedule', '{"steps":[{"id":"a","minutes":90}],"sessions":[{"start":"2026-11-25T19:00:00Z","minutes":60}]}', '', 'allow it to be split'],
            ['hyalin:schedule', '{"steps":[{"id":"a","minutes":9}],"sessions":[{"start":"2026-02-31T19:00:00Z","minutes":60}]}', 'session 1, start', 'not a date and time'],
            ['hyalin:order', '{"areas":[]}', '', 'no area'],
            ['hyalin:order', '{"areas":[{"id":"a","method":"pour"}]}', 'area 1, method', 'known are spray, brush'],
            ['hyalin:order', '{"areas":[{"id":"a","method":"spray"},{"id":"b","method":"spray"}],"before":[["a","b"],["b","a"]]}', '', '"a" before "b" before "a"'],
            ['hyalin:order', '{"areas":[{"id":"a","method":"spray"}],"soft":[["a"]]}', 'soft 1', 'two ids and minutes'],
            ['hyalin:film', '{"undercoat":[1],"layers":[]}', 'line 1, undercoat', '36 numbers'],
            ['hyalin:film', json_encode(['undercoat' => array_fill(0, 36, 0.5), 'layers' => [], 'extra' => 1]), 'line 1, extra', 'not known'],
            ['hyalin:mix', '{"paints":[],"target":[50,0,0]}', '', 'shelf is empty'],
            ['hyalin:mix', '{"paints":[{"name":"a","K":[1]}],"target":[50,0,0]}', 'paint 1, S', 'missing'],
            ['hyalin:mix no-such-file.json', '', 'file', 'cannot be read'],
        ] as [$command, $input, $where, $message]) {
            [$code, $out, $error] = $this->artisan($command, (string) $input);
            $said = json_decode($error, true);
            self::assertSame(2, $code, $command);
            self::assertIsArray($said);
            self::assertSame(['where', 'message'], array_keys((array) $said['error']));
            self::assertSame($where, ((array) $said['error'])['where'], $command);
            self::assertIsString(((array) $said['error'])['message']);
            self::assertStringContainsString($message, ((array) $said['error'])['message']);
            // Rows before the bad one have been answered, nothing after it.
            self::assertSame(str_starts_with($where, 'line 2') ? 1 : 0, substr_count($out, "\n"));
        }
    }

    /** @return array{int, string, string} exit code, standard output, standard error */
    private function artisan(string $command, string $input): array
    {
        return ArtisanProcess::run(explode(' ', $command), $input);
    }
}
