<?php

declare(strict_types=1);

namespace Tests\Feature;

use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

/** Several writers at once, on a database file, as the served application has them. */
final class RacingTest extends TestCase
{
    /** One agent and one user: the whole demonstration takes longer than the race. */
    private const BUSINESS = <<<'PHP'
        require 'vendor/autoload.php';
        $app = require 'bootstrap/app.php';
        $app->make(Illuminate\Contracts\Console\Kernel::class)->bootstrap();
        $business = App\Models\Business::query()->create(['key' => 'pellbrook', 'name' => 'Pellbrook Hire', 'country' => 'GB', 'tz' => 'Europe/London']);
        $agent = App\Models\Agent::query()->create(['business_id' => $business->id, 'key' => 'maren', 'name' => 'Maren', 'direction' => 'inbound']);
        $text = App\Models\ScriptText::of($agent, file_get_contents(database_path('demo/pellbrook/maren.json')));
        App\Models\Draft::query()->create(['agent_id' => $agent->id, 'script_text_id' => $text->id, 'version' => 1]);
        App\Models\User::query()->create(['name' => 'Racer', 'email' => 'racer@ringo.example', 'password' => 'not told']);
        PHP;

    private const WRITER = <<<'PHP'
        require 'vendor/autoload.php';
        $app = require 'bootstrap/app.php';
        $app->make(Illuminate\Contracts\Console\Kernel::class)->bootstrap();
        $agent = App\Models\Agent::query()->with('draft.scriptText')->firstOrFail();
        $user = App\Models\User::query()->firstOrFail();
        $caller = App\Actions\Calls\CallerChoice::of($agent->business, 'withheld', null, null, app(Ringo\Numbering\NumberingPlan::class), new DateTimeImmutable);
        $host = app(App\Actions\Calls\CallHost::class);
        for ($i = 0; $i < 4; $i++) {
            $call = app(App\Actions\Calls\StartCall::class)->rehearse($agent, $agent->draft->scriptText, $user, $caller, new DateTimeImmutable('2026-03-10T09:14'));
            foreach (['I need a breaker', 'tomorrow', 'for two days'] as $line) {
                $host->happen($call, $call->step, Ringo\Dialogue\Event::said($line, $host->at($call, 'said', $line)));
            }
            $host->happen($call, $call->step, Ringo\Dialogue\Event::hungUp(90));
        }
        echo 'done';
        PHP;

    public function testManyCallsAtOnceAllKeepTheirRecords(): void
    {
        $root = dirname(__DIR__, 2);
        $file = tempnam(sys_get_temp_dir(), 'ringo-race');
        $env = ['APP_ENV' => 'testing', 'DB_CONNECTION' => 'sqlite', 'DB_DATABASE' => (string) $file, 'LOG_CHANNEL' => 'null', 'CACHE_STORE' => 'array', 'SESSION_DRIVER' => 'array'];
        (new Process([PHP_BINARY, 'artisan', 'migrate:fresh', '--force', '--quiet'], $root, $env, null, 120.0))->mustRun();
        (new Process([PHP_BINARY, '-r', self::BUSINESS], $root, $env, null, 60.0))->mustRun();
        $writers = array_map(static function () use ($root, $env): Process {
            $process = new Process([PHP_BINARY, '-r', self::WRITER], $root, $env, null, 60.0);
            $process->start();

            return $process;
        }, range(1, 4));
        foreach ($writers as $writer) {
            $writer->wait();
            self::assertSame('done', $writer->getOutput(), $writer->getErrorOutput());
        }
        $database = new \PDO('sqlite:'.$file);
        $count = $database->query("select count(*) from records join calls on calls.id = records.call_id where calls.kind = 'rehearsal'");
        self::assertNotFalse($count);
        self::assertSame(16, (int) $count->fetchColumn());
        foreach (['', '-wal', '-shm'] as $suffix) {
            @unlink($file.$suffix);
        }
    }
}
