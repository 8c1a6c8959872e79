<?php

declare(strict_types=1);

namespace Tests\Feature;

use PHPUnit\Framework\Attributes\CoversNothing;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

/** Two callers for one place, in processes of their own on one database file: one booking, one honest apology, every time. */
#[CoversNothing]
final class BookingRaceTest extends TestCase
{
    /** As many as fit the time of the tests; RINGO_RACES asks for more. They reach beyond the days ahead that callers are offered. */
    private const RACES = 300;

    private const RACER = <<<'PHP'
        require 'vendor/autoload.php';
        $app = require 'bootstrap/app.php';
        $app->make(Illuminate\Contracts\Console\Kernel::class)->bootstrap();
        $business = App\Models\Business::query()->firstOrFail();
        $book = $app->make(App\Actions\Diary\AppointmentBook::class, ['business' => $business, 'ofCall' => null]);
        $won = 0;
        for ($n = 0; $n < RACES; $n++) {
            $start = new Ringo\Diary\Start(FIRST + 3600 * $n, 'room');
            $won += $book->book('call', 'hour', [$start], ['name' => 'Racer', 'number' => null, 'area' => null, 'note' => '']) === null ? 0 : 1;
        }
        echo $won;
        PHP;

    public function testEveryPlaceIsGivenOnce(): void
    {
        $races = (int) (getenv('RINGO_RACES') ?: self::RACES);
        $root = dirname(__DIR__, 2);
        $file = (string) tempnam(sys_get_temp_dir(), 'ringo-race');
        $env = ['APP_ENV' => 'testing', 'DB_CONNECTION' => 'sqlite', 'DB_DATABASE' => $file, 'LOG_CHANNEL' => 'null', 'CACHE_STORE' => 'array', 'SESSION_DRIVER' => 'array'];
        (new Process([PHP_BINARY, 'artisan', 'migrate:fresh', '--force', '--quiet'], $root, $env, null, 120.0))->mustRun();
        $database = new \PDO('sqlite:'.$file);
        $whole = json_encode(['hours' => array_fill_keys(['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'], ['00:00-24:00'])], JSON_THROW_ON_ERROR);
        $database->exec("insert into businesses (id, key, name, country, tz, caution, diary) values (1, 'race', 'Race', 'GB', 'UTC', 'even', '{$whole}')");
        $database->exec("insert into bookable_services (business_id, key, document) values (1, 'hour', '{\"label\":\"an hour\",\"minutes\":60,\"step\":60,\"ahead_days\":5}')");
        $database->exec("insert into diaries (business_id, key, name, document, feed) values (1, 'room', 'Room', '{\"services\":[\"hour\"]}', 'x')");
        $first = strtotime('tomorrow 00:00 UTC');
        $racers = array_map(static function () use ($root, $env, $first, $races): Process {
            $process = new Process([PHP_BINARY, '-r', str_replace(['RACES', 'FIRST'], [(string) $races, (string) $first], self::RACER)], $root, $env, null, 3600.0);
            $process->start();

            return $process;
        }, [1, 2]);
        $won = 0;
        foreach ($racers as $racer) {
            $racer->wait();
            self::assertTrue($racer->isSuccessful(), $racer->getErrorOutput());
            $won += (int) $racer->getOutput();
        }
        $counted = $database->query('select count(*), count(distinct starts_at) from bookings');
        self::assertNotFalse($counted);
        self::assertSame([$races, $races, $races], [$won, ...array_map(intval(...), (array) $counted->fetch(\PDO::FETCH_NUM))]);
        foreach (['', '-wal', '-shm'] as $suffix) {
            @unlink($file.$suffix);
        }
    }
}
