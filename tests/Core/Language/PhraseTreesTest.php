<?php

declare(strict_types=1);

namespace Tests\Core\Language;

use PHPUnit\Framework\TestCase;
use Ringo\Language\Phrases;
use Ringo\Language\Vocabulary;

/** Phrases that are written out stand for what their tables say. */
final class PhraseTreesTest extends TestCase
{
    public function testTreesBelongToTheirTables(): void
    {
        $folder = dirname(__DIR__, 3).'/core/Language/en';
        foreach (Vocabulary::WRITTEN_OUT as $table) {
            $tables = require "{$folder}/{$table}.php";
            self::assertSame(array_keys($tables), array_keys(require "{$folder}/trees/{$table}.php"), 'run tools/phrase-trees.php');
            foreach ($tables as $section => $rows) {
                self::assertSame((new Phrases(array_is_list($rows) ? array_combine($rows, $rows) : $rows))->tree(), Vocabulary::of()->phrases($table, (string) $section)->tree(), "{$table}/{$section}: run tools/phrase-trees.php");
            }
        }
    }

    public function testASectionThatIsNotThereIsNamed(): void
    {
        $this->expectExceptionMessage('The table acts has no section nonsense.');
        Vocabulary::of()->phrases('acts', 'nonsense');
    }
}
