<?php

declare(strict_types=1);

// Measures against the budgets and prints a table: ./ringo bench

use Ringo\Dialogue\CallState;
use Ringo\Dialogue\Engine;
use Ringo\Dialogue\Event;
use Ringo\Dialogue\Opening;
use Ringo\Dialogue\Outcome;
use Ringo\Rehearsal\Input;
use Ringo\Rehearsal\Rehearsal;
use Ringo\Script\ScriptReader;

require __DIR__.'/../vendor/autoload.php';

$script = (new ScriptReader)->fromJson((string) file_get_contents(__DIR__.'/../database/demo/pellbrook/maren.json'));
$engine = Engine::for($script);
$opening = new Opening($script);
$rehearsal = new Rehearsal($engine);
$lines = [];
foreach (glob(__DIR__.'/../database/demo/pellbrook/calls/*.txt') ?: [] as $file) {
    $lines[] = Input::fromLines(strtr((string) file_get_contents($file), ['{name}' => 'my name is Nell Ashby', '{phone}' => 'yes', '{depot}' => 'Oldmere', '{n}' => '123']));
}
$state = static fn (int $i): CallState => $opening->state("bench-{$i}", new DateTimeImmutable('2026-03-10T09:14', new DateTimeZone('Europe/London')), (string) $i, '+447700900123', null, ['known' => false]);

$run = static function (int $calls) use ($rehearsal, $state, $lines): array {
    $turns = [];
    $start = hrtime(true);
    for ($i = 0; $i < $calls; $i++) {
        $rehearsal->run($state($i), $lines[$i % count($lines)], static function (Event $event, Outcome $outcome, int $spent) use (&$turns): void {
            $turns[] = $spent / 1e6;
        });
    }
    sort($turns);

    return ['seconds' => (hrtime(true) - $start) / 1e9, 'p95' => $turns[(int) (count($turns) * 0.95)], 'turns' => count($turns)];
};

$run(40); // word tables are read once
$small = $run(250);
$large = $run(1000);
$memory = memory_get_peak_usage(true) / 1048576;
$row = static function (string $what, string $measured, string $budget, bool $within): void {
    printf("%-58s %16s %18s   %s\n", $what, $measured, $budget, $within ? 'within' : 'OVER');
};
printf("%-58s %16s %18s\n", 'what', 'measured', 'budget');
$row('one caller turn, '.count($script->steps).'-step script, p95 of '.$large['turns'].' turns', sprintf('%.2f ms', $large['p95']), 'p95 <= 5 ms', $large['p95'] <= 5);
$row('1,000 whole calls', sprintf('%.2f s', $large['seconds']), '<= 10 s', $large['seconds'] <= 10);
$row('memory at its highest', sprintf('%.0f MB', $memory), '<= 256 MB', $memory <= 256);
$ratio = $large['seconds'] / max(0.001, $small['seconds']);
$row('growth from 250 to 1,000 calls', sprintf('x %.2f', $ratio), 'about x 4', $ratio < 5.5);
$free = require __DIR__.'/bench-diary.php';
$some = $free(20);
$twice = $free(40);
$row('free times of one wish, 20 diaries, 60 days, 3,000 bookings', sprintf('%.1f ms', $some), '<= 20 ms', $some <= 20);
$row('growth from 20 to 40 diaries', sprintf('x %.2f', $twice / max(0.001, $some)), '<= x 2.2', $twice / max(0.001, $some) <= 2.2);
$diaryWithin = $some <= 20 && $twice / max(0.001, $some) <= 2.2;
$plan = require __DIR__.'/bench-outreach.php';
$half = $plan(50_000);
$whole = $plan(100_000);
$row('planning 100,000 people of a campaign', sprintf('%.2f s', $whole), '<= 5 s', $whole <= 5);
$simulate = require __DIR__.'/bench-campaign.php';
[$once, $attempts] = $simulate(250);
[$whole, $all] = $simulate(500);
$for = 10_000 * $whole / $all;
$row('a simulated campaign, 10,000 calls', sprintf('%.1f s', $for), '<= 60 s', $for <= 60);
$row('growth of a campaign with its list', sprintf('%.2f', ($whole / $all) / ($once / $attempts) * 2), '<= 2.2', ($whole / $all) / ($once / $attempts) * 2 <= 2.2);
$row('growth from 50,000 to 100,000 people', sprintf('x %.2f', $whole / max(0.001, $half)), '<= x 2.2', $whole / max(0.001, $half) <= 2.2);
$planWithin = $whole <= 5 && $whole / max(0.001, $half) <= 2.2;
$import = static function (int $rows): array {
    $line = (string) shell_exec(escapeshellarg(PHP_BINARY).' '.escapeshellarg(__DIR__.'/bench-import.php').' '.$rows);
    [$seconds, $megabytes, $made] = array_map(floatval(...), explode(' ', trim($line)) + [1 => 0, 2 => 0]);

    return ['seconds' => $made === (float) $rows ? $seconds : INF, 'megabytes' => $megabytes];
};
$few = $import(5_000);
$many = $import(50_000);
$constant = $many['megabytes'] <= $few['megabytes'] + 16;
$row('import of 50,000 contacts', sprintf('%.1f s', $many['seconds']), '<= 20 s', $many['seconds'] <= 20);
$row('its memory, 5,000 and 50,000 rows', sprintf('%.0f, %.0f MB', $few['megabytes'], $many['megabytes']), 'constant', $constant);
// Records from what was said: a call of twenty turns, a thousand times.
$sheet = $script->sheet;
$extractor = Ringo\Extraction\Extractor::for($sheet);
$now = new DateTimeImmutable('2026-03-10T09:14', new DateTimeZone('Europe/London'));
$talk = [];
foreach ([['agent', 'Pellbrook Hire, Maren speaking. What can I do for you?'], ['caller', 'I need a mini digger from next Tuesday'], ['agent', 'And for how long?'], ['caller', 'erm for a fortnight please'], ['agent', 'Which depot is nearest to you?'], ['caller', 'Stanwick Cross'], ['agent', 'Shall we deliver it to the site?'], ['caller', 'yes please can you bring it out'], ['agent', 'What is the address of the site?'], ['caller', "it's 14 Mill Lane in Oldmere"], ['agent', 'So, 14 Mill Lane, Oldmere. Correct?'], ['caller', "yes that's right"], ['agent', 'How will you pay?'], ['caller', 'on the account'], ['agent', 'What name shall I put it under?'], ['caller', 'Dara Whitcombe'], ['agent', 'Which number can we ring you on?'], ['caller', 'oh seven seven double oh nine double oh one two three'], ['agent', 'That is all noted. Is there anything else?'], ['caller', "no that's everything thanks"]] as $n => [$by, $text]) {
    $talk[] = ['by' => $by, 'text' => $text, 'at' => $n * 4];
}
$transcripts = new Ringo\Format\TranscriptFile;
$extract = static function (int $calls) use ($extractor, $transcripts, $talk, $now): float {
    $start = hrtime(true);
    for ($i = 0; $i < $calls; $i++) {
        // No two calls are alike, so nothing is answered from what was kept.
        $turns = $talk;
        $turns[15]['text'] = 'Dara Whitcombe'.chr(97 + $i % 26).chr(97 + intdiv($i, 26) % 26);
        $turns[3]['text'] = 'erm for '.(2 + $i % 40).' days please';
        $extractor->extract($transcripts->read(['id' => "bench-{$i}", 'tz' => 'Europe/London', 'started_at' => '2026-03-10T09:14:00', 'turns' => $turns], $now));
    }

    return (hrtime(true) - $start) / 1e9;
};
$extract(20);
$some = $extract(250);
$all = $extract(1000);
$row('records from 1,000 calls of 20 turns', sprintf('%.2f s', $all), '<= 10 s', $all <= 10);
$row('growth from 250 to 1,000 calls', sprintf('x %.2f', $all / max(0.001, $some)), 'about x 4', $all / max(0.001, $some) < 5.5);

// Questions answered from 10 and from 1,500 pages of a made-up handbook.
$nouns = ['locker', 'ticket', 'boat', 'court', 'lesson', 'key', 'trolley', 'parcel', 'kennel', 'ladder', 'meter', 'garden', 'piano', 'ferry', 'oven'];
$pages = static function (int $count) use ($nouns): array {
    $documents = [];
    for ($i = 0; $i < $count; $i++) {
        $noun = $nouns[$i % count($nouns)].' '.$i;
        $text = "# Page {$i}\n\n";
        foreach (['charge' => "The {$noun} is charged at £".(5 + $i % 60).' a day and must be paid before it is taken out.', 'late return' => "A {$noun} that comes back late is charged for another half day.", 'repairs' => "If the {$noun} does not work, somebody comes out within ".(2 + $i % 9).' hours.', 'rules' => "Children under twelve may use the {$noun} only with an adult beside them."] as $about => $line) {
            $text .= "## {$noun}: {$about}\n\n{$line} Please ask at the desk where anything is not clear, and keep the slip you are given until the {$noun} is back.\n\n";
        }
        $documents[] = (new Ringo\Knowledge\Reading\Markdown)->read("page-{$i}.md", $text);
    }

    return $documents;
};
$latency = static function (int $count) use ($pages, $nouns, $now): float {
    $answerer = Ringo\Knowledge\Answerer::over($pages($count));
    $took = [];
    for ($i = 0; $i < 60; $i++) {
        $noun = $nouns[$i % count($nouns)].' '.($i % min(10, $count));
        $question = ["how much is the {$noun} a day", "what happens if I bring the {$noun} back late", "can my children use the {$noun}", 'do you sell second-hand trombones'][$i % 4];
        $start = hrtime(true);
        $answerer->answer($question, $now);
        $took[] = (hrtime(true) - $start) / 1e6;
    }
    sort($took);

    return $took[(int) (count($took) * 0.95)];
};
$latency(10);
$ten = $latency(10);
$whole = $latency(1500);
$row('a question answered, 10 pages, p95', sprintf('%.1f ms', $ten), '', true);
$row('a question answered, 1,500 pages, p95', sprintf('%.1f ms', $whole), '<= 60 ms', $whole <= 60);
$row('their ratio, for 150 times the pages', sprintf('x %.1f', $whole / max(0.001, $ten)), 'below x 20', $whole / max(0.001, $ten) < 20);

$views = json_decode((string) shell_exec(escapeshellarg(PHP_BINARY).' '.escapeshellarg(__DIR__.'/bench-pages.php').' 100000'), true);
$slowest = is_array($views) && $views !== [] ? (float) max($views) : INF;
foreach (is_array($views) ? $views : [] as $name => $took) {
    $row("page with 100,000 calls stored: {$name}", sprintf('%.0f ms', $took), '<= 150 ms', $took <= 150);
}
exit($diaryWithin && $planWithin && $all <= 10 && $whole <= 60 && $slowest <= 150 && $many['seconds'] <= 20 && $constant && $large['p95'] <= 5 && $large['seconds'] <= 10 && $memory <= 256 ? 0 : 1);
