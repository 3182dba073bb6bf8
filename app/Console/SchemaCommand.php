<?php

declare(strict_types=1);

namespace App\Console;

use App\Adapters\BenchFile\Catalogue;
use App\Adapters\BenchFile\Schema;
use Illuminate\Console\Command;

/**
 * Writes the published schema of a bench file from the catalogue of its records.
 */
final class SchemaCommand extends Command
{
    protected $signature = 'hyalin:schema';

    protected $description = 'Writes docs/schema from the catalogue of the bench file';

    public function handle(): int
    {
        file_put_contents(self::path(), Schema::json());

        return self::SUCCESS;
    }

    public static function path(): string
    {
        return base_path('docs/schema/bench-'.Catalogue::VERSION.'.schema.json');
    }
}
