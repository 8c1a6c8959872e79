<?php

declare(strict_types=1);

namespace Tests\Browser;

use Symfony\Component\Process\Process;

/** The served application and the driver of the browsers, started once for a run; every class of tests finds the demonstration as it was built. */
final class Served
{
    private static ?self $running = null;

    public readonly string $folder;

    public readonly string $base;

    /** Where browsers are asked for. */
    public readonly string $driver;

    /** @var array<string, string> what the application is told */
    public readonly array $env;

    /** @var list<callable(): mixed> */
    private array $last = [];

    /** @var list<Process> */
    private array $processes = [];

    private int $copies = 0;

    private function __construct()
    {
        $root = dirname(__DIR__, 2);
        $this->folder = sys_get_temp_dir().'/ringo-browser-'.bin2hex(random_bytes(4));
        mkdir($this->folder.'/downloads', 0o777, true);
        register_shutdown_function($this->end(...));
        $port = self::freePort();
        $this->base = "http://127.0.0.1:{$port}";
        $this->env = ['APP_ENV' => 'local', 'APP_KEY' => 'base64:cmluZ28tdGVzdC1rZXktMzItYnl0ZXMtbG9uZy0hISE=', 'APP_DEBUG' => 'false', 'APP_URL' => $this->base, 'DB_CONNECTION' => 'sqlite', 'DB_DATABASE' => $this->folder.'/ringo.sqlite', 'SESSION_DRIVER' => 'database', 'CACHE_STORE' => 'file', 'CACHE_PATH' => $this->folder.'/cache', 'RINGO_DEMO' => 'true', 'LOG_CHANNEL' => 'single', 'PHP_CLI_SERVER_WORKERS' => '3', 'BCRYPT_ROUNDS' => '4'];
        touch($this->folder.'/built.sqlite');
        (new Process([PHP_BINARY, '-d', 'opcache.enable_cli=1', '-d', 'opcache.jit=tracing', '-d', 'opcache.jit_buffer_size=64M', 'artisan', 'migrate:fresh', '--seed', '--force', '--quiet'], $root, ['DB_DATABASE' => $this->folder.'/built.sqlite'] + $this->env, null, 180.0))->mustRun();
        (new \PDO("sqlite:{$this->folder}/built.sqlite"))->exec('pragma wal_checkpoint(truncate)');
        $this->anew();
        // As `./ringo up` serves: settings and routes worked out once, what every page needs compiled beforehand.
        $served = $this->env + ['APP_CONFIG_CACHE' => $this->folder.'/config.php', 'APP_ROUTES_CACHE' => $this->folder.'/routes.php'];
        foreach (['config:cache', 'route:cache'] as $command) {
            (new Process([PHP_BINARY, 'artisan', $command, '--quiet'], $root, $served, null, 60.0))->mustRun();
        }
        $compiled = require $root.'/tools/serving/compiled.php';
        $driver = self::freePort();
        $this->driver = "http://127.0.0.1:{$driver}";
        // Where the database's name leads is looked at anew, or the copy before would be opened for two minutes more.
        $this->start(new Process([PHP_BINARY, '-d', 'opcache.enable_cli=1', ...$compiled, '-d', 'realpath_cache_size=0', '-d', 'expose_php=0', '-S', "127.0.0.1:{$port}", '-t', $root.'/public', $root.'/tools/serving/router.php'], $root, $served, null, null), $port);
        $this->start(new Process(['chromedriver', '--port='.$driver], null, null, null, null), $driver);
    }

    public static function running(): self
    {
        return self::$running ??= new self;
    }

    /** The demonstration as it was built, nothing remembered and nothing downloaded. */
    public function anew(): void
    {
        // Under a name of its own: what is still on its way to the copy before ends there.
        $copy = sprintf('copy-%d.sqlite', ++$this->copies);
        copy($this->folder.'/built.sqlite', "{$this->folder}/{$copy}");
        symlink($copy, $this->folder.'/next');
        rename($this->folder.'/next', $this->folder.'/ringo.sqlite');
        (new Process(['rm', '-rf', $this->folder.'/cache', ...glob($this->folder.'/downloads/*') ?: []]))->run();
    }

    /** @param callable(): mixed $close called before the driver goes */
    public function atEnd(callable $close): void
    {
        $this->last[] = $close;
    }

    private function start(Process $process, int $port): void
    {
        $process->disableOutput()->start();
        $this->processes[] = $process;
        for ($i = 0; $i < 400; $i++) {
            $socket = @stream_socket_client("tcp://127.0.0.1:{$port}", $code, $message, 0.2);
            if ($socket !== false) {
                fclose($socket);

                return;
            }
            usleep(50_000);
        }

        throw new \RuntimeException("Nothing listens on port {$port}.");
    }

    private function end(): void
    {
        foreach ($this->last as $close) {
            try {
                $close();
            } catch (\Throwable) {
                // It is gone already.
            }
        }
        foreach (array_reverse($this->processes) as $process) {
            // The server's workers and the browsers are children of their own.
            $pid = $process->getPid();
            if ($pid !== null) {
                (new Process(['pkill', '-TERM', '-P', (string) $pid]))->run();
            }
            $process->stop(1);
        }
        (new Process(['pkill', '-f', $this->folder]))->run();
        (new Process(['rm', '-rf', $this->folder]))->run();
    }

    private static function freePort(): int
    {
        $socket = stream_socket_server('tcp://127.0.0.1:0') ?: throw new \RuntimeException('There is no free port.');
        $port = (int) substr((string) strrchr((string) stream_socket_get_name($socket, false), ':'), 1);
        fclose($socket);

        return $port;
    }
}
