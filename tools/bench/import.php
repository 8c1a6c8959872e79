<?php

declare(strict_types=1);

// Brings so many made-up contacts in, on a database of its own; brings the same list in again and takes the first one back. A process of its own for
// tools/bench/imports.php; prints JSON: seconds of processor and of the clock, megabytes.

use App\Actions\Contacts\ImportContacts;
use App\Models\Business;
use App\Models\Contact;
use App\Models\Membership;
use App\Models\Role;
use App\Models\User;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Storage;

$rows = (int) ($argv[1] ?? 50_000);
$file = (string) tempnam(sys_get_temp_dir(), 'ringo-bench');
foreach (['APP_ENV' => 'production', 'APP_KEY' => 'base64:cmluZ28tdGVzdC1rZXktMzItYnl0ZXMtbG9uZy0hISE=', 'DB_CONNECTION' => 'sqlite', 'DB_DATABASE' => $file, 'CACHE_STORE' => 'array', 'LOG_CHANNEL' => 'null'] as $name => $value) {
    putenv("{$name}={$value}");
    $_ENV[$name] = $_SERVER[$name] = $value;
}
require __DIR__.'/../../vendor/autoload.php';
require __DIR__.'/Spent.php';
$app = require __DIR__.'/../../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();
Artisan::call('migrate', ['--force' => true]);
$business = Business::query()->create(['key' => 'bench', 'name' => 'Bench', 'country' => 'GB', 'tz' => 'Europe/London']);
$user = User::query()->create(['name' => 'Bench', 'email' => 'bench@ringo.example', 'password' => 'bench-words']);
Membership::query()->create(['user_id' => $user->id, 'business_id' => $business->id, 'role' => Role::Owner]);
$disk = Storage::fake('local');
$csv = fopen($disk->path('bench.csv'), 'wb') ?: exit(1);
fwrite($csv, "Name,Firm,Mobile,Office,E-mail\n");
for ($i = 0; $i < $rows; $i++) {
    fwrite($csv, sprintf("Person %d,Firm %d,07%09d,01632 %06d,person%d@example.com\n", $i, $i % 900, 700_000_000 + $i, 100_000 + $i, $i));
}
fclose($csv);
$import = app(ImportContacts::class);
$storing = Spent::on(static function () use ($import, $business, $user): mixed {
    $look = $import->look($business, $user, 'bench.csv', 'bench.csv');
    $import->run($look);

    return $look;
});
$made = Contact::query()->count();
$megabytes = memory_get_peak_usage(true) / 1048576;
$again = Spent::on(static fn () => $import->run($import->look($business, $user, 'bench.csv', 'bench.csv')));
$removing = Spent::on(static fn (): int => $import->undo($storing->gave->refresh(), $user));
$times = static fn (Spent $one): array => ['processor' => $one->processor, 'clock' => $one->clock];
array_map(unlink(...), glob("{$file}*") ?: []);
if ($made !== $rows) {
    fwrite(STDERR, "{$made} of {$rows} contacts were made.\n");
    exit(1);
}
echo json_encode([...$times($storing), 'megabytes' => $megabytes, 'again' => $times($again), 'removed' => $times($removing)], JSON_THROW_ON_ERROR), "\n";
