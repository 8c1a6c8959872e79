<?php

declare(strict_types=1);

// Trains how units are ranked as answers, and how sure an answer is, on labelled businesses; validated on businesses left out.
//
//     php training/answers.php data/corpora/knowledge data/corpora/knowledge_everyday tests/Core/Knowledge/cases
//
// Writes core/Language/en/answers.php. Ranking is a softmax over the units of a question (all right units count as right), sureness three
// logistic models over the ranking of businesses left out. Full batch, Adam, L2.

use Ringo\Knowledge\Answer;
use Ringo\Knowledge\CheckList;
use Ringo\Knowledge\LabelledQuestions;
use Ringo\Knowledge\Library;
use Ringo\Knowledge\MemoryShelf;
use Ringo\Knowledge\Polarity;
use Ringo\Knowledge\QuestionReader;
use Ringo\Knowledge\Ranking\Certainty;
use Ringo\Knowledge\Ranking\Ranker;
use Ringo\Knowledge\Ranking\Reading;
use Ringo\Knowledge\Search;
use Ringo\Knowledge\Speaking\Speaker;
use Ringo\Knowledge\Terms;
use Ringo\Language\Lexicon;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Understanding;

require dirname(__DIR__).'/vendor/autoload.php';
ini_set('memory_limit', '3G');

const ROUNDS = 160;
const RATE = 0.12;
const FOLDS = 5;
const L2 = 0.002;
// What a question in everyday words that the texts do not use counts, beside others: callers one has never heard ask like that.
const EVERYDAY = 3.0;
const EVERYDAY_FOLDER = 'knowledge_everyday';
// Units a question is trained on, beside the right ones: those that fit best by their words.
const RIVALS = 60;

$words = Vocabulary::of();
$now = new DateTimeImmutable('2026-03-10T09:14', new DateTimeZone('Europe/London'));
$labelled = new LabelledQuestions;
$sets = [];
$folders = array_slice($argv, 1) ?: LabelledQuestions::TRAINED_ON;
foreach ($folders as $folder) {
    foreach (glob("{$folder}/*", GLOB_ONLYDIR) ?: [] as $business) {
        $documents = (new Library)->folder(is_dir("{$business}/documents") ? "{$business}/documents" : $business, static fn (string $problem) => null);
        if (is_file("{$business}/questions.jsonl")) {
            $questions = $labelled->read((string) file_get_contents("{$business}/questions.jsonl"));
        } else {
            $questions = array_map(static fn (array $check, int $n): array => ['id' => basename($business)."-{$n}", 'q' => $check['question'], 'answerable' => ! $check['refused'], 'doc' => $check['place'] === '' ? null : explode('#', $check['place'])[0], 'heading' => null, 'must' => array_values(array_diff($check['holds'], ['yes', 'no'])), 'mustnot' => [], 'kind' => ''], $checks = (new CheckList)->read((string) file_get_contents("{$business}/checks.txt")), array_keys($checks));
        }
        $terms = new Terms($words);
        $shelf = new MemoryShelf($documents, $terms);
        $lexicon = new Lexicon($words);
        $reader = new QuestionReader($terms, $shelf, $words, $lexicon, Understanding::in());
        $search = new Search($shelf, $terms, $words, $lexicon);
        $speaker = new Speaker(new Polarity($words, $terms));
        foreach ($questions as $one) {
            $question = $reader->read($one['q'], $now, 'GB');
            $rows = [];
            foreach ($search->readings($question) as $reading) {
                $right = false;
                if ($one['answerable'] && ($one['doc'] === null || $reading->unit->passage->source === $one['doc']) && ($one['heading'] === null || $reading->unit->passage->heading === $one['heading'])) {
                    $right = $labelled->right($one, $speaker->say($question, $reading->unit, $reading->features['own_plain'])[0]);
                }
                $rows[] = ['reading' => $reading, 'right' => $right];
            }
            $sets[basename($business).(is_dir("{$business}/documents") ? '*' : '')][] = ['question' => $question, 'label' => $one, 'rows' => $rows, 'speaker' => $speaker, 'counts' => basename($folder) === EVERYDAY_FOLDER ? EVERYDAY : 1.0];
        }
        fwrite(STDERR, basename($business).' '.count($questions)."\n");
    }
}
$names = [];
foreach ($sets as $items) {
    foreach ($items as $item) {
        foreach ($item['rows'] as $row) {
            $names = array_keys($row['reading']->features);

            break 3;
        }
    }
}

/** @return array<string, float> */
$rank = static function (array $items) use ($names): array {
    $data = [];
    foreach ($items as $item) {
        $right = array_keys(array_filter(array_column($item['rows'], 'right')));
        if ($right === []) {
            continue;
        }
        $fit = array_map(static fn (array $row): float => $row['right'] ? 9.0 : $row['reading']->features['all_like'] + $row['reading']->features['own_like'] + 0.5 * $row['reading']->features['type_there'], $item['rows']);
        arsort($fit);
        $kept = array_slice(array_keys($fit), 0, RIVALS);
        $data[] = [array_map(static fn (int $n): array => array_values($item['rows'][$n]['reading']->features), $kept), array_flip(array_keys(array_intersect($kept, $right))), $item['counts']];
    }
    $size = count($names);
    $all = array_sum(array_column($data, 2));
    $weights = array_fill(0, $size, 0.0);
    $first = $second = array_fill(0, $size, 0.0);
    for ($round = 1; $round <= ROUNDS; $round++) {
        $gradient = array_fill(0, $size, 0.0);
        foreach ($data as [$rows, $right, $counts]) {
            $scores = [];
            foreach ($rows as $n => $row) {
                $score = 0.0;
                foreach ($row as $i => $value) {
                    if ($value !== 0.0) {
                        $score += $weights[$i] * $value;
                    }
                }
                $scores[$n] = $score;
            }
            $most = max($scores);
            $powers = array_map(static fn (float $score): float => exp($score - $most), $scores);
            $sum = array_sum($powers);
            $mine = array_sum(array_intersect_key($powers, $right));
            foreach ($powers as $n => $power) {
                $push = $counts * ($power / $sum - (isset($right[$n]) ? $power / $mine : 0.0));
                if (abs($push) > 1e-4) {
                    foreach ($rows[$n] as $i => $value) {
                        if ($value !== 0.0) {
                            $gradient[$i] += $push * $value;
                        }
                    }
                }
            }
        }
        foreach ($weights as $i => $weight) {
            $g = $gradient[$i] / $all + L2 * $weight;
            $first[$i] = 0.9 * $first[$i] + 0.1 * $g;
            $second[$i] = 0.99 * $second[$i] + 0.01 * $g * $g;
            $weights[$i] -= RATE * ($first[$i] / (1 - 0.9 ** $round)) / (sqrt($second[$i] / (1 - 0.99 ** $round)) + 1e-8);
        }
    }

    return array_combine($names, array_map(static fn (float $weight): float => round($weight, 4), $weights));
};

/**
 * @param list<array{array<string, float>, bool}> $cases
 *
 * @return array<string, float>
 */
$logistic = static function (array $cases): array {
    $keys = array_keys($cases[0][0]);
    $weights = array_fill_keys($keys, 0.0);
    $first = $second = $weights;
    for ($round = 1; $round <= 600; $round++) {
        $gradient = array_fill_keys($keys, 0.0);
        foreach ($cases as [$x, $y]) {
            $push = Certainty::chance($weights, $x) - ($y ? 1.0 : 0.0);
            foreach ($x as $key => $value) {
                $gradient[$key] += $push * $value;
            }
        }
        foreach ($weights as $key => $weight) {
            $g = $gradient[$key] / count($cases) + 0.002 * ($key === 'bias' ? 0.0 : $weight);
            $first[$key] = 0.9 * $first[$key] + 0.1 * $g;
            $second[$key] = 0.99 * $second[$key] + 0.01 * $g * $g;
            $weights[$key] -= 0.05 * ($first[$key] / (1 - 0.9 ** $round)) / (sqrt($second[$key] / (1 - 0.99 ** $round)) + 1e-8);
        }
    }

    return array_map(static fn (float $weight): float => round($weight, 4), $weights);
};

$left = [];
$counts = ['answerable' => 0, 'reachable' => 0, 'first' => 0, 'three' => 0];
$fold = array_map(static fn (int $n): int => $n % FOLDS, array_flip(array_keys($sets)));
$rankers = [];
foreach ($sets as $business => $items) {
    $rankers[$fold[$business]] ??= new Ranker($rank(array_merge(...array_values(array_filter($sets, static fn (string $one): bool => $fold[$one] !== $fold[$business], ARRAY_FILTER_USE_KEY)))));
    $ranker = $rankers[$fold[$business]];
    foreach ($items as $item) {
        $readings = array_map(static fn (array $row): Reading => $row['reading'], $item['rows']);
        $top = Certainty::distinct($item['question'], $readings, $ranker->chances($readings), $item['speaker']);
        $rights = array_map(static fn (array $one): bool => $item['rows'][$one['place']]['right'] || $item['label']['answerable'] && $labelled->right($item['label'], $one['text']), $top);
        $left[] = ['x' => Certainty::of($item['question'], $readings, $ranker, $top), 'first' => $rights[0] ?? false, 'three' => in_array(true, array_slice($rights, 0, 3), true), 'answerable' => $item['label']['answerable'], 'business' => $business, 'q' => $item['label']['q'], 'text' => $top[0]['text'] ?? ''];
        $counts['answerable'] += $item['label']['answerable'] ? 1 : 0;
        $counts['reachable'] += array_filter(array_column($item['rows'], 'right')) !== [] ? 1 : 0;
        $counts['first'] += ($rights[0] ?? false) ? 1 : 0;
        $counts['three'] += in_array(true, array_slice($rights, 0, 3), true) ? 1 : 0;
        if (getenv('MISSES') && $item['label']['answerable'] && ! ($rights[0] ?? false)) {
            $right = array_key_first(array_filter(array_column($item['rows'], 'right')));
            fwrite(STDOUT, "{$item['label']['id']} {$item['label']['q']}\n   said: ".($top[0]['text'] ?? '').' ['.($top === [] ? '' : $readings[$top[0]['place']]->unit->kind->value.' '.$readings[$top[0]['place']]->unit->passage->heading)."]\n   ".($right === null ? 'UNREACHABLE: ' : (in_array(true, $rights, true) ? 'second: ' : 'deep: ').$item['speaker']->say($item['question'], $readings[$right]->unit, $readings[$right]->features['own_plain'])[0].' ['.$readings[$right]->unit->kind->value.']').' wanted '.implode('; ', $item['label']['must']).' not '.implode('; ', $item['label']['mustnot'])."\n");
        }
    }
    fwrite(STDERR, $business.' '.json_encode($counts)."\n");
}
fwrite(STDERR, json_encode(['left out' => array_map(static fn (int $n): float => round($n / $counts['answerable'], 3), $counts)])."\n");

// How sure: trained on what the ranking did with businesses left out, judged on businesses left out again.
$judged = [];
for ($group = 0; $group < FOLDS; $group++) {
    $others = array_values(array_filter($left, static fn (array $one): bool => $fold[$one['business']] !== $group));
    $models = ['first' => $logistic(array_map(static fn (array $one): array => [$one['x'], $one['first']], $others)), 'three' => $logistic(array_map(static fn (array $one): array => [$one['x'], $one['three']], $others)), 'covered' => $logistic(array_map(static fn (array $one): array => [$one['x'], $one['answerable']], $others))];
    foreach ($left as $one) {
        if ($fold[$one['business']] === $group) {
            $judged[] = $one + ['p' => array_map(static fn (array $model): float => Certainty::chance($model, $one['x']), $models)];
        }
    }
}
if (getenv("ONLY")) {
    // Figures of the businesses that nothing was fitted to by hand.
    $judged = array_values(array_filter($judged, static fn (array $one): bool => ! str_ends_with($one['business'], '*')));
    $left = array_values(array_filter($left, static fn (array $one): bool => ! str_ends_with($one['business'], '*')));
    fwrite(STDERR, 'first '.round(count(array_filter($left, static fn (array $one): bool => $one['first'])) / count(array_filter($left, static fn (array $one): bool => $one['answerable'])), 3).' three '.round(count(array_filter($left, static fn (array $one): bool => $one['three'])) / count(array_filter($left, static fn (array $one): bool => $one['answerable'])), 3)."\n");
}
$yes = count(array_filter($left, static fn (array $one): bool => $one['answerable']));
$no = count($left) - $yes;
foreach ([0.5, 0.55, 0.6, 0.65, 0.7, 0.75, 0.8, 0.85] as $sure) {
    foreach ([0.2, 0.3, 0.4, 0.5] as $worth) {
        $c = ['right' => 0, 'wrong' => 0, 'invented' => 0, 'asked' => 0, 'asked_right' => 0, 'asked_none' => 0];
        foreach ($judged as $one) {
            if ($one['p']['first'] >= $sure && $one['p']['covered'] >= 0.9) {
                $c[$one['first'] ? 'right' : ($one['answerable'] ? 'wrong' : 'invented')]++;
            } elseif ($one['p']['three'] >= $worth) {
                $c['asked']++;
                $c['asked_right'] += $one['three'] ? 1 : 0;
                $c['asked_none'] += $one['answerable'] ? 0 : 1;
            }
        }
        fwrite(STDERR, sprintf("sure %.2f worth %.2f: right %.3f wrong %.3f invented %.3f end %.3f asked %.3f in vain %.3f of asked\n", $sure, $worth, $c['right'] / $yes, $c['wrong'] / $yes, $c['invented'] / $no, ($c['right'] + $c['asked_right']) / $yes, $c['asked'] / count($left), 1 - $c['asked_right'] / max(1, $c['asked'])));
    }
}
$ranking = $rank(array_merge(...array_values($sets)));
$certainty = [];
foreach (['first' => 'first', 'three' => 'three', 'covered' => 'answerable'] as $name => $of) {
    $certainty[$name] = $logistic(array_map(static fn (array $one): array => [$one['x'], $one[$of]], $left));
}
$out = ['data' => LabelledQuestions::fingerprint($folders), 'ranking' => $ranking, 'certainty' => $certainty, 'thresholds' => ['sure' => (float) (getenv('SURE') ?: 0.63), 'covered' => (float) (getenv('COVERED') ?: 0.8), 'alone' => (float) (getenv('ALONE') ?: 0.45), 'alone_covered' => (float) (getenv('ALONE_COVERED') ?: 0.88), 'worth' => (float) (getenv('WORTH') ?: 0.2), 'worth_covered' => (float) (getenv('WORTH_COVERED') ?: 0.5)]];
file_put_contents(dirname(__DIR__).'/core/Language/en/answers.php', "<?php\n\ndeclare(strict_types=1);\n\n// Written by training/answers.php from ".count($left).' questions of '.count($sets)." businesses; figures in docs/figures.md.\nreturn ".var_export($out, true).";\n");
