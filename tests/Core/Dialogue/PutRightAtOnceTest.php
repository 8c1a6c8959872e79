<?php

declare(strict_types=1);

namespace Tests\Core\Dialogue;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** What was told a moment ago is put right though the next question has been asked, whatever that is. */
final class PutRightAtOnceTest extends TestCase
{
    private const FIELDS = [
        'phone' => [['type' => 'string', 'format' => 'phone', 'title' => 'Phone'], '07700 900 345'],
        'start' => [['type' => 'string', 'format' => 'date', 'title' => 'Start'], 'Thursday'],
        'time' => [['type' => 'string', 'format' => 'time', 'title' => 'Time'], 'half six'],
        'guests' => [['type' => 'integer', 'title' => 'Guests'], 'two'],
        'host' => [['type' => 'string', 'format' => 'person-name', 'title' => 'Host'], 'Ewan Brodie'],
        'email' => [['type' => 'string', 'format' => 'email', 'title' => 'E-mail'], 'helenmarsh at example dot com'],
        'reference' => [['type' => 'string', 'format' => 'reference', 'title' => 'Reference'], 'RT4771'],
        'colour' => [['type' => 'string', 'enum' => ['red', 'green', 'blue'], 'title' => 'Colour'], 'red'],
    ];

    private const NEXT = [
        'text' => [['type' => 'string', 'title' => 'Anything to add'], 'Anything to add?'],
        'dog' => [['type' => 'boolean', 'title' => 'Dog'], 'Have you got a dog?'],
        'windows' => [['type' => 'integer', 'title' => 'Windows'], 'How many windows?'],
        'name' => [['type' => 'string', 'format' => 'person-name', 'title' => 'Name'], 'And what is your name?'],
    ];

    #[TestWith(['phone', 'no, 354 at the end', '+447700900354'])]
    #[TestWith(['phone', "sorry, it's 07700 900 354", '+447700900354'])]
    #[TestWith(['phone', 'no wait, the last three are 354', '+447700900354'])]
    #[TestWith(['start', 'no the fifteenth of April', '2026-04-15'])]
    #[TestWith(['start', 'no sorry, Friday', '2026-03-13'])]
    #[TestWith(['time', "that's in the morning", '06:30'])]
    #[TestWith(['time', 'no, half seven', '19:30'])]
    #[TestWith(['guests', 'no, three', 3])]
    #[TestWith(['host', "that's Euan, E U A N", 'Euan Brodie'])]
    #[TestWith(['host', 'no, Brody with a y', 'Ewan Brody'])]
    #[TestWith(['host', "that's B R O D I E", 'Ewan Brodie'])]
    #[TestWith(['email', "no, there's a dot between helen and marsh", 'helen.marsh@example.com'])]
    #[TestWith(['reference', 'no, P T 4771', 'PT4771'])]
    #[TestWith(['colour', 'no, blue', 'blue'])]
    #[TestWith(['colour', 'actually, can I have blue', 'blue'])]
    public function testItIsPutRight(string $field, string $said, mixed $held): void
    {
        foreach (array_keys(self::NEXT) as $next) {
            $call = $this->told($field, $next)->says($said);
            self::assertSame($held, $call->value($field), "{$next}: ".$call->heard());
            self::assertNull($call->value($next), $call->heard());
        }
    }

    #[TestWith(['text', 'no, just that I may be ten minutes late'])]
    #[TestWith(['text', 'actually yes, there are three steps'])]
    #[TestWith(['dog', 'no, never'])]
    #[TestWith(['dog', 'no, two cats'])]
    #[TestWith(['dog', 'no, he died on Thursday'])]
    #[TestWith(['dog', 'no, he was fourteen'])]
    #[TestWith(['windows', 'sorry, four'])]
    #[TestWith(['windows', 'actually just one'])]
    #[TestWith(['name', 'sorry, Jean Askew'])]
    public function testAnyOtherNoAnswersWhatIsAsked(string $next, string $said): void
    {
        foreach (array_keys(self::FIELDS) as $field) {
            $call = $this->told($field, $next);
            $held = $call->value($field);
            self::assertSame($held, $call->says($said)->value($field), "{$field}: ".$call->heard());
        }
    }

    /** At the open question at the end any value may be put right that is the only one of its kind. */
    #[TestWith(["no, sorry, it's 354 at the end", 'phone', '+447700900354'])]
    #[TestWith(['no, Saturday', 'from', '2026-03-14'])]
    #[TestWith(['no, four days', 'days', 'P4D'])]
    #[TestWith(['oh and can you change the name to Ann Grey', 'name', 'Ann Grey'])]
    #[TestWith(['could you put it under Ann Grey instead', 'name', 'Ann Grey'])]
    #[TestWith(['no thanks', 'from', '2026-03-13'])]
    #[TestWith(["no that's the lot", 'name', 'Ann Poole'])]
    #[TestWith(['no, four', 'riders', 2])]
    public function testAtTheEnd(string $said, string $field, mixed $held): void
    {
        $document = json_decode((string) file_get_contents(__DIR__.'/calls/cycles.json'), true, 64, JSON_THROW_ON_ERROR);
        $call = Conversation::with($document)->says('I want to hire a bike', 'Friday', 'three days', 'two', 'one eighty', 'no', 'no', 'Ann Poole', '07700 900 345');
        self::assertStringContainsString('anything else', $call->heard());

        self::assertSame($held, $call->says($said)->value($field), $call->heard());
    }

    #[TestWith(["that's in the evening"])]
    #[TestWith(['no, in the evening'])]
    #[TestWith(['no, Friday at eleven'])]
    #[TestWith(['no, eleven'])]
    public function testWhatStandsInTheDiaryIsNotWrittenOver(string $said): void
    {
        $call = Conversation::withIsolde()->says('I need my upright tuned', 'the north side', 'Jan Moss', 'Thursday at ten', 'yes please', $said);

        self::assertSame('2026-03-12T10:00', $call->value('start'), 'the record says what the diary says: '.$call->heard());
    }

    public function testWhatWasToldUnaskedIsPutRightAsWell(): void
    {
        $fields = ['start' => self::FIELDS['start'][0], 'dog' => self::NEXT['dog'][0], 'phone' => self::FIELDS['phone'][0], 'windows' => self::NEXT['windows'][0]];
        $call = Conversation::asking($fields, ['start' => 'When?', 'dog' => 'Have you got a dog?', 'phone' => 'Your number?', 'windows' => 'How many windows?'])->says('Thursday, my number is 07700 900 345');
        self::assertSame('+447700900345', $call->value('phone'), $call->heard());
        $call->says('no, 354 at the end');

        self::assertSame(['2026-03-12', '+447700900354', null], [$call->value('start'), $call->value('phone'), $call->value('dog')], $call->heard());
    }

    /** Whatever puts it right, a value keeps to the bounds of its field; what was held stays. */
    public function testWhatBreaksABoundTakesNoPlace(): void
    {
        $fields = ['guests' => ['type' => 'integer', 'title' => 'Guests', 'x-bounds' => ['largest' => 20]], 'start' => self::FIELDS['start'][0], 'dog' => self::NEXT['dog'][0]];
        $asking = static fn (): Conversation => Conversation::asking($fields, ['guests' => 'How many guests?', 'start' => 'When?', 'dog' => 'Have you got a dog?']);
        foreach ([['two', 'no, three hundred'], ['two', 'Friday', 'sorry, I meant three hundred guests']] as $said) {
            $call = $asking()->says(...$said);
            self::assertStringContainsString('20', $call->heard());
            self::assertSame(2, $call->value('guests'));
        }
        $call = $asking()->says('me and my sister', 'no, three hundred');
        self::assertStringContainsString('20', $call->heard());
        self::assertSame(3, $call->says('no, three', 'yes')->value('guests'), $call->heard());
    }

    public function testAPartOfTheDayMayBeAnAnswerByItself(): void
    {
        $fields = ['time' => self::FIELDS['time'][0], 'when' => ['type' => 'string', 'title' => 'When it is worst']];
        $call = Conversation::asking($fields, ['time' => 'What time did it begin?', 'when' => 'When is it at its worst?'])->says('half six', 'in the morning');

        self::assertSame(['18:30', 'in the morning'], [$call->value('time'), $call->value('when')]);
    }

    private function told(string $field, string $next): Conversation
    {
        [[$of, $said], [$then, $question]] = [self::FIELDS[$field], self::NEXT[$next]];

        return Conversation::asking([$field => $of, $next => $then], [$field => 'What is the first of them?', $next => $question])->says($said);
    }
}
