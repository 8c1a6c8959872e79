<?php

declare(strict_types=1);

namespace App\Console\Core;

use Ringo\Language\Vocabulary;
use Ringo\Numbering\NumberingPlan;
use Ringo\Understanding\Context;
use Ringo\Understanding\Understanding;
use Ringo\Understanding\YesNo\Model;
use Ringo\Value\ValueType;

/** What becomes of replies to yes-or-no questions nobody trained on: taken at once, put back in words to confirm, or asked again. */
final class YesNoScore
{
    /** One question in so many was left out of training (training/yes_no.py). */
    private const FOLDS = 5;

    private const TRAINED_ON = 'yes_no.jsonl';

    /** @return iterable<array<string, mixed>> */
    public function of(string $file): iterable
    {
        $lines = is_file($file) ? file($file, FILE_IGNORE_NEW_LINES | FILE_SKIP_EMPTY_LINES) : false;
        if ($lines === false) {
            throw new BadInput("{$file}: there is no such file.");
        }
        $understanding = new Understanding(Vocabulary::of(), new NumberingPlan);
        $judge = new \Ringo\Dialogue\Values\YesNoMeant(Model::english(), Vocabulary::of());
        $counts = ['replies' => 0, 'mean_one' => 0, 'taken' => 0, 'taken_right' => 0, 'put_back' => 0, 'put_back_right' => 0, 'asked_again' => 0, 'neither' => 0, 'neither_taken' => 0, 'neither_put_back' => 0];
        foreach ($lines as $n => $line) {
            $row = json_decode($line, true);
            if (! is_array($row) || ! is_string($row['said'] ?? null) || ! is_string($row['question'] ?? null)) {
                throw new BadInput($file.', line '.($n + 1).': this is no reply with its question.');
            }
            // Of what the training reads only the questions it left out.
            if (basename($file) === self::TRAINED_ON && crc32($row['question']) % self::FOLDS !== 0) {
                continue;
            }
            $heard = $understanding->hear($row['said']);
            $reading = $judge->judged($understanding->read(ValueType::YesNo, $heard, new Context(new \DateTimeImmutable)), $heard, $row['question']);
            $counts['replies']++;
            $wanted = $row['value'];
            $counts['mean_one'] += $wanted === null ? 0 : 1;
            $counts['neither'] += $wanted === null ? 1 : 0;
            $how = ! $reading->found() ? 'asked_again' : ($reading->confidence >= \Ringo\Dialogue\Values\Collector::SURE ? 'taken' : 'put_back');
            if ($wanted === null) {
                $counts['neither_taken'] += $how === 'taken' ? 1 : 0;
                $counts['neither_put_back'] += $how === 'put_back' ? 1 : 0;

                continue;
            }
            $counts[$how]++;
            if ($how !== 'asked_again' && $reading->value === $wanted) {
                $counts["{$how}_right"]++;
            }
        }
        $share = static fn (string $part, string $of): float => round($counts[$part] / max(1, $counts[$of]), 3);

        yield ['set' => basename($file) === self::TRAINED_ON ? 'questions left out' : basename($file), 'replies' => $counts['replies'], 'mean_one' => $counts['mean_one'], 'taken' => $share('taken', 'mean_one'), 'taken_right' => $share('taken_right', 'taken'), 'put_back' => $share('put_back', 'mean_one'), 'put_back_right' => $share('put_back_right', 'put_back'), 'asked_again' => $share('asked_again', 'mean_one'), 'neither' => $counts['neither'], 'neither_taken' => $share('neither_taken', 'neither'), 'neither_put_back' => $share('neither_put_back', 'neither')];
    }
}
