<?php

declare(strict_types=1);

namespace Tests\Core\Language;

use PHPUnit\Framework\TestCase;
use Ringo\Language\TrainedFigures;

/** What processes share says what the trainings wrote. */
final class TrainedFiguresTest extends TestCase
{
    public function testFiguresAreThoseOfTheTrainings(): void
    {
        $files = glob(dirname(__DIR__, 3).'/core/Language/en/*/*.json') ?: [];
        self::assertNotSame([], $files);
        foreach ($files as $file) {
            if (basename(dirname($file)) !== 'vectors') {
                self::assertSame(json_decode((string) file_get_contents($file), true, 64, JSON_THROW_ON_ERROR), TrainedFigures::of(dirname($file), basename($file, '.json')), "{$file}: run tools/trained-figures.php");
            }
        }
    }
}
