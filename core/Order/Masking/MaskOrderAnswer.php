<?php

declare(strict_types=1);

namespace Hyalin\Order\Masking;

/**
 * An order of areas with what it asks for.
 */
final readonly class MaskOrderAnswer
{
    /**
     * @param  non-empty-list<string>  $order
     * @param  list<array{string, string}>  $brokenSoft  preferences not kept: the first should have come before the second
     * @param  list<array{painting: string, protect: string, mm: float}>  $masks
     * @param  float  $bound  no order costs less than this
     */
    private function __construct(
        public array $order,
        public float $maskMinutes,
        public float $softMinutes,
        public array $brokenSoft,
        public array $masks,
        public bool $optimal,
        public float $bound,
    ) {
    }

    /** @param  non-empty-list<int>  $order  places */
    public static function of(MaskOrderTask $task, array $order, bool $optimal, float $bound): self
    {
        $at = array_flip($order);
        $mask = $soft = 0.0;
        $masks = $broken = [];
        foreach ($order as $n => $painted) {
            foreach (array_slice($order, 0, $n) as $finished) {
                $mask += $task->mask[$finished][$painted];
                $soft += $task->soft[$finished][$painted];
                if ($task->mask[$finished][$painted] > 0) {
                    $masks[] = ['painting' => $task->ids[$painted], 'protect' => $task->ids[$finished], 'mm' => $task->mm[$finished][$painted]];
                }
            }
        }
        foreach ($task->preferences as [$first, $second]) {
            if ($at[$second] < $at[$first]) {
                $broken[] = [$task->ids[$first], $task->ids[$second]];
            }
        }
        $total = $mask + $soft;

        return new self(array_map(static fn (int $place): string => $task->ids[$place], $order), $mask, $soft, $broken, $masks, $optimal, $optimal ? $total : min($bound, $total));
    }

    /** @return float minutes of masks, and of preferences that are not met */
    public function total(): float
    {
        return $this->maskMinutes + $this->softMinutes;
    }
}
