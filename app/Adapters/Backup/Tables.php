<?php

declare(strict_types=1);

namespace App\Adapters\Backup;

use Illuminate\Database\Connection;
use Illuminate\Database\Schema\Builder;

/**
 * The tables that hold what painters made, each after those it refers to.
 */
final class Tables
{
    /** Tables of transient data: work under way, sessions, what the framework remembers. */
    private const PASSING = ['migrations', 'jobs', 'job_batches', 'failed_jobs', 'cache', 'cache_locks', 'sessions', 'password_reset_tokens'];

    /** @return array<string, list<string>> columns that refer to its own table or to a later one, by table */
    public static function of(Connection $database): array
    {
        $schema = $database->getSchemaBuilder();
        $refers = [];
        foreach ($schema->getTableListing(schemaQualified: false) as $table) {
            if (is_string($table) && ! in_array($table, self::PASSING, true) && ! str_starts_with($table, 'sqlite_')) {
                $refers[$table] = self::references($schema, $table);
            }
        }
        $ordered = [];
        while ($refers !== []) {
            $free = array_filter($refers, static fn (array $to): bool => array_intersect_key($refers, array_flip($to)) === []);
            // Only references that may be empty can close a circle: a table with the fewest of them comes first.
            if ($free === []) {
                $open = array_map(static fn (string $table): int => count(array_filter($refers[$table], static fn (string $to): bool => isset($refers[$to]) && $to !== $table)), array_combine(array_keys($refers), array_keys($refers)));
                asort($open);
                $first = (string) array_key_first($open);
                $free = [$first => $refers[$first]];
            }
            foreach ($free as $table => $to) {
                $ordered[$table] = array_keys(array_filter($to, static fn (string $other): bool => isset($refers[$other]) && ($other === $table || ! isset($free[$other]))));
                unset($refers[$table]);
            }
        }

        return $ordered;
    }

    /** @return array<string, string> table by column */
    private static function references(Builder $schema, string $table): array
    {
        $to = [];
        foreach ($schema->getForeignKeys($table) as $key) {
            /** @var array{columns: list<string>, foreign_table: string} $key as Laravel describes it */
            $to[$key['columns'][0]] = $key['foreign_table'];
        }

        return $to;
    }
}
