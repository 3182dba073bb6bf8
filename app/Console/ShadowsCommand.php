<?php

declare(strict_types=1);

namespace App\Console;

use App\Adapters\Light\MeshStore;
use Hyalin\Light\Visibility;
use Illuminate\Console\Command;

/**
 * Some of the directions of a lighting, for the process that shares it out.
 */
final class ShadowsCommand extends Command
{
    protected $signature = 'hyalin:shadows {path : of the shared mesh} {from : first direction} {before : direction before which it ends} {--closed : the mesh is closed}';

    protected $description = 'Finds the shadows of some directions for a lighting that is shared out';

    protected $hidden = true;

    public function handle(): int
    {
        $path = (string) $this->argument('path');
        $from = (int) $this->argument('from');
        /** @var list<array{float, float, float}> $directions written by us */
        $directions = json_decode(MeshStore::get("{$path}.directions"), true, 8, JSON_THROW_ON_ERROR);
        $seen = Visibility::of(MeshStore::mesh("{$path}.work"), $directions, isClosed: (bool) $this->option('closed'), from: $from, before: (int) $this->argument('before'));
        foreach ($seen->bits as $word => $bits) {
            MeshStore::putLongs("{$path}.bits{$from} {$word}", $bits);
        }

        return self::SUCCESS;
    }
}
