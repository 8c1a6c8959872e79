<?php

declare(strict_types=1);

namespace Tests\Feature;

use PHPUnit\Framework\Attributes\CoversNothing;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

/** Two people who take one call at once, in processes of their own on one database file: one has it, the other is told and is free, every time. */
#[CoversNothing]
final class TransferRaceTest extends TestCase
{
    /** As many as fit the time of the tests; RINGO_RACES asks for more. */
    private const RACES = 120;

    private const BOOT = <<<'PHP'
        require 'vendor/autoload.php';
        $app = require 'bootstrap/app.php';
        $app->make(Illuminate\Contracts\Console\Kernel::class)->bootstrap();
        PHP;

    private const PREPARE = <<<'PHP'
        $business = App\Models\Business::query()->create(['key' => 'race', 'name' => 'Race', 'country' => 'GB', 'tz' => 'UTC']);
        $agent = App\Models\Agent::query()->create(['business_id' => $business->id, 'key' => 'fern', 'name' => 'Fern', 'direction' => 'inbound']);
        $text = App\Models\ScriptText::of($agent, json_encode(['agent' => ['name' => 'Fern', 'business' => 'Race'], 'sheet' => ['type' => 'object', 'properties' => ['note' => ['type' => 'string']]], 'first' => 'over', 'steps' => [['key' => 'over', 'kind' => 'transfer', 'to' => 'team:counter', 'prompt' => 'One moment.', 'otherwise' => 'bye'], ['key' => 'bye', 'kind' => 'finish', 'prompt' => 'Goodbye.', 'outcome' => 'done']]]));
        App\Models\Draft::query()->create(['agent_id' => $agent->id, 'script_text_id' => $text->id, 'version' => 1]);
        $team = App\Models\Team::query()->create(['business_id' => $business->id, 'key' => 'counter', 'name' => 'the counter', 'description' => 'all', 'examples' => [], 'hours' => [], 'ring' => 'all', 'seconds' => 20, 'waiting_most' => 1000000]);
        foreach (['ann', 'bob'] as $n => $key) {
            $person = App\Models\Person::query()->create(['business_id' => $business->id, 'key' => $key, 'name' => ucfirst($key), 'presence' => 'available']);
            $team->people()->attach($person->id, ['position' => $n]);
        }
        $call = $app->make(App\Actions\Calls\StartCall::class)->rehearse($agent, $text, null, App\Actions\Calls\CallerChoice::visitor(), new DateTimeImmutable('2026-03-10T09:14Z'));
        $whole = (array) Illuminate\Support\Facades\DB::table('calls')->where('id', $call->id)->first();
        $offers = Illuminate\Support\Facades\DB::table('offers')->where('call_id', $call->id)->get()->map(fn ($one) => (array) $one)->all();
        if (count($offers) !== 2) {
            fwrite(STDERR, 'Two telephones must ring.');
            exit(1);
        }
        for ($n = 2; $n <= RACES; $n++) {
            Illuminate\Support\Facades\DB::table('calls')->insert(['id' => $n, 'ref' => 'RACE'.$n] + $whole);
            foreach ($offers as $offer) {
                Illuminate\Support\Facades\DB::table('offers')->insert(['call_id' => $n] + array_diff_key($offer, ['id' => 1]));
            }
        }
        PHP;

    private const RACER = <<<'PHP'
        $host = $app->make(App\Actions\Calls\CallHost::class);
        $person = App\Models\Person::query()->where('key', 'WHO')->firstOrFail();
        $won = $told = 0;
        for ($n = 1; $n <= RACES; $n++) {
            $offer = App\Models\Offer::query()->where('call_id', $n)->where('person_id', $person->id)->firstOrFail();
            $call = App\Models\Call::query()->findOrFail($n);
            for ($try = 0; $try < 2; $try++) {
                try {
                    $host->happen($call, $call->step, Ringo\Dialogue\Event::answered('WHO', 5.0), $offer);
                    $won++;
                    break;
                } catch (App\Actions\Calls\OfferTaken) {
                    $told++;
                    break;
                } catch (App\Actions\Calls\CallMoved) {
                    $call->refresh();
                }
            }
        }
        echo $won, ' ', $told;
        PHP;

    public function testACallIsTakenOnce(): void
    {
        $races = (int) (getenv('RINGO_RACES') ?: self::RACES);
        $root = dirname(__DIR__, 2);
        $file = (string) tempnam(sys_get_temp_dir(), 'ringo-race');
        $env = ['APP_ENV' => 'testing', 'APP_KEY' => 'base64:cmluZ28tdGVzdC1rZXktMzItYnl0ZXMtbG9uZy0hISE=', 'DB_CONNECTION' => 'sqlite', 'DB_DATABASE' => $file, 'LOG_CHANNEL' => 'null', 'CACHE_STORE' => 'array', 'SESSION_DRIVER' => 'array', 'QUEUE_CONNECTION' => 'null'];
        (new Process([PHP_BINARY, 'artisan', 'migrate:fresh', '--force', '--quiet'], $root, $env, null, 120.0))->mustRun();
        $program = static fn (string $code, string $who = ''): Process => new Process([PHP_BINARY, '-r', self::BOOT.str_replace(['RACES', 'WHO'], [(string) $races, $who], $code)], $root, $env, null, 3600.0);
        $program(self::PREPARE)->mustRun();
        $racers = array_map(static fn (string $who): Process => $program(self::RACER, $who), ['ann', 'bob']);
        foreach ($racers as $racer) {
            $racer->start();
        }
        $won = $told = 0;
        foreach ($racers as $racer) {
            $racer->wait();
            self::assertTrue($racer->isSuccessful(), $racer->getErrorOutput().$racer->getOutput());
            [$w, $t] = array_map(intval(...), explode(' ', $racer->getOutput()));
            $won += $w;
            $told += $t;
        }
        $database = new \PDO('sqlite:'.$file);
        $one = static fn (string $sql): int => (int) ($database->query($sql) ?: throw new \LogicException($sql))->fetchColumn();
        self::assertSame([$races, $races], [$won, $told], 'one has it, the other is told');
        self::assertSame($races, $one("select count(*) from offers where status = 'answered'"));
        self::assertSame(0, $one("select count(*) from offers where status = 'ringing'"));
        self::assertSame($races, $one("select count(*) from calls where json_extract(state, '$.connected.person') is not null"));
        foreach (['', '-wal', '-shm'] as $suffix) {
            @unlink($file.$suffix);
        }
    }
}
