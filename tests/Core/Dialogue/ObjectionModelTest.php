<?php

declare(strict_types=1);

namespace Tests\Core\Dialogue;

use PHPUnit\Framework\TestCase;
use Ringo\Language\SayingModel;
use Ringo\Script\Standing;

/** What was learned of objections belongs to its data, and PHP counts what the training counted. */
final class ObjectionModelTest extends TestCase
{
    public function testWeightsAndDataBelongTogether(): void
    {
        $root = dirname(__DIR__, 3);
        $trained = json_decode((string) file_get_contents("{$root}/core/Language/en/objections/objections.json"), true, 8, JSON_THROW_ON_ERROR);
        self::assertSame($trained['corpus_sha256'], hash_file('sha256', "{$root}/data/corpora/objections/training.tsv"), 'train anew: training/sayings.py objections');
        self::assertSame($trained['weights_sha256'], hash_file('sha256', "{$root}/core/Language/en/objections/weights.bin"));
        self::assertEqualsCanonicalizing([...Standing::OBJECTIONS, 'whence', '-'], $trained['kinds'], 'every kind a script can name was learned');
        foreach (json_decode((string) file_get_contents(__DIR__.'/objections.json'), true, 8, JSON_THROW_ON_ERROR) as $sample) {
            self::assertEqualsWithDelta($sample['of'], array_values(SayingModel::objections()->of($sample['said'])), 1e-3, $sample['said']);
        }
    }
}
