<?php

declare(strict_types=1);

namespace Tests\Core\Extraction\Weighing;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Ringo\Extraction\Extractor;
use Ringo\Extraction\Weighing\Candidate;
use Ringo\Sheet\RecordSheet;
use Ringo\Transcript\Transcript;
use Ringo\Transcript\Turn;

/** The right value is among those that are weighed, whatever way it was told in. */
final class CandidatesTest extends TestCase
{
    /**
     * @param array<string, mixed> $field
     * @param list<string> $lines the other side's first, then the caller's, in turn; '' where a side says nothing
     */
    #[DataProvider('told')]
    public function testTheValueIsAmongThem(array $field, array $lines, mixed $value, string $told, ?string $sign = null): void
    {
        $found = array_values(array_filter($this->candidates($field, $lines), static fn (Candidate $one): bool => $one->value == $value));

        self::assertNotSame([], $found, json_encode(array_column($this->candidates($field, $lines), 'value'), JSON_THROW_ON_ERROR));
        self::assertContains($told, array_column($found, 'told'));
        if ($sign !== null) {
            self::assertNotSame([], array_filter($found, static fn (Candidate $one): bool => ($one->signs[$sign] ?? 0.0) > 0.0), $sign);
        }
    }

    /** @return iterable<string, array{array<string, mixed>, list<string>, mixed, string, 4?: string}> */
    public static function told(): iterable
    {
        $name = ['format' => 'person-name', 'title' => 'Name'];
        $phone = ['format' => 'phone', 'title' => 'Phone number'];
        $address = ['format' => 'postal-address', 'title' => 'Address'];
        $from = ['format' => 'date', 'title' => 'Arrival'];
        $to = ['format' => 'date', 'title' => 'Departure'];
        $at = ['format' => 'time', 'title' => 'Time'];
        $stay = "from Friday the 20th to Monday the 23rd of March, we're two";

        yield 'the beginning of a stay' => [$from, ['When?', $stay], '2026-03-20', Candidate::ANSWER, 'span:fits'];
        yield 'its end' => [$to, ['When?', $stay], '2026-03-23', Candidate::ANSWER, 'span:fits'];
        yield 'one side of an or' => [$from, ['Which day?', 'Tuesday or Wednesday'], '2026-03-11', Candidate::ANSWER, 'sides:or'];
        yield 'a surname to a first name' => [
            $name,
            ['Who is that?', "It's Marcus at the farm", 'And your surname?', 'Hebden'],
            'Marcus Hebden',
            Candidate::MENDED,
            'mends:joined',
        ];
        yield 'a town to a street' => [
            $address,
            ['Where are you?', '14 Larch Close', 'Which town is that?', 'Oldmere'],
            '14 Larch Close, Oldmere',
            Candidate::MENDED,
            'mends:joined',
        ];
        yield 'the end of a number put right' => [
            $phone,
            ['Your number?', '07700 900611', 'So 07700 900611?', 'No, it ends in 612'],
            '+447700900612',
            Candidate::MENDED,
            'mends',
        ];
        yield 'a number bit by bit' => [
            $phone,
            ['Your number?', 'oh seven seven double oh', 'Mm hm', 'nine double oh', 'Go on', 'six one five'],
            '+447700900615',
            Candidate::ANSWER,
            'at:pieces',
        ];
        yield 'the number calling' => [$phone, ["And your number's the one you're on?", 'It is, yes'], '+447700900199', Candidate::MEANT, 'this:asked'];
        yield 'an hour of the afternoon the talk is of' => [$at, ['It is three in the afternoon now. Later?', 'Make it half four'], '16:30', Candidate::ANSWER];
        yield 'the same day' => [$from, ['I have Saturday the 14th of March.', 'The same day is fine for us'], '2026-03-14', Candidate::ANSWER, 'day:anchored'];
        yield 'none' => [['type' => 'number', 'title' => 'Number of dogs'], ['How many dogs have you?', 'None at all'], 0, Candidate::MEANT];
        yield 'an option in other words' => [
            ['title' => 'How old are you', 'enum' => ['under 30', '30 to 49', '50 or more']],
            ['How old are you?', 'forty-one'],
            '30 to 49',
            Candidate::ANSWER,
        ];
        yield 'said by the other side and taken' => [
            $from,
            ['I could do Thursday the 12th of March.', 'Yes please'],
            '2026-03-12',
            Candidate::OFFER,
            'reply:yes',
        ];
    }

    public function testWhatWasSaidBackIsKnownToBeAgreedToOrRefused(): void
    {
        $lines = ['Which day?', 'Tuesday', 'So that is Tuesday the 17th of March?', 'No, Thursday', 'Thursday the 12th of March then?', 'Yes'];
        $by = [];
        foreach ($this->candidates(['format' => 'date', 'title' => 'Day'], $lines) as $one) {
            if ($one->told === Candidate::ANSWER) {
                $by[(string) json_encode($one->value)] = $one->signs;
            }
        }

        self::assertSame(1.0, $by['"2026-03-12"']['agreed'] ?? null);
        self::assertArrayNotHasKey('refused', array_filter($by['"2026-03-12"']));
        self::assertGreaterThan(0.0, $by['"2026-03-17"']['mended'] ?? 0.0);
        self::assertSame(1.0, $by['"2026-03-17"']['refused'] ?? null);
    }

    public function testHalfAnHourIsNoNumberOfYears(): void
    {
        self::assertNotContains(
            0,
            array_column($this->candidates(['type' => 'number', 'title' => 'Age in years'], ['How long a walk?', 'Thirty minutes is plenty']), 'value'),
        );
    }

    /**
     * @param array<string, mixed> $field
     * @param list<string> $lines
     *
     * @return list<Candidate>
     */
    private function candidates(array $field, array $lines): array
    {
        $sheet = RecordSheet::fromArray(['type' => 'object', 'properties' => ['field' => $field + ['type' => 'string']]]);
        $turns = array_map(
            static fn (string $line, int $i): Turn => new Turn($i % 2 === 0 ? 'agent' : 'caller', $line, $i * 4.0, 3.0),
            $lines,
            array_keys($lines),
        );

        return Extractor::for($sheet)->candidates(new Transcript(
            't',
            '2026-03-10T09:14:00+00:00',
            'Europe/London',
            'GB',
            'inbound',
            '+447700900199',
            null,
            $turns,
        ))['field'];
    }
}
