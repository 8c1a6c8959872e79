<?php

declare(strict_types=1);

namespace Tests\Core\Understanding\YesNo;

use PHPUnit\Framework\TestCase;
use Ringo\Understanding\YesNo\Model;

/** The weights belong to their figures and data, and count here as they did in training. */
final class YesNoModelTest extends TestCase
{
    private const FOLDER = __DIR__.'/../../../../core/Language/en/yes_no_meant';

    public function testWeightsFiguresAndCorpusBelongTogether(): void
    {
        $trained = json_decode((string) file_get_contents(self::FOLDER.'/yes_no.json'), true, 8, JSON_THROW_ON_ERROR);
        self::assertSame($trained['weights_sha256'], hash_file('sha256', self::FOLDER.'/weights.bin'));
        self::assertSame($trained['corpus_sha256'], hash_file('sha256', __DIR__.'/../../../../data/corpora/yes_no.jsonl'), 'the corpus has changed: train again (training/README.md)');
    }

    public function testCountsAsTheTrainingDid(): void
    {
        foreach (json_decode((string) file_get_contents(__DIR__.'/sample.json'), true, 8, JSON_THROW_ON_ERROR) as $row) {
            $meant = Model::english()->of($row['said'], $row['question'], $row['read']);
            self::assertEqualsWithDelta($row['of'], [$meant->yes, $meant->no, $meant->neither], 1e-3, $row['said']);
        }
    }

    public function testLeansToTheLikelier(): void
    {
        $meant = Model::english()->of("i'd have to ask my wife", 'Do you have a garage?', null);
        self::assertGreaterThan(0.5, $meant->neither);
        self::assertSame(max($meant->yes, $meant->no), $meant->sureness());
    }
}
