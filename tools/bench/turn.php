<?php

declare(strict_types=1);

use GuzzleHttp\Client;
use GuzzleHttp\Cookie\CookieJar;
use Symfony\Component\Process\Process;

/*
 * One caller turn over HTTP, as the handset sends it, on a server of its own with the demonstration. The processor time is the
 * server's, as the kernel counts it; clock ticks are coarse, so many turns are counted together.
 */
return static function (Table $table): void {
    $root = dirname(__DIR__, 2);
    $folder = sys_get_temp_dir().'/bench-turn-'.getmypid();
    mkdir($folder);
    touch("{$folder}/ringo.sqlite");
    $free = stream_socket_server('tcp://127.0.0.1:0') ?: exit(1);
    $port = (int) substr(strrchr((string) stream_socket_get_name($free, false), ':') ?: ':0', 1);
    fclose($free);
    $env = ['APP_ENV' => 'production', 'APP_DEBUG' => 'false', 'APP_KEY' => 'base64:cmluZ28tdGVzdC1rZXktMzItYnl0ZXMtbG9uZy0hISE=', 'APP_URL' => "http://127.0.0.1:{$port}", 'DB_CONNECTION' => 'sqlite', 'DB_DATABASE' => "{$folder}/ringo.sqlite", 'RINGO_DEMO' => 'true', 'LOG_CHANNEL' => 'null'];
    (new Process([PHP_BINARY, '-d', 'opcache.enable_cli=1', 'artisan', 'migrate:fresh', '--seed', '--force', '--quiet'], $root, $env, null, 300))->mustRun();
    // As beside it where it is served: the queue worker holds the database open, so that no request is the last to close it and has to tidy up.
    $worker = new PDO("sqlite:{$folder}/ringo.sqlite");
    $worker->exec('select 1 from calls limit 1');
    $served = $env + ['DB_PERSISTENT' => 'true', 'APP_CONFIG_CACHE' => "{$folder}/config.php", 'APP_ROUTES_CACHE' => "{$folder}/routes.php"];
    foreach (['config:cache', 'route:cache'] as $command) {
        (new Process([PHP_BINARY, 'artisan', $command, '--quiet'], $root, $served, null, 60))->mustRun();
    }
    // Compiled beforehand, as ./ringo up serves.
    $preload = require "{$root}/tools/serving/compiled.php";
    $server = new Process([PHP_BINARY, '-d', 'opcache.enable_cli=1', ...$preload, '-d', 'expose_php=0', '-d', 'memory_limit=512M', '-S', "127.0.0.1:{$port}", '-t', "{$root}/public", "{$root}/tools/serving/router.php"], $root, $served, null, null);
    $server->disableOutput()->start();
    try {
        $http = new Client(['base_uri' => "http://127.0.0.1:{$port}", 'cookies' => $kept = new CookieJar, 'timeout' => 20]);
        for ($tries = 0; @fsockopen('127.0.0.1', $port) === false && $tries < 400; $tries++) {
            usleep(25_000);
        }
        preg_match('/name="_token" value="([^"]+)"/', (string) $http->get('/sign-in')->getBody(), $found);
        $http->post('/sign-in', ['form_params' => ['_token' => $found[1] ?? '', 'email' => 'specialist@ringo.example', 'password' => 'ringo-demo']]);
        $send = static function (string $path, array $body) use ($http, $kept): array {
            $token = urldecode((string) $kept->getCookieByName('XSRF-TOKEN')?->getValue());

            return json_decode((string) $http->post($path, ['json' => $body, 'headers' => ['Accept' => 'application/json', 'X-XSRF-TOKEN' => $token]])->getBody(), true, 64, JSON_THROW_ON_ERROR);
        };
        $used = static function () use ($server): float {
            $told = explode(' ', (string) substr(strrchr((string) file_get_contents("/proc/{$server->getPid()}/stat"), ')') ?: '', 2));

            return ((int) $told[11] + (int) $told[12]) / 100;
        };
        $turns = static function (int $calls) use ($send, $used): array {
            $processor = $clock = 0.0;
            $count = 0;
            for ($n = 0; $n < $calls; $n++) {
                $call = $send('/pellbrook/agents/maren/ring', ['caller' => 'withheld', 'placed_at' => '2026-03-10T09:14']);
                $before = $used();
                $start = hrtime(true);
                foreach (['I need a mini digger from Thursday for '.(2 + $n).' days', 'delivered please', 'Oldmere', (3 + $n).' Mill Lane, Oldmere', 'yes', 'on the account', 'Dara Whitcombe'] as $line) {
                    $call = $send("/pellbrook/handset/{$call['ref']}", ['kind' => 'said', 'text' => $line, 'step' => $call['step']]) + $call;
                    $count++;
                }
                $processor += $used() - $before;
                $clock += (hrtime(true) - $start) / 1e9;
            }

            return [$processor / $count, $clock / $count, $count];
        };
        $turns(4);
        [$processor, $clock, $count] = $turns(20);
        $table->row("one caller turn over HTTP, mean of {$count}", new Spent($processor, $clock), 0.018);
    } finally {
        $server->stop(1);
        $worker = null;
        (new Process(['rm', '-rf', $folder]))->run();
    }
};
