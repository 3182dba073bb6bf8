<?php

declare(strict_types=1);

namespace App\Adapters\BenchFile;

use Hyalin\Plan\StepId;

/**
 * Which record is which: numbers within a file and ids of the database, either way.
 */
final class Numbers
{
    /** @var array<string, array<int, int>> by table */
    private array $known = [];

    public function add(string $table, int $from, int $to): void
    {
        $this->known[$table][$from] = $to;
    }

    /** @return int|null null when there is no such record on the other side */
    public function of(string $table, int $from): ?int
    {
        return $this->known[$table][$from] ?? null;
    }

    /** @return list<int> */
    public function all(string $table): array
    {
        return array_keys($this->known[$table] ?? []);
    }

    /**
     * A value with every reference in it turned over to the other side; what points nowhere is null, or is left out of a
     * list.
     */
    public function turned(Field $field, mixed $value): mixed
    {
        return match ($field->kind) {
            FieldKind::Reference => is_int($value) ? $this->of((string) $field->to, $value) : null,
            FieldKind::References => is_array($value) ? $this->list((string) $field->to, $value) : null,
            FieldKind::Pieces => is_array($value) ? array_values(array_map(fn (mixed $v): int => is_int($v) ? $this->of('areas', $v) ?? 0 : 0, $value)) : null,
            FieldKind::Mix => is_array($value) ? array_map($this->entry(...), $value) : null,
            FieldKind::Levels => is_array($value) ? $this->levels($value) : null,
            FieldKind::Readings => is_array($value) ? [...$value, 'whiteId' => is_int($value['whiteId'] ?? null) ? $this->of('paints', $value['whiteId']) : null] : null,
            FieldKind::StepName => is_string($value) ? $this->step($value) : null,
            FieldKind::StepNames => is_array($value) ? array_map(fn (mixed $v): string => $this->step(is_string($v) ? $v : ''), $value) : null,
            FieldKind::Finishes => is_array($value) ? array_map($this->finish(...), $value) : null,
            FieldKind::Sessions => is_array($value) ? array_map($this->session(...), $value) : null,
            default => $value,
        };
    }

    /** @return array<mixed> a step that is no more keeps its words */
    private function session(mixed $session): array
    {
        $session = is_array($session) ? $session : [];
        $steps = is_array($session['steps'] ?? null) ? $session['steps'] : [];

        return [...$session, 'steps' => array_map(function (mixed $step): array {
            $step = is_array($step) ? $step : [];
            $words = is_string($step['id'] ?? null) ? $step['id'] : '';
            if (preg_match('/^([fr])(\\d{1,9})((?:c\\d{1,9})?) (.*)\\z/', $words, $found) === 1) {
                $words = $found[1].($this->of($found[1] === 'f' ? 'figures' : 'runs', (int) $found[2]) ?? 0)."{$found[3]} {$this->step($found[4])}";
            }

            return [
                ...$step,
                'id' => $words,
                'figureId' => is_int($step['figureId'] ?? null) ? $this->of('figures', $step['figureId']) ?? 0 : 0,
                'runStepId' => is_int($step['runStepId'] ?? null) ? $this->of('run_steps', $step['runStepId']) : null,
            ];
        }, $steps)];
    }

    /**
     * @param  array<mixed>  $values
     * @return list<int>
     */
    private function list(string $table, array $values): array
    {
        return array_values(array_filter(array_map(fn (mixed $v): ?int => is_int($v) ? $this->of($table, $v) : null, $values), is_int(...)));
    }

    /**
     * A pot that is gone keeps its name and colour in the record; it is then number 0.
     *
     * @return array<mixed>
     */
    private function entry(mixed $entry): array
    {
        $entry = is_array($entry) ? $entry : [];

        return [...$entry, 'paintId' => is_int($entry['paintId'] ?? null) ? $this->of('paints', $entry['paintId']) ?? 0 : 0];
    }

    /**
     * @param  array<mixed>  $levels
     * @return array<int, mixed>
     */
    private function levels(array $levels): array
    {
        $turned = [];
        foreach ($levels as $id => $millilitres) {
            $to = $this->of('paints', (int) $id);
            if ($to !== null) {
                $turned[$to] = $millilitres;
            }
        }

        return $turned;
    }

    /** Steps on parts are named by them, those of layers by their keys, which stay. */
    private function step(string $words): string
    {
        $step = StepId::tryParse($words)?->withParts(fn (string $id): string => (string) ($this->of('parts', (int) $id) ?? 0));

        return $step === null ? $words : (string) $step;
    }

    /** @return array<mixed> */
    private function finish(mixed $finish): array
    {
        $finish = is_array($finish) ? $finish : [];
        $layers = is_array($finish['layers'] ?? null) ? $finish['layers'] : [];

        return [...$finish, 'areaId' => is_int($finish['areaId'] ?? null) ? $this->of('areas', $finish['areaId']) ?? 0 : 0, 'layers' => array_map(
            fn (mixed $layer): array => is_array($layer) ? [...$layer, 'mix' => array_map($this->entry(...), is_array($layer['mix'] ?? null) ? $layer['mix'] : [])] : [],
            $layers,
        )];
    }
}
