<?php

declare(strict_types=1);

/*
 * One painter whose files and lighting keep the workers busy while others are killed: php tests/Siege/jobs.php URL NAME SECONDS.
 * Sends a print file in pieces, asks for its lighting, and puts a list on the shelf, again and again; what was not answered is sent
 * again. Prints what was acknowledged and how each of it ended, as JSON; what has not ended after the patience is stuck.
 */

require dirname(__DIR__, 2).'/vendor/autoload.php';

use GuzzleHttp\Client;
use GuzzleHttp\Exception\GuzzleException;
use Hyalin\Formats\Meshes\StlWriter;
use Tests\Support\Shapes;

const PIECE = 20_000;
const PATIENCE = 400.0;

[$base, $name, $seconds] = [(string) ($argv[1] ?? ''), (string) ($argv[2] ?? 'jobs'), (int) ($argv[3] ?? 60)];
$client = new Client(['base_uri' => $base, 'cookies' => true, 'http_errors' => false, 'allow_redirects' => false, 'timeout' => 60]);
/** @param  array<string, mixed>  $with */
$ask = static function (string $method, string $path, array $with = []) use ($client, $base): array {
    $until = microtime(true) + PATIENCE;
    do {
        $token = '';
        $jar = $client->getConfig('cookies');
        foreach ($jar instanceof GuzzleHttp\Cookie\CookieJar ? $jar->toArray() : [] as $cookie) {
            $token = is_array($cookie) && ($cookie['Name'] ?? '') === 'XSRF-TOKEN' && is_string($cookie['Value']) ? urldecode($cookie['Value']) : $token;
        }
        try {
            $answer = $client->request($method, $base.$path, [...$with, 'headers' => ['Accept' => 'application/json', 'X-XSRF-TOKEN' => $token, ...isset($with['body']) ? ['Content-Type' => 'application/octet-stream'] : []]]);
            if ($answer->getStatusCode() < 500) {
                $body = json_decode((string) $answer->getBody(), true);

                return [$answer->getStatusCode(), is_array($body) ? $body : [], $answer->getHeaderLine('Location')];
            }
        } catch (GuzzleException) {
            // Its web worker was killed: sent again, as a browser does.
        }
        usleep(300_000);
    } while (microtime(true) < $until);

    return [0, [], ''];
};
$ended = static function (string $path, array $states, ?string $within = null) use ($ask): string {
    $until = microtime(true) + PATIENCE;
    do {
        [, $answer] = $ask('GET', $path);
        $answer = $within === null ? $answer : (is_array($answer[$within] ?? null) ? $answer[$within] : []);
        $state = is_string($answer['state'] ?? null) ? $answer['state'] : '';
        if (in_array($state, $states, true)) {
            return ($state === 'failed' || $state === 'stopped') && ! is_string($answer['problem'] ?? null) ? 'untold' : $state;
        }
        usleep(400_000);
    } while (microtime(true) < $until);

    return 'stuck';
};
/** @param  array<mixed>  $answer */
$idOf = static fn (array $answer): int => is_array($answer[1]) && is_int($answer[1]['id'] ?? null) ? $answer[1]['id'] : 0;
$ask('GET', '/sign-up');
$ask('POST', '/sign-up', ['json' => ['name' => $name, 'email' => "{$name}@hyalin.example", 'password' => 'a long enough password']]);
$counts = [];
$end = microtime(true) + $seconds;
for ($round = 1; microtime(true) < $end; $round++) {
    preg_match('~/figures/(\d+)~', $ask('POST', '/figures', ['json' => ['name' => "{$name} {$round}", 'isGuided' => false]])[2], $found);
    $figure = '/figures/'.($found[1] ?? '0');
    $bytes = StlWriter::write(Shapes::ball(10.0 + $round / 8, 40));
    $id = $idOf($ask('POST', "{$figure}/mesh-uploads", ['json' => ['name' => 'ball.stl', 'bytes' => strlen($bytes), 'fingerprint' => "{$name} {$round}"]]));
    for ($at = 0; $at < strlen($bytes); $at += PIECE) {
        $ask('POST', "{$figure}/mesh-uploads/{$id}/pieces?at={$at}", ['body' => substr($bytes, $at, PIECE)]);
    }
    $was = ['print file' => $ended("{$figure}/mesh-uploads/{$id}", ['done', 'failed', 'known'])];
    if ($was['print file'] === 'done') {
        $was['lighting'] = $ask('POST', "{$figure}/light")[0] === 202 ? $ended("{$figure}/light/shown", ['done', 'failed', 'stopped'], 'lighting') : 'refused';
    }
    $import = $idOf($ask('POST', '/shelf/imports', ['multipart' => [['name' => 'file', 'filename' => 'own.csv', 'contents' => "maker,name,colour\nOwn Brew,Brick {$round},#8a3b2a\nOwn Brew,Sand {$round},#c9b27f\n"]]]));
    $was['list'] = $ended("/shelf/imports/{$import}", ['done', 'failed'], 'task');
    foreach ($was as $what => $how) {
        $counts["{$what} {$how}"] = ($counts["{$what} {$how}"] ?? 0) + 1;
    }
}
echo json_encode($counts, JSON_THROW_ON_ERROR), "\n";
