<?php

declare(strict_types=1);

namespace App\Http;

use Illuminate\Support\Str;
use Symfony\Component\HttpFoundation\HeaderUtils;

/**
 * The name under which something is downloaded, in whatever script it is written (RFC 6266).
 */
final class Named
{
    /** @param  string  $ending  with what follows the name, like -quantities.csv */
    public static function file(string $name, string $ending, bool $isAttached = true): string
    {
        $plain = (Str::slug($name) ?: 'figure').$ending;
        // Of no use in the name of a file, and refused in a header.
        $full = trim((string) preg_replace('~[/\\\\%\p{C}]+~u', ' ', $name)).$ending;

        return HeaderUtils::makeDisposition($isAttached ? 'attachment' : 'inline', $full, $plain);
    }
}
