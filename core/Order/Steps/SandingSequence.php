<?php

declare(strict_types=1);

namespace Hyalin\Order\Steps;

use Hyalin\Plan\PrintProcess;

/**
 * How a print is made smooth: grits from coarse to fine, filler and filler primer between, with an inspection after each
 * primer. The sequence is common practice; the grain sizes are those of the FEPA P grades, ISO 6344.
 */
final readonly class SandingSequence
{
    /** Mean grain in micrometres: FEPA 43-1, ISO 6344-2 and -3. */
    public const MICROMETRES = [60 => 269.0, 80 => 201.0, 120 => 125.0, 180 => 82.0, 220 => 68.0, 320 => 46.2, 400 => 35.0, 800 => 21.8];

    /** The first grit that goes on filler primer, and the last before a mirror. */
    private const FINISH = 180;

    private const SMOOTH = 400;

    /**
     * @param  list<int>  $shaping  P grits before the first primer
     * @param  list<int>  $finishing  P grits on the filler primer; the last one wet
     * @param  int  $primers  coats of filler primer one should expect
     */
    private function __construct(public array $shaping, public array $finishing, public int $primers)
    {
    }

    public static function of(PrintProcess $process, bool $mirror): self
    {
        $finishing = $mirror ? [180, 400, 800] : [220, 320, 400];

        return $process === PrintProcess::Resin
            ? new self([], $mirror ? [400, 800] : [], 1)
            : new self([60, 80, 120], $finishing, 4);
    }

    /**
     * The same ladder begun and ended elsewhere.
     *
     * @param  int|null  $from  P grit, null for the usual
     * @param  int|null  $to  P grit
     * @param  int|null  $rounds  of filler primer, 0 or more
     */
    public function between(?int $from, ?int $to, ?int $rounds): self
    {
        if ($from === null && $to === null && $rounds === null) {
            return $this;
        }
        // What the print does not usually need is sanded all the same when the painter says so.
        $grits = array_keys(self::MICROMETRES);
        $all = $this->makesDust() ? [...$this->shaping, ...$this->finishing] : [];
        $least = $from ?? ($all === [] ? self::FINISH : min($all));
        $most = $to ?? ($all === [] ? self::SMOOTH : max($all));
        $inside = array_values(array_filter($grits, static fn (int $g): bool => $g >= $least && $g <= $most));

        return new self(
            array_values(array_filter($inside, static fn (int $g): bool => $g < self::FINISH)),
            array_values(array_filter($inside, static fn (int $g): bool => $g >= self::FINISH)),
            $rounds ?? $this->primers,
        );
    }

    /** @return bool whether anything is sanded at all */
    public function makesDust(): bool
    {
        return $this->shaping !== [] || $this->finishing !== [];
    }

    /** @return list<string> what to do, in order */
    public function words(): array
    {
        $words = [];
        if ($this->shaping === []) {
            $words[] = 'wash off and cure, cut the supports, fill gaps';
        } else {
            $words[] = 'sand '.self::grits($this->shaping).', fill gaps with spot filler';
        }
        if ($this->finishing !== []) {
            $words[] = 'filler primer and wet '.self::grits($this->finishing);
            $words[] = "check against the light for lines and repeat, usually up to {$this->primers} times";
        }
        $words[] = 'dust off with a tack cloth';

        return $words;
    }

    /** @param  list<int>  $grits */
    private static function grits(array $grits): string
    {
        return implode(', ', array_map(static fn (int $grit): string => "P{$grit}", $grits));
    }
}
