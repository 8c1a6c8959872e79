<?php

declare(strict_types=1);

namespace Tests\Core\Dialogue;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** Ages, ends of months, two names and thanks, as callers say them on the way through a call. It is a Tuesday, the tenth of March 2026. */
final class OnTheWayTest extends TestCase
{
    private const FIELDS = [
        'child' => ['type' => 'string', 'format' => 'person-name', 'title' => 'Child'],
        'age' => ['type' => 'integer', 'title' => 'Age'],
        'days' => ['type' => 'array', 'title' => 'Days', 'items' => ['enum' => ['Mondays', 'Wednesdays', 'Saturday mornings']]],
        'start' => ['type' => 'string', 'format' => 'date', 'title' => 'First lesson'],
        'email' => ['type' => 'string', 'format' => 'email', 'title' => 'E-mail'],
    ];

    private const QUESTIONS = ['child' => 'Who are the lessons for?', 'age' => 'How old are they?', 'days' => 'Which days suit you?', 'start' => 'When would you like to begin?', 'email' => 'Which e-mail shall we write to?'];

    #[TestWith(["he's just turned six", 6])]
    #[TestWith(["they're both four", 4])]
    #[TestWith(['seven years old', 7])]
    public function testAnAgeToldInPlaceOfASurname(string $said, int $age): void
    {
        $call = $this->call()->says('lessons please', 'Oskar', $said);

        self::assertSame(['Oskar', $age], [$call->value('child'), $call->value('age')], $call->heard());
        self::assertSame('days', $call->state->step);
    }

    public function testWhomItIsForIsNoAge(): void
    {
        self::assertNull($this->call()->says('lessons for my two please')->value('age'));
    }

    public function testAYearTellsAnAge(): void
    {
        $call = $this->call()->says('lessons please', 'Oskar Bell', 'he was born in 2019');

        self::assertSame(7, $call->says('yes')->value('age'));
    }

    public function testTwoNamesAreOneAnswer(): void
    {
        self::assertSame('Owen and Carys Pugh', $this->call()->says('lessons please', 'Owen and Carys Pugh')->value('child'));
    }

    public function testAnAddressIsNoSurname(): void
    {
        $call = $this->call()->says('lessons please', 'Oskar', 'oskarb at quillmail dot example');

        self::assertSame(['Oskar', 'oskarb@quillmail.example'], [$call->value('child'), $call->value('email')]);
    }

    public function testDaysToldAheadAreNoOneDay(): void
    {
        $call = $this->call()->says('lessons please', 'Oskar Bell', 'Saturdays');

        self::assertSame([['Saturday mornings'], null], [$call->value('days'), $call->value('start')]);
    }

    public function testTheEndOfAMonthIsPutBack(): void
    {
        $call = $this->call()->says('lessons please', 'Oskar Bell', 'six', 'Mondays', 'the end of the month');
        self::assertStringContainsString('thirty-first of March', str_replace('thirty first', 'thirty-first', $call->heard()));
        self::assertSame('2026-03-31', $call->says('yes')->value('start'));
        $open = $this->call()->says('lessons please', 'Oskar Bell', 'six', 'Mondays', 'some time towards the end of the month');
        self::assertNull($open->value('start'));
    }

    #[TestWith(["no that's great"])]
    #[TestWith(["no, you've been very helpful"])]
    public function testWhoHasBeenServedWantsNothingMore(string $said): void
    {
        $call = $this->call()->says('lessons please', 'Oskar Bell', 'six', 'Mondays', 'next Monday', 'oskarb at quillmail dot example', $said);

        self::assertTrue($call->state->ended, $call->heard());
    }

    public function testWhatIsNoCount(): void
    {
        $fields = ['many' => ['type' => 'integer', 'title' => 'Adults'], 'hours' => ['type' => 'number', 'title' => 'Hours of sleep'], 'often' => ['type' => 'string', 'title' => 'How often', 'enum' => ['once', 'year'], 'x-labels' => ['once' => 'just once', 'year' => 'every year']], 'sail' => ['type' => 'string', 'title' => 'Sailing', 'enum' => ['m', 'a'], 'x-labels' => ['m' => 'the morning sailing', 'a' => 'the afternoon sailing']], 'well' => ['type' => 'boolean', 'title' => 'Well']];
        $asked = ['sail' => 'The morning sailing or the afternoon sailing?', 'well' => 'Are you feeling all right?', 'often' => 'Just once, or every year?', 'many' => 'How many adults?', 'hours' => 'How many hours did you sleep?'];
        $call = Conversation::asking($fields, $asked)->says('the one after lunch', 'yes');
        self::assertSame(['a', null], [$call->value('sail'), $call->value('many')], $call->heard());
        $call->says('not too bad thanks');
        self::assertNotFalse($call->value('well'));
        $call->says('yes', 'once a year')->says('yes');
        self::assertSame('year', $call->value('often'), $call->heard());
        $call->says("there's eight of us");
        self::assertSame([8, null], [$call->value('many'), $call->value('hours')], $call->heard());
    }

    public function testABirthdayAndAnAgeTellADayOfBirth(): void
    {
        $fields = ['born' => ['type' => 'string', 'format' => 'date', 'title' => 'Date of birth'], 'sib' => ['type' => 'integer', 'title' => 'Siblings'], 'kind' => ['type' => 'string', 'title' => 'Trouble', 'enum' => ['leak', 'lock', 'other'], 'x-labels' => ['leak' => 'a leak', 'lock' => 'a lock', 'other' => 'something else']], 'since' => ['type' => 'string', 'format' => 'date', 'title' => 'Since']];
        $call = Conversation::asking($fields, ['born' => 'When was he born?', 'kind' => 'Is it a leak, a lock or something else?', 'since' => 'Since when has it been so?', 'sib' => 'How many brothers and sisters are there?'])->says('he was two on the ninth of November', 'yes');
        self::assertSame(['2023-11-09', null], [$call->value('born'), $call->value('sib')], $call->heard());
        $call->says('since last night');
        self::assertSame([null, '2026-03-09'], [$call->value('kind'), $call->value('since')], $call->heard());
    }

    public function testALimitOfSeveralIsTheHighest(): void
    {
        $fields = ['most' => ['type' => 'string', 'format' => 'money', 'title' => 'Most'], 'len' => ['type' => 'string', 'format' => 'duration', 'title' => 'Length'], 'how' => ['type' => 'string', 'title' => 'How', 'enum' => ['in', 'phone'], 'x-labels' => ['in' => 'come in', 'phone' => 'on the telephone']]];
        $asked = ['most' => 'What is the most you would pay?', 'len' => 'Would you like one hour or two at a time?', 'how' => 'Will you come in, or talk on the telephone?'];
        foreach (['three hundred, three fifty tops' => 350, "I wouldn't pay more than sixty" => 60, 'three to four hundred' => 400] as $said => $amount) {
            self::assertEquals(['amount' => $amount, 'currency' => 'GBP'], Conversation::asking($fields, $asked)->says($said, 'yes')->value('most'), $said);
        }
        $call = Conversation::asking($fields, $asked)->says('sixty pounds', 'two at a time if you can', 'can I just talk to someone on the phone');
        self::assertSame(['PT2H', 'phone'], [$call->value('len'), $call->value('how')], $call->heard());
    }

    private function call(): Conversation
    {
        $steps = [];
        foreach (array_keys(self::FIELDS) as $n => $key) {
            $steps[] = ['key' => $key, 'kind' => 'ask', 'field' => $key, 'prompt' => self::QUESTIONS[$key], 'next' => array_keys(self::FIELDS)[$n + 1] ?? 'note'];
        }

        return Conversation::with([
            'agent' => ['name' => 'Nell', 'business' => 'Otterpool'],
            'sheet' => ['type' => 'object', 'properties' => self::FIELDS],
            'first' => 'help',
            'steps' => [
                ['key' => 'help', 'kind' => 'listen', 'prompt' => 'How can I help?', 'again' => 'Anything else?', 'topics' => [['key' => 'join', 'label' => 'lessons', 'description' => 'learning to swim', 'next' => 'child'], ['key' => 'hire', 'label' => 'hiring the pool', 'description' => 'parties', 'next' => 'note']], 'nothing' => 'bye'],
                ...$steps,
                ['key' => 'note', 'kind' => 'note', 'outcome' => 'asked for', 'next' => 'help'],
                ['key' => 'bye', 'kind' => 'finish', 'prompt' => 'Goodbye.'],
            ],
        ]);
    }
}
