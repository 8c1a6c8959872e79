<?php

declare(strict_types=1);

namespace Tests\Core\Extraction\Weighing;

use PHPUnit\Framework\TestCase;
use Ringo\Extraction\Weighing\Weights;

/** The weights belong together, and PHP counts as the training did. */
final class WeightsTest extends TestCase
{
    private const FOLDER = __DIR__.'/../../../../core/Language/en/records';

    public function testWeightsAndWhatTellsOfThemBelongTogether(): void
    {
        $told = json_decode((string) file_get_contents(self::FOLDER.'/records.json'), true, 8, JSON_THROW_ON_ERROR);

        self::assertSame($told['weights_sha256'], hash_file('sha256', self::FOLDER.'/weights.bin'));
        self::assertSame($told['data_sha256'], $this->data(), 'the calls changed after the weights were trained');
        self::assertSame(count($told['signs']), count(array_unique($told['signs'])));
        self::assertSame(4 * (count($told['signs']) * ($told['hidden'] + 1) + 2 * $told['hidden'] + 1), filesize(self::FOLDER.'/weights.bin'));
    }

    private function data(): string
    {
        $root = dirname(__DIR__, 4);
        $files = [...glob($root.'/data/corpora/calls/looked_at/*/{sheet.json,calls.txt}', GLOB_BRACE) ?: [], ...glob($root.'/tests/Core/Extraction/cases/*/{sheet.json,calls.txt}', GLOB_BRACE) ?: []];
        sort($files, SORT_STRING);

        return hash('sha256', implode('', array_map(static fn (string $file): string => (string) file_get_contents($file), $files)));
    }

    public function testCountsAsTheTrainingDid(): void
    {
        $sample = json_decode((string) file_get_contents(__DIR__.'/sample.json'), true, 8, JSON_THROW_ON_ERROR);
        self::assertGreaterThanOrEqual(40, count($sample));
        $weights = new Weights(self::FOLDER);
        foreach ($sample as $one) {
            self::assertEqualsWithDelta($one['score'], $weights->score(array_map(floatval(...), $one['signs'])), 1e-3);
        }
    }

    public function testSignsThatTrainingNeverSawCountNothing(): void
    {
        $weights = new Weights(self::FOLDER);

        self::assertSame($weights->score(['sure' => 0.5]), $weights->score(['sure' => 0.5, 'never seen' => 1.0]));
    }
}
