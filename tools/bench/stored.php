<?php

declare(strict_types=1);

// Stores so many made-up calls in a database of its own and prints what each page takes, as JSON: seconds of processor and
// of the clock. A process of its own for tools/bench/views.php.

use App\Actions\Figures\CountCalls;
use App\Models\Agent;
use App\Models\Call;
use App\Models\User;
use App\Support\Search\RecordSearch;
use App\Support\Sqlite\Statistics;
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
require __DIR__.'/../../vendor/autoload.php';
require __DIR__.'/Spent.php';
$app = require __DIR__.'/../../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();
Artisan::call('migrate', ['--seed' => true, '--force' => true]);
DB::disableQueryLog();
$agent = Agent::query()->where('key', 'maren')->firstOrFail();
$pattern = Call::query()->where('agent_id', $agent->id)->whereHas('record')->orderByDesc('id')->firstOrFail();
$call = array_diff_key((array) DB::table('calls')->where('id', $pattern->id)->first(), ['id' => 0]);
$record = array_diff_key((array) DB::table('records')->where('call_id', $pattern->id)->first(), ['id' => 0]);
$turns = DB::table('call_turns')->where('call_id', $pattern->id)->get()->map(static fn (object $turn): array => array_diff_key((array) $turn, ['id' => 0]))->all();
// Varied as calls are: some outcomes common and some rare, all lengths, words that stand in most of the calls.
$machines = ['mini digger', 'breaker', 'generator', 'floor saw', 'dumper', 'trench plate', 'roller'];
$names = ['Ashby', 'Whitcombe', 'Lindqvist', 'Marsh', 'Pryce', 'Ostrow', 'Tern', 'Holloway', 'Vane', 'Quill', 'Rook'];
$outcomes = DB::table('calls')->where('agent_id', $agent->id)->whereNotNull('outcome')->distinct()->pluck('outcome')->all();
$filled = (array) json_decode((string) $record['cells'], true);
$equipment = $filled['equipment'] ?? [];
$first = (int) DB::table('calls')->max('id') + 1;
foreach (array_chunk(range(0, $rows - 1), 400) as $some) {
    DB::transaction(static function () use ($some, $call, $record, $filled, $equipment, $turns, $first, $machines, $names, $outcomes): void {
        $calls = $records = $said = $words = $values = [];
        foreach ($some as $i) {
            $id = $first + $i;
            $calls[] = [...$call, 'id' => $id, 'ref' => sprintf('BENCH%021d', $i), 'from' => sprintf('+447700%06d', $i % 900_000), 'started_at' => gmdate('Y-m-d H:i:s', 1_700_000_000 + $i * 100), 'caller_name' => $names[$i * 7 % 11].' '.$i % 977, 'outcome' => $outcomes[intdiv($i * $i % 1009, 100) % count($outcomes)], 'seconds' => 20 + $i * 31 % 500];
            $cells = ['equipment' => ['value' => str_replace(' ', '_', $machines[$i % 7]), 'display' => ucfirst($machines[$i % 7])] + $equipment] + $filled;
            $records[] = [...$record, 'call_id' => $id, 'doubtful' => $i % 50 === 0, 'cells' => json_encode($cells, JSON_THROW_ON_ERROR)];
            $values[] = ['rowid' => $id, 'words' => RecordSearch::tokens($cells)];
            foreach (array_slice($turns, 0, 3) as $turn) {
                $said[] = [...$turn, 'call_id' => $id];
            }
            $words[] = ['rowid' => $id, 'call_id' => $id, 'words' => "good morning {$names[$i * 7 % 11]} caller {$i} asked for a {$machines[$i % 7]} for ".($i % 20).' days please'];
        }
        DB::table('calls')->insert($calls);
        DB::table('records')->insert($records);
        DB::table('call_turns')->insert($said);
        DB::table('call_search')->insert($words);
        DB::table('record_search')->insert($values);
    });
}
Statistics::gather();
$count = $app->make(CountCalls::class);
$count->markAll($agent->business);
$count->freshen($agent->business);
$user = User::query()->where('email', 'specialist@ringo.example')->firstOrFail();
$kernel = $app->make(Http::class);
$last = sprintf('BENCH%021d', $rows - 1);
$views = [
    'calls' => 'calls', 'calls, the last page' => 'calls?page='.intdiv($rows, 25), 'calls by caller' => 'calls?sort=caller', 'calls by outcome' => 'calls?sort=outcome', 'calls by length, shortest first' => 'calls?sort=length&dir=asc',
    'calls of one outcome by length' => "calls?outcome={$outcomes[0]}&sort=length", 'calls, a rare word' => 'calls?q=caller+4711', 'calls, a common word' => 'calls?q=please', 'calls, two common words by caller' => 'calls?q=good+morning&sort=caller', 'calls, a word and an outcome' => "calls?q=digger&outcome={$outcomes[0]}", 'calls, doubtful by caller' => 'calls?check=1&sort=caller', 'calls handled by the agent' => 'calls?handled=agent&sort=outcome', 'calls of a topic' => 'calls?topic=hire', 'calls, three filters by length' => 'calls?agent=maren&kind=live&longer=2&sort=length',
    'calls of a caller' => 'calls?caller=Ashby', 'calls, doubtful' => 'calls?check=1', 'calls, longer than five minutes' => 'calls?longer=5', 'calls by a field' => 'calls?field=equipment&value=mini_digger', 'calls of a month' => 'calls?since=2024-01-01&until=2024-01-31',
    'records to check' => 'records', 'records, all' => 'records?show=all', 'records of words' => 'records?show=all&q=digger', 'one call' => "calls/{$last}", 'board' => '', 'callers' => 'callers',
    'figures of a year' => 'figures?from=2023-11-15&to=2024-11-13', 'figures, a day to count again' => 'figures?from=2023-12-01&to=2024-02-28',
];
$told = [];
foreach ($views as $name => $path) {
    $took = [];
    for ($i = 0; $i < 6; $i++) {
        Auth::guard('web')->setUser($user);
        if ($name === 'figures, a day to count again') {
            Call::query()->where('ref', $last)->firstOrFail()->touch();
        }
        $spent = Spent::on(static fn (): mixed => $kernel->handle(Request::create("/pellbrook/{$path}")));
        if ($spent->gave->getStatusCode() !== 200) {
            fwrite(STDERR, "{$path}: {$spent->gave->getStatusCode()}\n");
            exit(1);
        }
        $took[] = $spent;
    }
    // The first view warms what a running server holds already; of the rest the slowest but one.
    usort($took, static fn (Spent $a, Spent $b): int => $a->clock <=> $b->clock);
    $told[$name] = ['processor' => $took[4]->processor, 'clock' => $took[4]->clock];
}
array_map(unlink(...), glob("{$file}*") ?: []);
echo json_encode($told, JSON_THROW_ON_ERROR), "\n";
