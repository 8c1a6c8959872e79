<?php

declare(strict_types=1);

namespace Tests\Core\Knowledge;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Ringo\Knowledge\Care;
use Ringo\Knowledge\CheckList;
use Ringo\Knowledge\Days;
use Ringo\Knowledge\Groups;
use Ringo\Knowledge\Library;
use Ringo\Knowledge\Passage;
use Ringo\Knowledge\Reading\Sentences;
use Ringo\Knowledge\Reading\UnreadableSource;
use Ringo\Language\Vocabulary;
use Ringo\Speech\Spoken;

/** Sources of every kind become passages and tables. */
final class ReadingTest extends TestCase
{
    public function testMarkdown(): void
    {
        $document = (new Library)->read('terms.md', "---\ntitle: x\n---\n# Terms\n\nWe hire **tools**. See [the site](https://x.example).\n\n## Deposit\n\n- Hand tools: £50\n- Diggers: £200,\n  taken by card\n\n| Zone | Price |\n|---|---:|\n| Near | £25 |\n| Far | a\\|b |\n\n### May I bring my dog?\n\nYes, on a lead.\n\n**Opening hours**\n\nNine to five.\n");

        self::assertSame(['Terms', 'Deposit', 'May I bring my dog?', 'Opening hours'], array_map(static fn (Passage $one): string => $one->heading, $document->passages));
        self::assertSame(['We hire tools.', 'See the site.'], $document->passages[0]->sentences);
        self::assertSame(['Hand tools: £50.', 'Diggers: £200, taken by card.'], $document->passages[1]->sentences);
        self::assertSame(['qa', ['Terms', 'Deposit']], [$document->passages[2]->kind, $document->passages[2]->path]);
        self::assertSame([['Near', '£25'], ['Far', 'a|b']], $document->tables[0]->rows);
        self::assertSame('terms.md#Deposit', $document->tables[0]->place());
    }

    public function testPlainText(): void
    {
        $document = (new Library)->read('house.txt', "SEAGRASS HOUSE\n\nArriving and leaving\nRooms are ready from 3pm. Please leave by 10:30am.\n\nHOURS\nMonday to Friday: 8am to 7pm\nSunday: closed\n\nQ: Is there wifi?\nA: Yes, everywhere.\n");

        self::assertSame(['Arriving and leaving', 'Hours', 'Is there wifi?'], array_map(static fn (Passage $one): string => $one->heading, $document->passages));
        self::assertSame(['Monday to Friday: 8am to 7pm.', 'Sunday: closed.'], $document->passages[1]->sentences);
        self::assertSame(['Yes, everywhere.'], $document->passages[2]->sentences);
    }

    public function testWebPages(): void
    {
        $document = (new Library)->read('page.html', '<html><head><title>Terms | Pellbrook</title><script>var x = "no";</script></head><body><nav>Menu</nav><h2>Deposit</h2><p>It is <b>&pound;50</b>.</p><ul><li>By card</li></ul><details><summary>May I cancel?</summary><p>Until four.</p></details><table><tr><th>a</th><th>b</th></tr><tr><td>1</td><td>2</td></tr></table><footer>Foot</footer></body></html>');

        self::assertSame(['Deposit', 'May I cancel?'], array_map(static fn (Passage $one): string => $one->heading, $document->passages));
        self::assertSame(['It is £50.', 'By card.'], $document->passages[0]->sentences);
        self::assertSame([['1', '2']], $document->tables[0]->rows);
    }

    public function testTablesAndQuestionsAsCsv(): void
    {
        self::assertSame(['screen', 'battery'], array_slice((new Library)->read('prices.csv', "device;screen;battery\nPico;£89;£45\n")->tables[0]->columns, 1));
        $questions = (new Library)->read('faq.csv', "question,answer\nIs it open?,\"Yes, daily. Until six.\"\n");
        self::assertSame([], $questions->tables);
        self::assertSame(['Is it open?', ['Yes, daily.', 'Until six.'], 'qa'], [$questions->passages[0]->heading, $questions->passages[0]->sentences, $questions->passages[0]->kind]);
    }

    #[DataProvider('unreadable')]
    public function testSaysWhatCannotBeRead(string $name, string $bytes, string $words): void
    {
        $this->expectException(UnreadableSource::class);
        $this->expectExceptionMessageMatches("/{$words}/");
        (new Library)->read($name, $bytes);
    }

    /** @return iterable<string, array{string, string, string}> */
    public static function unreadable(): iterable
    {
        yield 'a picture' => ['x.md', "\x89PNG\r\n\0\0", 'not text'];
        yield 'an unknown ending' => ['x.docx', 'text', 'cannot be read'];
        yield 'a broken PDF' => ['x.pdf', '%PDF-1.4 nonsense', 'cannot be read|no text'];
        yield 'a table without rows' => ['x.csv', 'a,b', 'row below'];
    }

    /** @param list<string> $sentences */
    #[DataProvider('prose')]
    public function testSentences(string $text, array $sentences): void
    {
        self::assertSame($sentences, (new Sentences)->of($text));
    }

    /** @return iterable<string, array{string, list<string>}> */
    public static function prose(): iterable
    {
        yield 'two' => ['One. Two!', ['One.', 'Two!']];
        yield 'abbreviations' => ['Ask Mr. Hale, e.g. at No. 5. Then go.', ['Ask Mr. Hale, e.g. at No. 5.', 'Then go.']];
        yield 'figures' => ['It is £2.50. We open at 8.30 a.m. Come early.', ['It is £2.50.', 'We open at 8.30 a.m.', 'Come early.']];
        yield 'nothing' => ['   ', []];
    }

    /** @param list<int> $days */
    #[DataProvider('days')]
    public function testDays(string $text, array $days): void
    {
        self::assertSame($days, (new Days(Vocabulary::of()))->in($text));
    }

    /** @return iterable<string, array{string, list<int>}> */
    public static function days(): iterable
    {
        yield 'a range' => ['Monday to Friday', [1, 2, 3, 4, 5]];
        yield 'short, with a dash' => ['Mon–Thu 9–5, Sat 10–2', [1, 2, 3, 4, 6]];
        yield 'over the weekend' => ['Friday to Monday', [1, 5, 6, 7]];
        yield 'weekends' => ['at weekends', [6, 7]];
        yield 'daily' => ['open daily', [1, 2, 3, 4, 5, 6, 7]];
        yield 'plural' => ['on Sundays', [7]];
        yield 'sun is no Sunday' => ['in the sun we sat', []];
    }

    public function testMonths(): void
    {
        $days = new Days(Vocabulary::of());
        self::assertSame([6, 7, 8, 9], $days->months('from June to September'));
        self::assertSame([1, 2], $days->months('closed from 5 January to 14 February'));
        self::assertSame([], $days->months('you may march in'));
        self::assertSame([5], $days->months('in May'));
    }

    public function testAnswersAreCutToOneBreath(): void
    {
        $long = array_map(static fn (int $i): string => "This is sentence number {$i} and it goes on for quite some time, as sentences do.", range(1, 9));
        [$said, $rest] = (new Spoken)->cut($long, 0, 9);

        self::assertLessThanOrEqual(Spoken::BREATH, (new Spoken)->seconds($said));
        self::assertNotSame([], $rest);
        self::assertSame('Open Monday to Friday 9am to 5pm and so on', (new Spoken)->plain('Open Monday–Friday 9am–5pm etc.'));
    }

    public function testFindsWhatIsWrongWithWhatIsWritten(): void
    {
        $library = new Library;
        $findings = (new Care(Vocabulary::of()))->findings([
            $library->read('a.md', "# Delivery\n\nDelivery to site costs £45 each way. The spring offer runs until 30 April 2025."),
            $library->read('b.md', "# Prices\n\nDelivery to site costs £60 each way.\n\n| a | b |\n|---|---|\n| x | |\n\n".str_repeat('and on it goes with many words that nobody can follow to the end ', 6)),
        ], new \DateTimeImmutable('2026-03-10'));
        $rules = array_column($findings, 'rule');

        foreach (['contradiction', 'stale date', 'too long to speak', 'empty cells'] as $rule) {
            self::assertContains($rule, $rules);
        }
        self::assertSame([], (new Care(Vocabulary::of()))->findings([$library->read('c.md', "# Delivery\n\nDelivery costs £45. Collection costs £30.")], new \DateTimeImmutable('2026-03-10')));
    }

    public function testPutsQuestionsTogetherThatAskTheSame(): void
    {
        $groups = (new Groups(Vocabulary::of()))->of([1 => 'Do you sell second-hand diggers?', 2 => 'Is there a toilet?', 3 => 'can I buy an old digger', 4 => 'have you got a loo', 5 => 'do you stock used diggers']);

        self::assertSame([[1, 3, 5], [2, 4]], $groups);
    }

    public function testChecksSayWhichLineIsWrong(): void
    {
        $checks = (new CheckList)->read("# head\n\nhow much | £5; a day | p.md\nnone | - |\n");
        self::assertSame([['£5', 'a day'], true], [$checks[0]['holds'], $checks[1]['refused']]);
        $this->expectExceptionMessage('line 1');
        (new CheckList)->read('no bar here');
    }
}
