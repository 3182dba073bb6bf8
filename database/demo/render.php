<?php

declare(strict_types=1);

use Database\Demo\PictureRender;
use Database\Demo\Sculpt\KeeperMaude;
use Database\Demo\Sculpt\MothRegent;
use Database\Demo\Sculpt\ReedSentry;
use Database\Demo\Sculpt\TideBell;

// Draws the pictures of the demo anew: php database/demo/render.php [name] (about two minutes).

require dirname(__DIR__, 2).'/vendor/autoload.php';

ini_set('memory_limit', '2G');
foreach (['keeper-maude' => KeeperMaude::class, 'reed-sentry' => ReedSentry::class, 'moth-regent' => MothRegent::class, 'tide-bell' => TideBell::class] as $name => $sculpt) {
    if (($argv[1] ?? $name) !== $name) {
        continue;
    }
    $sculpt = new $sculpt;
    $render = PictureRender::of($sculpt, 840);
    imagewebp($render->photo(7), __DIR__."/pictures/{$name}.webp", 90);
    imagepng($render->map(), __DIR__."/pictures/{$name}.map.png", 9);
    file_put_contents(__DIR__."/pictures/{$name}.areas.json", json_encode(array_keys($sculpt->ramps()), JSON_THROW_ON_ERROR)."\n");
    file_put_contents(
        __DIR__."/pictures/{$name}.spots.json",
        json_encode($render->spots(), JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES)."\n",
    );
}
