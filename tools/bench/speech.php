<?php

declare(strict_types=1);

use App\Gateways\Speech\ProgramVoice;

/*
 * A prompt's sound, rendered for the first time and kept. The voice is another program: wall time is what a caller waits.
 */
return static function (Table $table): void {
    $folder = sys_get_temp_dir().'/bench-voice-'.getmypid();
    $voice = new ProgramVoice($folder);
    if (! $voice->available('flite')) {
        echo "The voice programs are not installed: no row for prompt audio.\n";

        return;
    }
    $say = static fn (int $n): Closure => static fn (): mixed => $voice->wav("That is {$n} machines from Tuesday, to be delivered before ten.", ['engine' => 'flite', 'name' => 'slt', 'pace' => 1.0, 'pitch' => 1.0]);
    $waited = static function (array $pieces): Spent {
        $spent = Spent::p95($pieces, 'clock');

        return new Spent($spent->clock, $spent->clock);
    };
    $all = array_map($say, range(1, 40));
    $say(0)();
    $table->row('prompt audio, not yet kept, p95', $waited($all), 0.250);
    $table->row('prompt audio, kept, p95', $waited($all), 0.005);
    array_map(unlink(...), glob("{$folder}/*") ?: []);
    rmdir($folder);
};
