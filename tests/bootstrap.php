<?php

declare(strict_types=1);

// Tests run in the mode of PHP that is served, also where PHPUnit is called by hand.
require dirname(__DIR__).'/bin/php/PhpMode.php';
PhpMode::enter();
require dirname(__DIR__).'/vendor/autoload.php';
