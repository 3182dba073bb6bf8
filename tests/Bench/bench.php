<?php

declare(strict_types=1);

use Tests\Bench\FinishBench;
use Tests\Bench\LightBench;
use Tests\Bench\MatchBench;
use Tests\Bench\MixBench;
use Tests\Bench\OrderBench;
use Tests\Bench\SheetBench;

require dirname(__DIR__, 2).'/bin/php/PhpMode.php';
PhpMode::enter();
require dirname(__DIR__, 2).'/vendor/autoload.php';

printf(
    "PHP %s, JIT %s; invented shelves by tests/Support/InventedShelf, seeds as given; reachable targets: random mixes of four paints\n\n",
    PHP_VERSION,
    (string) ini_get('opcache.jit'),
);
(new MixBench)->run(in_array('--full', $argv, true));
(new FinishBench)->run();
(new MatchBench)->run();
(new OrderBench)->run();
(new LightBench)->run();
(new SheetBench)->run();
