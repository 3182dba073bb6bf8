<?php

declare(strict_types=1);

namespace Tests\Core\Numeric;

use Hyalin\Numeric\Homography;
use Hyalin\Numeric\SingularMatrix;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Symfony\Component\Process\Process;

final class HomographyTest extends TestCase
{
    /** Direct linear transformation by the singular value decomposition of NumPy: the same map, found another way. */
    private const NUMPY = <<<'PY'
        import json, sys, numpy
        answers = []
        for case in json.load(sys.stdin):
            rows = []
            for (x, y), (u, v) in zip(case['from'], case['to']):
                rows += [[x, y, 1, 0, 0, 0, -u * x, -u * y, -u], [0, 0, 0, x, y, 1, -v * x, -v * y, -v]]
            h = numpy.linalg.svd(numpy.array(rows))[2][-1].reshape(3, 3)
            p = h @ numpy.array([*case['at'], 1.0])
            answers.append([p[0] / p[2], p[1] / p[2]])
        print(json.dumps(answers))
        PY;

    public function test_it_is_that_of_a_general_library(): void
    {
        $chance = new Randomizer(new Mt19937(7));
        $cases = [];
        for ($n = 0; $n < 40; $n++) {
            $from = $to = [];
            // Corners of a sheet where a camera may see them; in half of the cases more of them than needed, and exact.
            $exact = Homography::through([[0.0, 0.0], [186.0, 0.0], [186.0, 258.0], [0.0, 258.0]], array_map(
                static fn (array $p): array => [$p[0] + $chance->getInt(-300, 300), $p[1] + $chance->getInt(-300, 300)],
                [[500.0, 400.0], [2500.0, 400.0], [2500.0, 3200.0], [500.0, 3200.0]],
            ));
            for ($i = 0; $i < ($n % 2 === 0 ? 4 : 28); $i++) {
                $from[] = $p = $i < 4 ? [[1.0, 2.0], [180.0, 5.0], [170.0, 250.0], [8.0, 240.0]][$i] : [$chance->getInt(0, 1860) / 10, $chance->getInt(0, 2580) / 10];
                $to[] = $exact->at(...$p);
            }
            $cases[] = ['from' => $from, 'to' => $to, 'at' => [$chance->getInt(0, 186), $chance->getInt(0, 258)]];
        }
        $process = new Process(['/usr/bin/python3', '-c', self::NUMPY], input: json_encode($cases, JSON_THROW_ON_ERROR));
        $process->mustRun();
        /** @var list<array{float, float}> $answers */
        $answers = json_decode($process->getOutput(), true);
        foreach ($cases as $n => ['from' => $from, 'to' => $to, 'at' => [$x, $y]]) {
            $map = Homography::through($from, $to);
            [$u, $v] = $map->at($x, $y);
            self::assertEqualsWithDelta($answers[$n][0], $u, 1e-4);
            self::assertEqualsWithDelta($answers[$n][1], $v, 1e-4);
            [$back] = $map->inverse()->at($u, $v);
            self::assertEqualsWithDelta($x, $back, 1e-6);
        }
    }

    public function test_points_on_a_line_make_none(): void
    {
        $this->expectException(SingularMatrix::class);
        Homography::through([[0.0, 0.0], [1.0, 0.0], [2.0, 0.0], [3.0, 0.0]], [[0.0, 0.0], [1.0, 0.0], [2.0, 0.0], [3.0, 0.0]]);
    }
}
