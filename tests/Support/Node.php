<?php

declare(strict_types=1);

namespace Tests\Support;

use RuntimeException;

/**
 * Asks a general library of the npm registry for a second opinion.
 */
final class Node
{
    /**
     * @param  string  $script  an ES module; reads `input`, writes one JSON document to the console
     * @return mixed what it wrote
     */
    public static function ask(string $script, mixed $input): mixed
    {
        $reading = "const input = JSON.parse(await new Promise((done) => { let s = ''; process.stdin.on('data', (d) => (s += d)).on('end', () => done(s)); }));";
        // Imports are hoisted: the reading may stand before them.
        $node = proc_open(['node', '--input-type=module', '-e', $reading."\n".$script], [['pipe', 'r'], ['pipe', 'w'], STDERR], $pipes, dirname(__DIR__, 2));
        if (! is_resource($node)) {
            throw new RuntimeException('node cannot be started');
        }
        fwrite($pipes[0], json_encode($input, JSON_THROW_ON_ERROR));
        fclose($pipes[0]);
        $answer = json_decode((string) stream_get_contents($pipes[1]), true);
        proc_close($node);

        return $answer;
    }
}
