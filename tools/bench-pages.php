<?php

declare(strict_types=1);

// Stores so many made-up calls in a database of its own and prints the slowest of several views of each page, in milliseconds. Called by tools/bench.php.

use App\Actions\Figures\CountCalls;
use App\Models\Agent;
use App\Models\Call;
use App\Models\User;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Contracts\Http\Kernel as Http;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;

$rows = (int) ($argv[1] ?? 100_000);
$file = (string) tempnam(sys_get_temp_dir(), 'ringo-bench');
foreach (['APP_ENV' => 'production', 'APP_KEY' => 'base64:cmluZ28tdGVzdC1rZXktMzItYnl0ZXMtbG9uZy0hISE=', 'DB_CONNECTION' => 'sqlite', 'DB_DATABASE' => $file, 'CACHE_STORE' => 'array', 'SESSION_DRIVER' => 'array', 'LOG_CHANNEL' => 'null', 'RINGO_DEMO' => 'true'] as $name => $value) {
    putenv("{$name}={$value}");
    $_ENV[$name] = $_SERVER[$name] = $value;
}
require __DIR__.'/../vendor/autoload.php';
$app = require __DIR__.'/../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();
Artisan::call('migrate', ['--seed' => true, '--force' => true]);
DB::disableQueryLog();
$agent = Agent::query()->where('key', 'maren')->firstOrFail();
$pattern = Call::query()->where('agent_id', $agent->id)->whereHas('record')->orderByDesc('id')->firstOrFail();
$call = array_diff_key((array) DB::table('calls')->where('id', $pattern->id)->first(), ['id' => 0]);
$record = array_diff_key((array) DB::table('records')->where('call_id', $pattern->id)->first(), ['id' => 0]);
$turns = DB::table('call_turns')->where('call_id', $pattern->id)->get()->map(static fn (object $turn): array => array_diff_key((array) $turn, ['id' => 0]))->all();
$first = (int) DB::table('calls')->max('id') + 1;
foreach (array_chunk(range(0, $rows - 1), 400) as $some) {
    DB::transaction(static function () use ($some, $call, $record, $turns, $first): void {
        $calls = $records = $said = $words = [];
        foreach ($some as $i) {
            $id = $first + $i;
            $calls[] = [...$call, 'id' => $id, 'ref' => sprintf('BENCH%021d', $i), 'from' => sprintf('+447700%06d', $i % 900_000), 'started_at' => gmdate('Y-m-d H:i:s', 1_700_000_000 + $i * 300)];
            $records[] = [...$record, 'call_id' => $id, 'doubtful' => $i % 50 === 0];
            foreach (array_slice($turns, 0, 3) as $turn) {
                $said[] = [...$turn, 'call_id' => $id];
            }
            $words[] = ['rowid' => $id, 'call_id' => $id, 'words' => "caller {$i} asked for a mini digger"];
        }
        DB::table('calls')->insert($calls);
        DB::table('records')->insert($records);
        DB::table('call_turns')->insert($said);
        DB::table('call_search')->insert($words);
    });
}
DB::statement('analyze');
$count = $app->make(CountCalls::class);
$count->markAll($agent->business);
$count->freshen($agent->business);
$user = User::query()->where('email', 'specialist@ringo.example')->firstOrFail();
$kernel = $app->make(Http::class);
$last = sprintf('BENCH%021d', $rows - 1);
$slowest = [];
foreach (['calls' => '/pellbrook/calls', 'calls, words' => '/pellbrook/calls?q=caller+4711', 'calls, doubtful' => '/pellbrook/calls?check=1', 'records' => '/pellbrook/records', 'one call' => "/pellbrook/calls/{$last}", 'board' => '/pellbrook', 'figures of a year' => '/pellbrook/figures?from=2023-11-15&to=2024-11-13', 'figures, a day to count again' => '/pellbrook/figures?from=2024-01-01&to=2024-03-31'] as $name => $path) {
    $took = [];
    for ($i = 0; $i < 6; $i++) {
        Auth::guard('web')->setUser($user);
        if ($name === 'figures, a day to count again') {
            Call::query()->where('ref', $last)->firstOrFail()->touch();
        }
        $start = hrtime(true);
        $response = $kernel->handle(Request::create($path));
        $took[] = (hrtime(true) - $start) / 1e6;
        if ($response->getStatusCode() !== 200) {
            fwrite(STDERR, "{$path}: {$response->getStatusCode()}\n");
            $took = [INF];

            break;
        }
    }
    sort($took);
    // The first view warms what a running server holds already; the rest are what a page costs.
    $slowest[$name] = count($took) > 1 ? $took[count($took) - 2] : $took[0];
}
echo json_encode(array_map(static fn (float $one): float => is_finite($one) ? round($one, 1) : 99999.0, $slowest), JSON_THROW_ON_ERROR), "\n";
unlink($file);
