<?php

declare(strict_types=1);

namespace App\Http;

/**
 * The names that this installation answers to: that of APP_URL, those of HYALIN_HOSTS, and the machine itself.
 */
final class KnownHosts
{
    /** @return list<string> regular expressions */
    public static function patterns(): array
    {
        $own = parse_url(config()->string('app.url'), PHP_URL_HOST);
        $names = array_filter([is_string($own) ? $own : '', 'localhost', '127.0.0.1', '[::1]', ...array_map(trim(...), explode(',', config()->string('hyalin.hosts')))], static fn (string $name): bool => $name !== '');

        return array_values(array_map(static fn (string $name): string => '^'.preg_quote($name).'$', array_unique($names)));
    }
}
