<?php

declare(strict_types=1);

use Database\Demo\KeeperMaude;
use Database\Demo\PictureRender;
use Database\Demo\TideBell;

// Draws the pictures of the demo anew: php database/demo/render.php (about a minute).

require dirname(__DIR__, 2).'/vendor/autoload.php';

foreach (['keeper-maude' => new KeeperMaude, 'tide-bell' => new TideBell] as $name => $scene) {
    $render = new PictureRender($scene, 480, 630);
    imagewebp($render->draw(7), __DIR__."/pictures/{$name}.webp", 92);
    imagepng($render->map(), __DIR__."/pictures/{$name}.map.png", 9);
    file_put_contents(__DIR__."/pictures/{$name}.areas.json", json_encode(array_keys($scene->ramps()), JSON_THROW_ON_ERROR)."\n");
    file_put_contents(
        __DIR__."/pictures/{$name}.spots.json",
        json_encode($render->spots(), JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES)."\n",
    );
}
