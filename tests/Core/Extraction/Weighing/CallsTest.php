<?php

declare(strict_types=1);

namespace Tests\Core\Extraction\Weighing;

use PHPUnit\Framework\TestCase;
use Ringo\Extraction\Extractor;
use Ringo\Extraction\Score;
use Ringo\Format\LabelledCalls;
use Ringo\Sheet\RecordSheet;

/** The labelled calls of data/corpora/calls: those nobody has looked at are frozen, and none reads worse than it did. */
final class CallsTest extends TestCase
{
    private const FOLDER = __DIR__.'/../../../../data/corpora/calls';

    /** Of all sheets, then all calls, of what is frozen. */
    private const FROZEN = ['blind' => '64f4640c82f0a67171de8164b462cff4b88a890ab2d073d89a60873c0dbf137f', 'blind_second' => '915805091b74072c22caa3bb52e2d10fa6b89240e743582ca531d640c9ba8017', 'blind_third' => 'e729e126bc83c31729b64491aeff98cbbf65aac4083897369a00fe5ef518976b'];

    public function testWhatIsFrozenIsAsItWasWritten(): void
    {
        foreach (self::FROZEN as $set => $hash) {
            $all = '';
            foreach (['sheet.json', 'calls.txt'] as $name) {
                foreach (glob(self::FOLDER."/{$set}/*/{$name}") ?: [] as $file) {
                    $all .= file_get_contents($file);
                }
            }

            self::assertSame($hash, hash('sha256', $all), $set);
        }
    }

    /** Figures as docs/figures.md has them, a little below. */
    public function testReadsThemNoWorseThanItDid(): void
    {
        foreach (['blind' => [0.66, 0.12], 'blind_second' => [0.77, 0.08], 'blind_third' => [0.84, 0.13], 'looked_at' => [0.78, 0.08]] as $half => [$least, $most]) {
            $score = new Score;
            foreach (glob(self::FOLDER."/{$half}/*/calls.txt") ?: [] as $file) {
                $sheet = RecordSheet::fromArray(json_decode((string) file_get_contents(dirname($file).'/sheet.json'), true, 32, JSON_THROW_ON_ERROR));
                $extractor = isset($extractor) ? $extractor->with($sheet) : Extractor::for($sheet);
                foreach ((new LabelledCalls)->read((string) file_get_contents($file)) as $n => $call) {
                    // Of those that were looked at each third stands for all.
                    if ($half === 'looked_at' && $n % 3 !== 0) {
                        continue;
                    }
                    $score->add($call['transcript']->id, $sheet, $call['expected'], $extractor->extract($call['transcript'])->values());
                }
            }
            self::assertGreaterThanOrEqual($least, $score->f1(), $half);
            self::assertLessThanOrEqual($most, $score->invented(), $half);
        }
    }
}
