<?php

declare(strict_types=1);

namespace Tests\Core\Console;

use App\Console\Core\BadInput;
use App\Console\Core\ObjectionScore;
use PHPUnit\Framework\TestCase;

/** What strangers who are rung have against it is understood as well as was measured. */
final class ObjectionScoreTest extends TestCase
{
    /** Sayings of the frozen set, and how many of them at least are told rightly, at most taken for another kind, and at most taken though they are none. */
    private const FROZEN = ['sha256' => 'ae1d619f37f6afda0a7f32ee53ff058fcc61f374e81b5bf50df6f1301913d8df', 'right' => 0.62, 'another' => 0.11, 'none_taken' => 3];

    public function testStrangersAreUnderstoodAsWasMeasured(): void
    {
        $file = dirname(__DIR__, 3).'/data/corpora/objections/blind.tsv';
        self::assertSame(self::FROZEN['sha256'], hash_file('sha256', $file));
        $lines = array_column(iterator_to_array((new ObjectionScore)->of($file), false), null, 'kind');
        self::assertGreaterThanOrEqual(self::FROZEN['right'], $lines['all objections']['right']);
        self::assertLessThanOrEqual(self::FROZEN['another'], $lines['all objections']['another']);
        self::assertLessThanOrEqual(self::FROZEN['none_taken'], $lines['-']['another']);
    }

    public function testAFileThatIsNoneSaysWhere(): void
    {
        $file = tempnam(sys_get_temp_dir(), 'said') ?: '';
        file_put_contents($file, "price\ttoo dear\nno kind here\n");
        try {
            iterator_to_array((new ObjectionScore)->of($file), false);
            self::fail();
        } catch (BadInput $problem) {
            self::assertStringContainsString('line 2', $problem->getMessage());
        } finally {
            unlink($file);
        }
    }
}
