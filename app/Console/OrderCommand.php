<?php

declare(strict_types=1);

namespace App\Console;

use App\Adapters\CommandLine\BadInput;
use App\Adapters\CommandLine\Document;
use Hyalin\Order\Masking\MaskOrder;
use Hyalin\Order\Masking\MaskOrderTask;

final class OrderCommand extends CoreCommand
{
    protected $signature = 'hyalin:order {file?}';

    protected $description = 'The order of areas that masks least, under precedences and preferences';

    protected function answer(): void
    {
        $started = hrtime(true);
        $document = Document::of($this->document(), 'the input');
        $areas = self::each($document->list('areas'), 'area', static function (Document $area): array {
            $id = $area->text('id');
            $method = $area->text('method');
            if (! in_array($method, ['spray', 'brush'], true)) {
                throw BadInput::at('method', "\"{$method}\" is not known; known are spray, brush");
            }

            return [$id, $method === 'spray', $area->number('bulkMinutes', 0.0)];
        });
        $boundaries = self::each(
            $document->has('boundaries') ? $document->list('boundaries') : [],
            'boundary',
            static fn (Document $b): array => [$b->text('a'), $b->text('b'), $b->number('mm', 0.0), $b->number('minutesPerMm', 0.0)],
        );
        $before = self::pairs($document->has('before') ? $document->list('before') : [], 'before');
        $soft = self::weighted($document->has('soft') ? $document->list('soft') : []);
        $document->refuseUnknown();
        $found = MaskOrder::find(MaskOrderTask::of($areas, $boundaries, $before, $soft));
        $this->put([
            'order' => $found->order,
            'maskMinutes' => $found->maskMinutes,
            'softMinutes' => $found->softMinutes,
            'total' => $found->total(),
            'brokenSoft' => $found->brokenSoft,
            'masks' => $found->masks,
            'optimal' => $found->optimal,
            'bound' => $found->bound,
            'milliseconds' => (hrtime(true) - $started) / 1e6,
        ]);
    }

    /**
     * @param  list<mixed>  $entries
     * @return list<array{string, string}>
     *
     * @throws BadInput
     */
    private static function pairs(array $entries, string $where): array
    {
        $pairs = [];
        foreach ($entries as $n => $entry) {
            if (! is_array($entry) || count($entry) !== 2 || ! is_string($entry[0] ?? null) || ! is_string($entry[1] ?? null)) {
                throw BadInput::at("{$where} ".($n + 1), 'must be a list of two ids');
            }
            $pairs[] = [$entry[0], $entry[1]];
        }

        return $pairs;
    }

    /**
     * @param  list<mixed>  $entries
     * @return list<array{string, string, float}>
     *
     * @throws BadInput
     */
    private static function weighted(array $entries): array
    {
        $preferences = [];
        foreach ($entries as $n => $entry) {
            $weight = is_array($entry) && count($entry) === 3 ? $entry[2] ?? null : null;
            if (! is_array($entry) || ! is_string($entry[0] ?? null) || ! is_string($entry[1] ?? null) || ! (is_int($weight) || is_float($weight))) {
                throw BadInput::at('soft '.($n + 1), 'must be a list of two ids and minutes');
            }
            $preferences[] = [$entry[0], $entry[1], (float) $weight];
        }

        return $preferences;
    }
}
