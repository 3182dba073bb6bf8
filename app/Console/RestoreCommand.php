<?php

declare(strict_types=1);

namespace App\Console;

use App\Adapters\Backup\BackupReader;
use App\Adapters\Backup\BackupWriter;
use App\Adapters\Backup\Restoration;
use App\Adapters\Backup\UnusableBackup;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Facades\Schema;
use Throwable;

/**
 * This installation as a backup has it. What is there now is said first, and kept as a backup of its own.
 */
final class RestoreCommand extends Command
{
    /** Counts shown to the painter who decides. */
    private const COUNTED = ['painters', 'figures', 'paints', 'runs', 'pictures'];

    protected $signature = 'hyalin:restore {file : written by hyalin:backup} {--force : without asking}';

    protected $description = 'Puts back what a backup holds';

    public function handle(): int
    {
        $file = $this->argument('file');
        try {
            $backup = BackupReader::open(is_string($file) ? $file : '');
            $this->line("Backup of {$backup->written()}: ".self::words($backup->rows()).'.');
            $now = self::now();
            if (array_sum($now) > 0) {
                $this->line('Here now, and replaced by it: '.self::words($now).'.');
                if ($this->option('force') !== true && ! $this->confirm('Replace them? They are kept as a backup first.')) {
                    $this->line('Nothing was changed.');

                    return self::FAILURE;
                }
                $folder = config()->string('hyalin.backups.folder');
                File::ensureDirectoryExists($folder);
                $kept = "{$folder}/before-restore-".now()->format('Y-m-d-His').'.zip';
                BackupWriter::write($kept);
                $this->line("Kept in {$kept}.");
            }
            Restoration::of($backup);
        } catch (UnusableBackup $e) {
            $this->error($e->getMessage());

            return self::FAILURE;
        } catch (Throwable $e) {
            report($e);
            $this->error('Nothing was restored: '.mb_strimwidth($e->getMessage(), 0, 300, '...'));

            return self::FAILURE;
        }
        $this->line('Restored. The light on figures is calculated again when it is asked for.');

        return self::SUCCESS;
    }

    /** @return array<string, int> */
    private static function now(): array
    {
        $counts = [];
        foreach (self::COUNTED as $table) {
            $counts[$table] = Schema::hasTable($table) ? DB::table($table)->count() : 0;
        }

        return $counts;
    }

    /** @param  array<string, int>  $counts */
    private static function words(array $counts): string
    {
        $words = ['painters' => 'painters', 'figures' => 'figures', 'paints' => 'pots', 'runs' => 'runs', 'pictures' => 'pictures'];

        return implode(', ', array_map(static fn (string $table): string => ($counts[$table] ?? 0)." {$words[$table]}", self::COUNTED));
    }
}
