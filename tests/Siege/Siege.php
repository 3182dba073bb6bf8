<?php

declare(strict_types=1);

namespace Tests\Siege;

use App\Models\Brief\Figure;
use App\Models\Painter;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Symfony\Component\HttpFoundation\Response;
use Tests\Feature\TestCase;
use Throwable;

/**
 * What is thrown at every door until one gives way. SIEGE says how often (bin/siege), SIEGE_SEED with which dice.
 */
abstract class Siege extends TestCase
{
    /** MB that a file may take on its way in, and seconds. */
    protected const MEMORY = 256;

    protected const SECONDS = 10.0;

    protected Randomizer $dice;

    /** @var array<string, string> what first caused it, by fault */
    private array $faults = [];

    protected function setUp(): void
    {
        parent::setUp();
        $this->dice = new Randomizer(new Mt19937((int) (getenv('SIEGE_SEED') ?: 1)));
    }

    /** @return int how often, of so many in a hundred */
    protected function times(int $percent): int
    {
        return max(1, intdiv((int) (getenv('SIEGE') ?: 300) * $percent, 100));
    }

    /**
     * @template T
     *
     * @param  non-empty-list<T>  $of
     * @return T
     */
    protected function pick(array $of): mixed
    {
        return $of[$this->dice->getInt(0, count($of) - 1)];
    }

    /**
     * Sends one thing, and takes back what came of it. A fault is told with what caused it.
     *
     * @param  callable(): TestResponse<Response>  $send
     * @param  (callable(): void)|null  $then  when it was taken in
     */
    protected function survives(string $what, callable $send, ?callable $then = null): void
    {
        DB::beginTransaction();
        memory_reset_peak_usage();
        $before = memory_get_usage();
        // Of the processor: a siege lasts, and other work goes on beside it.
        $start = self::seconds();
        $response = $send();
        $took = self::seconds() - $start;
        $mb = (memory_get_peak_usage() - $before) / 1_048_576;
        $this->judge($response, $what);
        $this->note($mb >= self::MEMORY, sprintf('%.0f MB', $mb), $what);
        $this->note($took >= self::SECONDS, sprintf('%.0f s', $took), $what);
        if ($then !== null && $response->getStatusCode() < 300) {
            $then();
        }
        DB::rollBack();
    }

    /** Every page that the painter has, of whatever came in. */
    protected function assertPagesStand(Painter $painter, string $what): void
    {
        $pages = ['/', '/shelf', '/shelf/reach', '/shelf/paints', '/chips', '/schedule', '/cups', '/recipes', '/schedule.ics', '/bench.zip', '/account', '/shelf/file.csv', '/shelf/file.cgats'];
        foreach ($painter->figures()->get() as $figure) {
            $pages = [...$pages, ...self::pagesOf($figure)];
        }
        foreach ($painter->paints()->limit(3)->pluck('id') as $id) {
            $pages[] = '/shelf/paints/'.(is_int($id) ? $id : 0);
        }
        foreach ($pages as $page) {
            $this->judge($this->get($page), "{$page} after {$what}");
        }
    }

    protected function assertPostConditions(): void
    {
        self::assertSame([], $this->faults);
        parent::assertPostConditions();
    }

    /** @param  TestResponse<Response>  $response */
    protected function judge(TestResponse $response, string $what): void
    {
        $e = property_exists($response->baseResponse, 'exception') ? $response->baseResponse->exception : null;
        $this->note($response->getStatusCode() >= 500, $e instanceof Throwable ? "{$e->getFile()}:{$e->getLine()} {$e->getMessage()}" : (string) $response->getStatusCode(), $what);
    }

    private function note(bool $isFault, string $fault, string $what): void
    {
        if ($isFault) {
            $this->faults[substr($fault, 0, 160)] ??= $what;
        }
    }

    private static function seconds(): float
    {
        /** @var array<string, int> $used */
        $used = getrusage() ?: [];

        return $used['ru_utime.tv_sec'] + $used['ru_stime.tv_sec'] + ($used['ru_utime.tv_usec'] + $used['ru_stime.tv_usec']) / 1e6;
    }

    /** @return list<string> */
    private static function pagesOf(Figure $figure): array
    {
        $own = array_map(static fn (string $page): string => "/figures/{$figure->id}/{$page}", ['brief', 'references', 'finishes', 'proposals', 'balance', 'light', 'order', 'compare', 'card', 'card.pdf', 'bench', 'quantities', 'quantities.csv', 'shopping.pdf', 'figure.zip']);
        foreach ($figure->runs()->pluck('id') as $id) {
            $run = is_int($id) ? $id : 0;
            $own = [...$own, "/runs/{$run}", "/runs/{$run}/beside", "/runs/{$run}/pieces"];
        }

        return $own;
    }

    /** @return string with a few of its bytes changed, lost, doubled or swapped, or its end gone */
    protected function mutated(string $bytes): string
    {
        for ($n = $this->dice->getInt(1, 4); $n > 0 && $bytes !== ''; $n--) {
            $at = $this->dice->getInt(0, strlen($bytes) - 1);
            $much = $this->dice->getInt(1, min(64, strlen($bytes)));
            $bytes = match ($this->dice->getInt(0, 6)) {
                0 => substr_replace($bytes, $this->dice->getBytes(1), $at, 1),
                1 => substr_replace($bytes, $this->dice->getBytes($much), $at, $much),
                2 => substr($bytes, 0, $at),
                3 => substr_replace($bytes, '', $at, $much),
                4 => substr_replace($bytes, substr($bytes, $at, $much), $this->dice->getInt(0, strlen($bytes) - 1), 0),
                5 => substr_replace($bytes, str_repeat("\xFF", 4), $at, 4),
                default => substr_replace($bytes, str_repeat("\0", 4), $at, 4),
            };
        }

        return $bytes;
    }
}
