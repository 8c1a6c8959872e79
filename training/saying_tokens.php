<?php

/**
 * Writes what the training of sayings by kind reads, in the features Ringo itself counts, as JSON lines: `questions` (what kind of thing
 * answers a question), `objections` (what somebody who is rung has against it), `requests` (whether a question wants something done or
 * wants to know) or `preambles` (what callers say before they come to what they ring about).
 */

declare(strict_types=1);

use Ringo\Fit\Fold;
use Ringo\Language\UtteranceFeatures;

require dirname(__DIR__).'/vendor/autoload.php';

/** Sayings of calls that are nothing held against one, whatever they are; complaints, refusals and the like may be. */
const HARMLESS = ['answer', 'partial_answer', 'uncertain_answer', 'side_question', 'agree', 'correction', 'disagree_with_value', 'hold', 'repeat', 'leaving', 'greeting', 'thanks', 'back', 'check_presence', 'change_topic'];

/** How a question may begin. */
const OPENS_A_QUESTION = '/^(?:hi |hello |morning |please )?(?:can|could|may|might|would|will|do|does|is|are|have|has|any|what|when|how|who|where|which|am)\b/i';

[$file, $as] = match ($argv[1] ?? '') {
    'questions' => ['questions.tsv', 'question'],
    'objections' => ['objections/training.tsv', 'objection'],
    'requests' => ['requests.tsv', 'request'],
    'preambles' => ['preambles.tsv', 'preamble'],
    default => exit("php training/saying_tokens.php questions|objections|requests|preambles\n"),
};
$corpora = dirname(__DIR__).'/data/corpora';
$lines = array_map(static fn (string $line): array => explode("\t", $line), file("{$corpora}/{$file}", FILE_IGNORE_NEW_LINES) ?: []);
if ($as === 'objection') {
    foreach (file("{$corpora}/acts.jsonl") ?: [] as $line) {
        $one = json_decode($line, true, 8, JSON_THROW_ON_ERROR);
        if (array_diff($one['acts'], HARMLESS) === []) {
            $lines[] = ['-', $one['said']];
        }
    }
}
if ($as === 'request') {
    // What callers have asked businesses elsewhere, and what opened calls with a question's words.
    foreach (file("{$corpora}/asking.tsv", FILE_IGNORE_NEW_LINES) ?: [] as $line) {
        foreach (array_slice(explode("\t", $line), 2) as $said) {
            $lines[] = ['asks', $said];
        }
    }
    foreach (file("{$corpora}/acts.jsonl") ?: [] as $line) {
        $one = json_decode($line, true, 8, JSON_THROW_ON_ERROR);
        if ($one['asked'] === '' && in_array($one['acts'], [['answer'], ['side_question']], true) && preg_match(OPENS_A_QUESTION, $one['said']) === 1) {
            $lines[] = [$one['acts'] === ['answer'] ? 'wants' : 'asks', $one['said']];
        }
    }
}
if ($as === 'preamble') {
    // Whoever comes to the matter at once.
    foreach (glob(dirname(__DIR__).'/data/trades/*.json') ?: [] as $trade) {
        foreach (Fold::heldOut(basename($trade, '.json')) ? [] : json_decode((string) file_get_contents($trade), true, 32, JSON_THROW_ON_ERROR)['sayings'] as $saying) {
            $lines[] = ['-', $saying['said']];
        }
    }
}
$features = new UtteranceFeatures;
foreach ($lines as [$type, $said]) {
    echo json_encode(['type' => $type, 'said' => $said, 'features' => $features->of($plain = mb_strtolower(trim($said, " \t\n?.!")), '', $as), 'meaning' => array_map(static fn (float $one): float => round($one, 5), $features->meaning($plain))], JSON_THROW_ON_ERROR), "\n";
}
