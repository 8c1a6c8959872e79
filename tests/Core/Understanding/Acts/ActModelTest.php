<?php

declare(strict_types=1);

namespace Tests\Core\Understanding\Acts;

use PHPUnit\Framework\TestCase;
use Ringo\Language\WordVectors;
use Ringo\Understanding\Acts\ActModel;

/** The weights belong to their corpus and figures, and count here as they did in training. */
final class ActModelTest extends TestCase
{
    private const ROOT = __DIR__.'/../../../..';

    public function testWeightsFiguresAndCorpusBelongTogether(): void
    {
        $trained = json_decode((string) file_get_contents(self::ROOT.'/core/Language/en/acts/acts.json'), true, 16, JSON_THROW_ON_ERROR);
        self::assertSame($trained['weights_sha256'], hash_file('sha256', self::ROOT.'/core/Language/en/acts/weights.bin'));
        self::assertSame($trained['corpus_sha256'], hash_file('sha256', self::ROOT.'/data/corpora/acts.jsonl'), 'the corpus has changed: train again (training/README.md)');
        self::assertGreaterThanOrEqual(0.69, $trained['macro_f1']);
    }

    public function testTheBlindLinesAreThoseThatWereFrozen(): void
    {
        self::assertSame('fbfe2444eb9cec49cb8e7ee0b7e9f53c0dc09f9a595a6f55ad9def57323feaef', hash_file('sha256', self::ROOT.'/data/corpora/acts_blind.jsonl'));
    }

    public function testKindsOfWordsBelongToTheirVectors(): void
    {
        $folder = self::ROOT.'/core/Language/en/vectors';
        $made = json_decode((string) file_get_contents($folder.'/kinds.json'), true, 4, JSON_THROW_ON_ERROR);
        self::assertSame($made['rows_sha256'], hash_file('sha256', $folder.'/rows.bin'));
        self::assertSame($made['kinds_sha256'], hash_file('sha256', $folder.'/kinds.bin'));
        $vectors = WordVectors::english();
        self::assertNull($vectors->kinds('qwzxv'));
        self::assertSame($vectors->kinds('tuesday'), $vectors->kinds('thursday'));
        self::assertNotSame($vectors->kinds('tuesday'), $vectors->kinds('sausage'));
    }

    public function testCountsAsTheTrainingDid(): void
    {
        $model = ActModel::english();
        $sample = json_decode((string) file_get_contents(__DIR__.'/sample.json'), true, 16, JSON_THROW_ON_ERROR);
        self::assertCount(40, $sample);
        foreach ($sample as $row) {
            self::assertEqualsWithDelta($row['of'], array_values($model->of($row['said'], $row['asked'], $row['type'])), 1e-3, $row['said']);
        }
    }

    public function testAnUtteranceTakesLittleTime(): void
    {
        $model = ActModel::english();
        $model->of('warm', '', 'topic');
        $least = INF;
        for ($round = 0; $round < 3; $round++) {
            $began = hrtime(true);
            for ($i = 0; $i < 50; $i++) {
                $model->of('hang on a second while I find my glasses, they are somewhere here', 'And what is the reference?', 'reference');
            }
            $least = min($least, (hrtime(true) - $began) / 50 / 1e6);
        }
        self::assertLessThan(5.0, $least, 'milliseconds an utterance, the quickest of three rounds: a machine that stands still for a moment says nothing');
    }
}
