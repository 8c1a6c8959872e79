<?php

/**
 * Writes what the training of wishes reads (data/corpora/wishes.txt), in the features Ringo itself counts, as JSON lines: one for each day
 * and time that is named. Behind its last word stands how it is meant: /w wished, /x ruled out, /a after, /f from, /b before, /l over by,
 * /s starts by, /r around; what is named for another reason has no mark. Lines that name nothing Ringo finds are told on the error output.
 */

declare(strict_types=1);

use Ringo\Language\Vocabulary;
use Ringo\Understanding\Context;
use Ringo\Understanding\When\Wishes\Cues;
use Ringo\Understanding\When\Wishes\ItemFinder;
use Ringo\Understanding\When\Wishes\Reasons;
use Ringo\Understanding\When\Wishes\Sense;
use Ringo\Understanding\When\Wishes\Senses;
use Ringo\Understanding\When\Wishes\Wish;
use Ringo\Understanding\When\Wishes\Wording;

require dirname(__DIR__).'/vendor/autoload.php';

/** So far from a mark the word may end, in signs: 'Friday's/w'. */
const NEAR = 2;

/** How many plain wishes are put together of sayings and days. */
const PLAIN = 900;

/** Words of a saying of a trade that may stand before or behind a plain wish. */
const LONGEST = 14;

$words = Vocabulary::of();
[$wording, $finder, $senses] = [new Wording($words), new ItemFinder($words), new Senses(new Cues($words), new Reasons($words))];
$context = new Context(new DateTimeImmutable('2026-03-10T09:14', new DateTimeZone('Europe/London')));
$missed = 0;
$rows = static function (string $line, bool $own) use ($wording, $finder, $senses, $context, &$missed): void {
    $said = '';
    $marks = [];
    foreach (preg_split('~(/[wxafblsr]\b)~', $line, -1, PREG_SPLIT_DELIM_CAPTURE) ?: [] as $part) {
        if (preg_match('~^/[wxafblsr]$~', $part) === 1) {
            $marks[mb_strlen($said)] = $part[1];
        } else {
            $said .= $part;
        }
    }
    $t = $wording->of($said, new Wish);
    $named = Senses::named($finder->in($t, $context));
    $before = '';
    foreach ($named as $k => $item) {
        $sense = Sense::Told->value;
        foreach ($marks as $end => $mark) {
            if ($t[$item->from]->start < $end && abs($t[$item->to - 1]->end - $end) <= NEAR) {
                $sense = $mark;
                unset($marks[$end]);
            }
        }
        echo json_encode(['said' => $said, 'at' => $k, 'before' => $before, 'type' => $sense, 'own' => $own, 'features' => $senses->places($t, $named, $k, $before)], JSON_THROW_ON_ERROR), "\n";
        $before = $sense;
    }
    if ($marks !== []) {
        $missed++;
        fwrite(STDERR, "not found: {$line}\n");
    }
};
$lines = file(dirname(__DIR__).'/data/corpora/wishes.txt', FILE_IGNORE_NEW_LINES | FILE_SKIP_EMPTY_LINES) ?: [];
foreach ($lines as $line) {
    $rows($line, true);
}

$seed = new Random\Randomizer(new Random\Engine\Xoshiro256StarStar(7));
$one = static fn (array $of): string => (string) array_values($of)[$seed->getInt(0, count($of) - 1)];
// Plain wishes and the sayings of wishes.php, each before or behind some day or time, so that what is simple is not drowned by what is rare.
$days = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'the twelfth', 'the twentieth', 'the eighteenth of March', 'tomorrow', 'next week', 'the weekend', 'next Tuesday', 'this Friday', 'the fourteenth'];
$times = ['ten', 'half past two', 'three o\'clock', 'eleven', 'half nine', 'four', 'quarter past ten', '2.30', 'noon', 'nine thirty', 'twelve'];
$parts = ['morning', 'afternoon', 'evening', 'lunchtime'];
$begins = ['', '', '', 'could I have ', 'I\'d like ', 'have you anything ', 'is there something ', 'can you do ', 'what about ', 'how about ', 'maybe ', 'yes, ', 'hello, ', 'I\'d prefer ', 'ideally ', 'it would have to be ', 'any chance of ', 'could somebody come ', 'we need it done ', 'let\'s say '];
$ends = ['', '', '', ' please', ' if you can', ' if possible', ' thanks', ' would be good', ' is fine', ' would suit me', ' works', ' then', ' at all', ' if that\'s free'];
// What callers of all trades say, where it names no day and no time.
$sayings = [];
foreach (glob(dirname(__DIR__).'/data/trades/*.json') ?: [] as $file) {
    foreach (json_decode((string) file_get_contents($file), true, 16, JSON_THROW_ON_ERROR)['sayings'] as $saying) {
        if (str_word_count($saying['said']) <= LONGEST && $finder->in($wording->of($saying['said'], new Wish), $context) === []) {
            $sayings[] = $saying['said'];
        }
    }
}
for ($n = 0; $n < PLAIN; $n++) {
    $day = $one(['', '', 'on ', 'on a ', 'a ', 'any ', 'some time ', 'this coming ']).$one($days).'/w';
    $about = $seed->getInt(0, 1) === 1 ? $one($sayings) : '';
    $before = $about !== '' && $seed->getInt(0, 3) > 0;
    $rows(($before ? $about.$one([', ', ' ', ' and ', '. ', ', so ']) : '').$one($begins).match ($seed->getInt(0, 5)) {
        0, 1 => $day,
        2 => $day.' '.$one(['', 'in the ']).$one($parts).'/w',
        3 => $one($days).'/w at '.$one($times).'/w',
        4 => $one($times).'/w on '.$one($days).'/w',
        default => $one($days).'/w or '.$one($days).'/w',
    }.$one($ends).($about !== '' && ! $before ? $one([', ', ' ', ' because ', ' for ', ' as ']).$about : ''), false);
}
$cues = ['without' => 'x', 'after' => 'a', 'from' => 'f', 'before' => 'b', 'by' => 'l', 'to_start' => 's', 'around' => 'r'];
foreach ($cues as $section => $mark) {
    foreach ($words->section('wishes', $section) as $saying) {
        foreach ([$days, $times] as $n => $of) {
            $rows($one($begins).$saying.' '.$one($of).'/'.($mark === 's' && $n === 0 ? 'l' : ($mark === 'r' && $n === 0 ? 'w' : $mark)).$one([...$ends, ' on '.$one($days).'/w', ', '.$one($days).'/w']), false);
        }
    }
}
foreach (['onwards' => 'f', 'or_before' => 's', 'ish' => 'r', 'bad' => 'x', 'after_that' => 'a'] as $section => $mark) {
    foreach ($words->section('wishes', $section) as $saying) {
        foreach ([$days, $times] as $n => $of) {
            $rows($one(['', 'well ', 'I think ', 'so ']).$one($of).'/'.($mark === 's' && $n === 0 ? 'l' : ($mark === 'r' && $n === 0 ? 'w' : $mark)).' '.$saying, false);
        }
    }
}
fwrite(STDERR, "{$missed} lines with something that is not found\n");
