<?php

declare(strict_types=1);

// Tests run in the mode of PHP that is served, also where PHPUnit is called by hand.
require dirname(__DIR__).'/bin/php/PhpMode.php';
// Coverage, which switches the compiler off, only says which test runs which line (bin/mutants).
if (! extension_loaded('pcov')) {
    PhpMode::enter();
}
require dirname(__DIR__).'/vendor/autoload.php';
