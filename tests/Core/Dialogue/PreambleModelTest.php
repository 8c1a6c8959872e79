<?php

declare(strict_types=1);

namespace Tests\Core\Dialogue;

use PHPUnit\Framework\TestCase;
use Ringo\Fit\Fold;
use Ringo\Language\SayingModel;

/** What callers say before they come to the matter: learned from its data, measured on what it has not seen. */
final class PreambleModelTest extends TestCase
{
    /** Forty-four sayings that were frozen before the model was trained. */
    private const FROZEN = 'ee22bad5a135d7b3c1f26d087bc737ab28900c0351402e626f79e58d986fcbf3';

    private const TAKEN_FROM = 0.3;

    public function testWeightsAndDataBelongTogether(): void
    {
        $root = dirname(__DIR__, 3);
        $trained = json_decode((string) file_get_contents("{$root}/core/Language/en/preambles/preambles.json"), true, 8, JSON_THROW_ON_ERROR);
        self::assertSame($trained['corpus_sha256'], hash_file('sha256', "{$root}/data/corpora/preambles.tsv"), 'train anew: training/sayings.py preambles');
        self::assertSame($trained['weights_sha256'], hash_file('sha256', "{$root}/core/Language/en/preambles/weights.bin"));
        foreach (json_decode((string) file_get_contents(__DIR__.'/preambles.json'), true, 8, JSON_THROW_ON_ERROR) as $sample) {
            self::assertEqualsWithDelta($sample['of'], array_values(SayingModel::preambles()->of($sample['said'])), 1e-3, $sample['said']);
        }
    }

    public function testSayingsItHasNotSeen(): void
    {
        $file = dirname(__DIR__, 3).'/data/corpora/preambles_blind.tsv';
        self::assertSame(self::FROZEN, hash_file('sha256', $file));
        $right = 0;
        foreach (file($file, FILE_IGNORE_NEW_LINES) ?: [] as $line) {
            [$kind, $said] = explode("\t", $line);
            $right += $this->kind($said) === $kind ? 1 : 0;
        }
        self::assertGreaterThanOrEqual(26, $right);
    }

    /** Callers of trades nobody trained on come to the matter, and are hardly ever asked to. */
    public function testWhoComesToTheMatterIsNotAskedTo(): void
    {
        $taken = $all = 0;
        foreach (array_slice(glob(dirname(__DIR__, 3).'/data/trades/*.json') ?: [], 0, 120) as $trade) {
            foreach (Fold::heldOut(basename($trade, '.json')) ? json_decode((string) file_get_contents($trade), true, 32, JSON_THROW_ON_ERROR)['sayings'] : [] as $saying) {
                $taken += $this->kind($saying['said']) === '-' ? 0 : 1;
                $all++;
            }
        }
        self::assertGreaterThan(1_000, $all);
        self::assertLessThan(0.01, $taken / $all);
    }

    private function kind(string $said): string
    {
        $of = SayingModel::preambles()->of($said);
        unset($of['-']);
        arsort($of);
        $kind = (string) array_key_first($of);

        return $of[$kind] >= self::TAKEN_FROM ? $kind : '-';
    }
}
