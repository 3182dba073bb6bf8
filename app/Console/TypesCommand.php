<?php

declare(strict_types=1);

namespace App\Console;

use Illuminate\Console\Command;

/**
 * A tool of development: its parser is not installed in production.
 */
final class TypesCommand extends Command
{
    protected $signature = 'hyalin:types';

    protected $description = 'Write resources/js/types/generated.d.ts from app/Http/Props';

    public function handle(TypeScriptProps $props): int
    {
        file_put_contents(resource_path('js/types/generated.d.ts'), $props->generate());

        return self::SUCCESS;
    }
}
