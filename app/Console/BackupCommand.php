<?php

declare(strict_types=1);

namespace App\Console;

use App\Adapters\Backup\BackupWriter;
use App\Adapters\Backup\UnusableBackup;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\File;

/**
 * Everything of this installation in one file, while it works.
 */
final class BackupCommand extends Command
{
    protected $signature = 'hyalin:backup
        {file? : to be written; left out, one of this moment in the folder of backups, and the oldest there go}
        {--keep= : how many of that folder stay}';

    protected $description = 'Writes database, pictures and print files into one file, and checks it';

    public function handle(): int
    {
        $given = $this->argument('file');
        $folder = config()->string('hyalin.backups.folder');
        $path = is_string($given) && $given !== '' ? $given : "{$folder}/hyalin-".now()->format('Y-m-d-His').'.zip';
        if ($given === null) {
            File::ensureDirectoryExists($folder);
        }
        try {
            $written = BackupWriter::write($path);
        } catch (UnusableBackup $e) {
            $this->error($e->getMessage());

            return self::FAILURE;
        }
        $this->line(sprintf('%s: %d painters, %d figures, %d pots, %d files, %.1f MB; every byte read again and checked.', $path, $written['tables']['painters'] ?? 0, $written['tables']['figures'] ?? 0, $written['tables']['paints'] ?? 0, $written['files'], $written['bytes'] / 1_048_576));
        if ($given === null) {
            $keep = $this->option('keep');
            $all = File::glob("{$folder}/hyalin-*.zip");
            sort($all);
            File::delete(array_slice($all, 0, -max(1, is_numeric($keep) ? (int) $keep : config()->integer('hyalin.backups.keep'))));
        }

        return self::SUCCESS;
    }
}
