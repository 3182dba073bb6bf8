<?php

declare(strict_types=1);

/*
 * Many painters at once, on bin/serve with a database of its own, while workers are killed: php tests/Siege/load.php [painters]
 * [seconds] [kills] [devices] [busy]. Every painter pours drops into a cup from two devices, or as many, each with a key, and sends
 * again what was not acknowledged; as many more as are to be busy send print files, ask for lighting and put lists on the shelf
 * (jobs.php). At the end the cups and pots must hold what was acknowledged, neither more nor less, and no job may be stuck.
 */

require dirname(__DIR__, 2).'/vendor/autoload.php';

use Symfony\Component\Process\Process;

[$painters, $seconds, $kills, $each, $busy] = [(int) ($argv[1] ?? 50), (int) ($argv[2] ?? 60), (int) ($argv[3] ?? 0), max(1, (int) ($argv[4] ?? 2)), (int) ($argv[5] ?? 0)];
$root = dirname(__DIR__, 2);
$folder = sys_get_temp_dir().'/hyalin-load-'.uniqid();
mkdir($folder);
touch("{$folder}/database.sqlite");
$port = random_int(20_000, 40_000);
$env = [
    'PORT' => (string) $port, 'WEB_WORKERS' => (string) max(4, intdiv($painters, 6)), 'DB_CONNECTION' => 'sqlite', 'DB_DATABASE' => "{$folder}/database.sqlite", 'HYALIN_FILES' => "{$folder}/files", 'HYALIN_RUN' => "{$folder}/run",
    'HYALIN_LOGS' => "{$folder}/logs", 'HYALIN_BACKUPS' => "{$folder}/backups", 'HYALIN_SIGN_INS_A_MINUTE' => '100000', 'HYALIN_SIGN_UP' => 'open', 'HYALIN_DEMO' => 'false', 'SESSION_DRIVER' => 'file', 'CACHE_STORE' => 'file', 'QUEUE_CONNECTION' => 'database', 'HYALIN_RETRY_AFTER' => '60', 'APP_ENV' => 'production',
];
$server = new Process(['bin/serve'], $root, $env, null, null);
$server->start();
for ($n = 0; $n < 600 && ! str_contains($server->getOutput(), 'Hyalin serves on'); $n++) {
    usleep(100_000);
}
$base = "http://127.0.0.1:{$port}";

/** @var array<int, int> $done HTTP answers by status; 0 for none */
$done = [];
/** @var list<float> $took seconds of edits */
$took = [];
$acked = $sent = array_fill(0, $painters, 0);
$devices = [];
$multi = curl_multi_init();
$key = static fn (): string => implode('', array_map(static fn (): string => '0123456789ABCDEFGHJKMNPQRSTVWXYZ'[random_int(0, 31)], range(1, 26)));

$ask = static function (CurlHandle $curl, string $method, string $path, ?array $body) use ($base): void {
    $jar = curl_getinfo($curl, CURLINFO_COOKIELIST);
    $token = '';
    foreach (is_array($jar) ? $jar : [] as $line) {
        $parts = explode("\t", $line);
        $token = ($parts[5] ?? '') === 'XSRF-TOKEN' ? urldecode($parts[6]) : $token;
    }
    curl_setopt_array($curl, [
        CURLOPT_URL => $base.$path, CURLOPT_CUSTOMREQUEST => $method ?: 'GET', CURLOPT_RETURNTRANSFER => true, CURLOPT_TIMEOUT => 60, CURLOPT_POSTFIELDS => $body === null ? '' : json_encode($body, JSON_THROW_ON_ERROR),
        CURLOPT_HTTPHEADER => ['Accept: application/json', 'Content-Type: application/json', "X-XSRF-TOKEN: {$token}"],
    ]);
};
$one = static function (CurlHandle $curl, string $method, string $path, ?array $body = null) use ($ask): array {
    $ask($curl, $method, $path, $body);
    $answer = json_decode((string) curl_exec($curl), true);

    return [curl_getinfo($curl, CURLINFO_RESPONSE_CODE), is_array($answer) ? $answer : []];
};
for ($p = 0; $p < $painters; $p++) {
    $own = [0, 0];
    foreach (range(0, $each - 1) as $d) {
        $curl = curl_init();
        curl_setopt($curl, CURLOPT_COOKIEFILE, '');
        $one($curl, 'GET', '/sign-up');
        $d === 0
            ? $one($curl, 'POST', '/sign-up', ['name' => "Painter {$p}", 'email' => "p{$p}@hyalin.example", 'password' => 'a long enough password'])
            : $one($curl, 'POST', '/sign-in', ['email' => "p{$p}@hyalin.example", 'password' => 'a long enough password']);
        if ($d === 0) {
            [$status, $pot] = $one($curl, 'POST', '/shelf/paints', ['maker' => 'Osmerby Colour Works', 'name' => 'Fen', 'kind' => 'acrylic', 'sheen' => 'matt', 'thickHex' => '#43351b', 'opacity' => '2', 'strength' => 'usual', 'levelPercent' => 100]);
            [, $cup] = $one($curl, 'POST', '/cups', ['name' => 'Load', 'mix' => []]);
            if (! isset($pot['id'], $cup['id'])) {
                fwrite(STDERR, "painter {$p} has no pot: {$status} ".json_encode($pot).json_encode($cup)."\n");
                exit(1);
            }
            $own = [is_int($pot['id']) ? $pot['id'] : 0, is_int($cup['id']) ? $cup['id'] : 0];
        }
        $devices[] = ['curl' => $curl, 'painter' => $p, 'pot' => $own[0], 'cup' => $own[1], 'key' => $key(), 'at' => 0.0, 'next' => 0.0];
    }
}
printf("%d painters are in, devices of each: %d.\n", $painters, $each);
$jobs = [];
for ($n = 0; $n < $busy; $n++) {
    $jobs[] = new Process([PHP_BINARY, __DIR__.'/jobs.php', $base, "busy{$n}", (string) $seconds], $root, null, null, null);
    $jobs[$n]->start();
}
$end = microtime(true) + $seconds;
$nextKill = microtime(true) + 1;
$killed = 0;
$open = [];
while (true) {
    $now = microtime(true);
    foreach ($devices as $n => $device) {
        if (! isset($open[$n]) && $now >= $device['next'] && ($now < $end || $device['at'] > 0.0)) {
            $ask($device['curl'], 'POST', "/cups/{$device['cup']}/entries", ['key' => $device['key'], 'act' => 'add', 'paintId' => $device['pot'], 'drops' => 1]);
            curl_multi_add_handle($multi, $device['curl']);
            $devices[$n]['at'] = $device['at'] ?: $now;
            $open[$n] = $now;
        }
    }
    if ($open === [] && $now >= $end) {
        break;
    }
    if ($killed < $kills && $now >= $nextKill && $now < $end) {
        // The children of its FPM, which write over their environment, and its queue workers, which tell it.
        $found = static fn (string $by): array => array_filter(explode("\n", (string) shell_exec("pgrep {$by}")));
        $all = [...$found('-P '.(int) file_get_contents("{$folder}/run/fpm.pid")), ...array_filter($found('-f "artisan queue:work"'), static fn (string $pid): bool => str_contains((string) @file_get_contents("/proc/{$pid}/environ"), $folder))];
        if ($all !== []) {
            posix_kill((int) $all[array_rand($all)], SIGKILL);
            $killed++;
        }
        $nextKill = $now + $seconds * 0.9 / max(1, $kills);
    }
    curl_multi_exec($multi, $running);
    curl_multi_select($multi, 0.02);
    while (($info = curl_multi_info_read($multi)) !== false) {
        foreach ($devices as $n => $device) {
            if ($device['curl'] === $info['handle'] && isset($open[$n])) {
                $status = $info['result'] === CURLE_OK ? curl_getinfo($device['curl'], CURLINFO_RESPONSE_CODE) : 0;
                curl_multi_remove_handle($multi, $device['curl']);
                $done[$status] = ($done[$status] ?? 0) + 1;
                if ($status === 200) {
                    $took[] = microtime(true) - $open[$n];
                    $acked[$device['painter']]++;
                    $devices[$n] = [...$device, 'key' => $key(), 'at' => 0.0, 'next' => microtime(true) + random_int(500, 1500) / 1000];
                } else {
                    // Sent again with the same key, as a browser does.
                    $devices[$n]['next'] = microtime(true) + 0.3;
                }
                unset($open[$n]);
            }
        }
    }
}
$how = [];
foreach ($jobs as $job) {
    $job->wait();
    foreach ((array) json_decode(trim($job->getOutput()), true) as $what => $count) {
        $how[$what] = ($how[$what] ?? 0) + (is_int($count) ? $count : 0);
    }
    fwrite(STDERR, $job->getErrorOutput());
}
ksort($how);
$server->stop(20, SIGTERM);
$database = new PDO("sqlite:{$folder}/database.sqlite");
$lost = $twice = $drift = 0;
$rows = $database->query('select painters.id, (select count(*) from cup_entries join cups on cups.id = cup_id where cups.painter_id = painters.id), (select (100 - level_percent) * 0.17 + used_ml from paints where painter_id = painters.id) from painters where name like \'Painter %\' order by id');
foreach ($rows === false ? [] : $rows->fetchAll(PDO::FETCH_NUM) as $row) {
    [$id, $entries, $ml] = array_map(static fn (mixed $v): float => is_numeric($v) ? (float) $v : NAN, is_array($row) ? array_values($row) : []);
    $p = (int) $id - 1;
    $entries = (int) $entries;
    $lost += max(0, $acked[$p] - $entries);
    $twice += max(0, $entries - $acked[$p]);
    $drift += abs($ml - $acked[$p] * 0.05) > 1e-6 ? 1 : 0;
}
sort($took);
$at = static fn (float $q): float => 1000 * ($took[(int) ($q * (count($took) - 1))] ?? NAN);
ksort($done);
printf("%d edits in %d s on %d cores, %d kills. median %.0f ms, 95 %% %.0f ms, most %.0f ms.\n", count($took), $seconds, (int) shell_exec('nproc'), $killed, $at(0.5), $at(0.95), $at(1.0));
printf("answers: %s; acknowledged and lost %d, done twice %d, pots that do not add up %d.\n", json_encode($done), $lost, $twice, $drift);
if ($how !== []) {
    printf("files, lighting and lists of %d painters, none may be stuck or untold: %s.\n", $busy, json_encode($how));
}
$stuck = array_sum(array_filter($how, static fn (string $what): bool => preg_match('/ (stuck|untold|refused)$/', $what) === 1, ARRAY_FILTER_USE_KEY));
shell_exec('rm -rf '.escapeshellarg($folder));
exit($lost + $twice + $drift + $stuck > 0 ? 1 : 0);
