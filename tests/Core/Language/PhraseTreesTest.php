<?php

declare(strict_types=1);

namespace Tests\Core\Language;

use PHPUnit\Framework\TestCase;
use Ringo\Language\Phrases;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Readers\YesNoReader;
use Ringo\Understanding\When\Wishes\ItemFinder;

/** Phrases that are written out stand for what their tables say. */
final class PhraseTreesTest extends TestCase
{
    public function testTreesBelongToTheirTables(): void
    {
        $folder = dirname(__DIR__, 3).'/core/Language/en';
        $words = Vocabulary::of();
        foreach (Vocabulary::WRITTEN_OUT as $table) {
            $tables = array_filter(require "{$folder}/{$table}.php", Vocabulary::ofPhrases(...));
            $written = require "{$folder}/trees/{$table}.php";
            self::assertSame([...array_keys($tables), ...Vocabulary::TOGETHER[$table] ?? []], array_keys($written), "{$table}: run tools/phrase-trees.php");
            foreach (array_keys($written) as $name) {
                $sections = explode('+', (string) $name);
                self::assertSame((new Phrases($words->entries($table, $sections)))->tree(), $words->phrases($table, ...$sections)->tree(), "{$table}/{$name}: run tools/phrase-trees.php");
            }
        }
    }

    public function testWhatIsPutTogetherIsWhatItIsPutTogetherFrom(): void
    {
        $words = Vocabulary::of();
        $composed = ['yes_no' => YesNoReader::table($words), 'turns_of_days' => ItemFinder::turns($words)];
        self::assertSame(array_keys($composed), array_keys(require dirname(__DIR__, 3).'/core/Language/en/trees/composed.php'));
        foreach ($composed as $name => $entries) {
            self::assertSame((new Phrases($entries))->tree(), $words->composed($name, static fn (): array => [])->tree(), "{$name}: run tools/phrase-trees.php");
        }
    }

    public function testASectionThatIsNotThereIsNamed(): void
    {
        $this->expectExceptionMessage('The table acts has no section nonsense.');
        Vocabulary::of()->phrases('acts', 'nonsense');
    }
}
