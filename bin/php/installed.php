<?php

declare(strict_types=1);

/*
 * The PHP packages that are installed, by name and version, a line each: bin/php/packages.txt is what it must print.
 */

require dirname(__DIR__, 2).'/vendor/autoload.php';

$installed = [];
foreach (Composer\InstalledVersions::getAllRawData()[0]['versions'] as $name => $package) {
    // What a package replaces or provides has no files of its own.
    if (isset($package['install_path'], $package['pretty_version']) && $name !== 'hyalin/hyalin') {
        $installed[] = "{$name}:{$package['pretty_version']}";
    }
}
sort($installed);
echo implode("\n", $installed), "\n";
