<?php

declare(strict_types=1);

namespace Tests\Core\Trade;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Ringo\Document\InvalidDocument;
use Ringo\Fit\Meaning;
use Ringo\Sheet\RecordSheet;
use Ringo\Trade\Commonness;
use Ringo\Trade\FactsAsked;
use Ringo\Trade\Trade;
use Ringo\Trade\Trades;

final class TradeTest extends TestCase
{
    private const SMALL = ['trade' => 'clock-mender', 'label' => 'clock mender', 'about' => 'Mends clocks.', 'splits' => [[['key' => 'bench', 'name' => 'Bench', 'description' => 'repairs']]], 'sayings' => [['said' => 'it stopped at noon', 'fit' => ['bench']]]];

    public function testEveryShippedTradeIsReadAndWrittenAsItStands(): void
    {
        foreach (glob(__DIR__.'/../../../data/trades/*.json') ?: [] as $file) {
            $data = json_decode((string) file_get_contents($file), true, 32, JSON_THROW_ON_ERROR);
            self::assertEquals($data, Trade::read($data)->toArray(), $file);
        }
    }

    public function testTheIndexBelongsToTheTradesAndTheMeanings(): void
    {
        $labels = Trades::shipped()->labels();
        self::assertCount(count(glob(__DIR__.'/../../../data/trades/*.json') ?: []), $labels, 'the trades have changed: run tools/trade-index.php');
        foreach (['boarding-kennels', 'accountant', 'plant-hire'] as $key) {
            $trade = Trades::shipped()->of($key);
            self::assertNotNull($trade);
            self::assertSame($trade->label, $labels[$key]);
            $near = Trades::shipped()->nearest($trade->described(), 1);
            self::assertSame($key, array_key_first($near));
            self::assertGreaterThan(0.98, $near[$key], 'the meanings have changed: run tools/trade-index.php');
        }
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function wrong(): iterable
    {
        yield 'no key' => [['trade' => 'Clock mender'] + self::SMALL, 'trade: must be a key'];
        yield 'a saying for no team' => [['sayings' => [['said' => 'hello there', 'fit' => ['shop']]]] + self::SMALL, 'sayings[0].fit[0]: “shop” is no team of that split; bench are'];
        yield 'nothing said' => [['sayings' => [], 'questions' => []] + self::SMALL, 'sayings: must hold something'];
        yield 'an empty saying' => [['sayings' => [['said' => ' ', 'fit' => []]]] + self::SMALL, 'sayings[0].said: must not be empty'];
        yield 'splits that are no lists' => [['splits' => ['x']] + self::SMALL, 'splits[0]: must be a list'];
        yield 'more fits than splits' => [['sayings' => [['said' => 'hello', 'fit' => ['bench', 'bench']]]] + self::SMALL, 'sayings[0].fit: must be a list'];
        yield 'an unknown key' => [['sayngs' => []] + self::SMALL, 'sayngs: is not a known key; did you mean “sayings”'];
        yield 'a field without a question' => [['fields' => [['name' => 'Make', 'type' => 'text', 'say' => []]]] + self::SMALL, 'fields[0].ask: must not be empty'];
    }

    /** @param array<string, mixed> $data */
    #[DataProvider('wrong')]
    public function testSaysWhereATradeIsWrong(array $data, string $message): void
    {
        try {
            Trade::read($data);
            self::fail('it was taken');
        } catch (InvalidDocument $problem) {
            self::assertStringContainsString(explode('; did', $message)[0], implode("\n", array_map(static fn (array $one): string => $one['path'].': '.$one['message'], $problem->problems)));
        }
    }

    public function testABusinessIsMatchedByWhatItWrote(): void
    {
        $trades = Trades::shipped([Trade::read(['about' => 'Mends grandfather clocks, mantel clocks and watches.'] + self::SMALL)]);
        self::assertArrayHasKey('clock-mender', $trades->nearest('We repair antique clocks and watches.', 2));
        self::assertSame('boarding-kennels', array_key_first($trades->nearest('Boarding for dogs while their owners are away, with runs and a groomer')));
        self::assertNull($trades->of('../composer'));
        self::assertNull($trades->of('no-such-trade'));
    }

    public function testWhatManySayComesFirst(): void
    {
        $order = (new Commonness(Meaning::english()))->order(['I want to book my dog in', 'can I book two dogs in for a week', 'booking for my dog please', 'the moon is made of green cheese', 'is there space for my dog in June']);
        self::assertSame('the moon is made of green cheese', $order[4]);
        self::assertSame([], (new Commonness(Meaning::english()))->order([]));
        self::assertSame(['only one'], (new Commonness(Meaning::english()))->order(['only one', 'only one']));
    }

    public function testTellsWhichFactsASheetTakes(): void
    {
        $sheet = RecordSheet::fromArray(['type' => 'object', 'properties' => ['who' => ['type' => 'string', 'format' => 'person-name', 'title' => 'Name'], 'breed' => ['type' => 'string', 'title' => 'Breed of the dog']]]);
        $facts = [['name' => "Owner's name", 'type' => 'person_name', 'ask' => 'Your name?', 'say' => []], ['name' => 'Dog breed', 'type' => 'text', 'ask' => 'Which breed is the dog?', 'say' => []], ['name' => 'Vaccination date', 'type' => 'date', 'ask' => 'When was he last vaccinated?', 'say' => []], ['name' => 'Dog Breed', 'type' => 'text', 'ask' => 'again', 'say' => []]];
        self::assertSame(['who', 'breed', null], array_column((new FactsAsked(Meaning::english()))->among($facts, $sheet), 'field'));
    }
}
