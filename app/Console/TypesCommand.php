<?php

declare(strict_types=1);

namespace App\Console;

use Hyalin\Limit;
use Illuminate\Console\Command;

/**
 * A tool of development: its parser is not installed in production.
 */
final class TypesCommand extends Command
{
    protected $signature = 'hyalin:types';

    protected $description = 'Write resources/js/types: generated.d.ts from app/Http/Props, limits.ts from the limits of the core';

    public function handle(TypeScriptProps $props): int
    {
        file_put_contents(resource_path('js/types/generated.d.ts'), $props->generate());

        file_put_contents(resource_path('js/types/limits.ts'), self::limits());

        return self::SUCCESS;
    }

    /** The ranges that requests are judged by, for the forms that send them. */
    private static function limits(): string
    {
        $lines = array_map(static fn (Limit $l): string => sprintf('    %s: { min: %s, max: %s },', lcfirst($l->name), json_encode($l->least()), json_encode($l->most())), Limit::cases());

        return "// Written by php artisan hyalin:types from core/Limit.php.\nexport const LIMITS = {\n".implode("\n", $lines)."\n} as const;\n";
    }
}
