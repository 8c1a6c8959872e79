<?php

declare(strict_types=1);

namespace Tests\Core\Rehearsal;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Ringo\Dialogue\Engine;
use Ringo\Dialogue\Ports\Booked;
use Ringo\Diary\Diaries;
use Ringo\Diary\Start;
use Ringo\Document\InvalidDocument;
use Ringo\Errand\Errand;
use Ringo\Errand\Errands;
use Ringo\Rehearsal\Casebook\Casebook;
use Ringo\Rehearsal\Casebook\Earlier;
use Ringo\Rehearsal\Casebook\KeptCase;
use Ringo\Rehearsal\Casebook\Proposal;
use Ringo\Rehearsal\Casebook\Trial;
use Ringo\Rehearsal\Casebook\Verdict;
use Ringo\Rehearsal\Crowd\Crowd;
use Ringo\Rehearsal\Crowd\Walk;
use Ringo\Rehearsal\SketchBook;
use Ringo\Script\Script;
use Ringo\Script\ScriptReader;

/** Cases: what a caller did, kept with what must come out, and what is said when it does not. */
final class CasebookTest extends TestCase
{
    public function test_a_casebook_is_written_as_it_was_read(): void
    {
        $json = (string) file_get_contents(dirname(__DIR__, 3).'/database/demo/pellbrook/casebook.json');
        $book = Casebook::fromArray(json_decode($json, true));
        self::assertCount(25, $book->cases);
        self::assertSame(2, count(array_filter($book->cases, static fn (KeptCase $case): bool => $case->must)));
        self::assertEquals(json_decode($json, true), json_decode((string) json_encode($book->toArray()), true));
    }

    public function test_what_a_call_left_it_leaves_again(): void
    {
        // Whatever is proposed of a call holds of that call.
        foreach (['reserve', 'impatient', 'silent'] as $seed => $key) {
            $case = self::kept(['key' => $key, 'seed' => (string) $seed, 'lines' => [['silence' => 6], 'hello there', 'a saw', '#1', 'Dara Whitcombe', 'Friday', 'no that is all']]);
            $call = (new Trial(Engine::for(self::script())))->of($case)->call;
            $again = (new Trial(Engine::for(self::script())))->of($case->with(Proposal::of(self::script(), $call->state)));
            self::assertSame([], $again->failures);
            self::assertTrue($again->passed());
        }
    }

    /** @return iterable<string, array{array<string, mixed>, string, string}> expectations, what does not hold, in words */
    public static function broken(): iterable
    {
        yield 'another value' => [['values' => ['day' => '2026-03-14']], 'value day', 'day is “2026-03-13”, not “2026-03-14”'];
        yield 'a value where none should be' => [['values' => ['name' => null]], 'value name', 'name is “Dara Whitcombe”, not empty'];
        yield 'another outcome' => [['outcome' => 'booked'], 'outcome', 'it ends as “noted”, not “booked”'];
        yield 'words that are missing' => [['says' => ['Good afternoon']], 'says', 'never says “Good afternoon”'];
        yield 'words that must not be' => [['never_says' => ['SAW HIRE']], 'never_says', 'says “SAW HIRE”'];
        yield 'a step passed by' => [['reaches' => ['sorry']], 'reaches', 'does not pass “sorry”'];
        yield 'too many turns' => [['most_turns' => 2], 'most_turns', 'takes 3 turns of the caller, 2 at most'];
        yield 'nothing sent' => [['sends' => ['email']], 'sends', 'sends no email'];
    }

    /** @param array<string, mixed> $expect */
    #[DataProvider('broken')]
    public function test_what_does_not_hold_is_told(array $expect, string $what, string $words): void
    {
        $verdict = (new Trial(Engine::for(self::script())))->of(self::kept(['expect' => $expect]));
        self::assertSame([$what], array_column($verdict->failures, 'expect'));
        $failure = $verdict->failures[0];
        self::assertSame($words, Verdict::inWords($failure['expect'], (string) $failure['wanted'], (string) $failure['got']));
    }

    public function test_what_holds_is_not(): void
    {
        $verdict = (new Trial(Engine::for(self::script())))->of(self::kept(['expect' => ['values' => ['day' => '2026-03-13', 'note' => null], 'outcome' => 'noted', 'says' => ['thank you, dara whitcombe'], 'never_says' => ['deposit'], 'reaches' => ['when', 'bye'], 'asked_once' => ['day', 'name'], 'most_turns' => 3, 'sends' => ['text']]]));
        self::assertSame([], $verdict->failures);
        self::assertSame(0, $verdict->unused);
    }

    public function test_asked_twice_is_counted(): void
    {
        $verdict = (new Trial(Engine::for(self::script())))->of(self::kept(['lines' => ['Dara Whitcombe', 'hm hm', 'Friday', 'bye'], 'expect' => ['asked_once' => ['day', 'name']]]));
        self::assertSame([['expect' => 'asked_once', 'wanted' => 'day', 'got' => 2]], $verdict->failures);
    }

    public function test_answers_tied_to_their_questions_survive_another_order(): void
    {
        // A name that is a word as well is one only where it is asked for.
        $plain = self::kept(['lines' => ['Rose Field', 'Friday', 'bye'], 'expect' => ['values' => ['name' => 'Rose Field', 'day' => '2026-03-13']]]);
        $tied = self::kept(['lines' => [['to' => 'name', 'say' => 'Rose Field'], ['to' => 'when', 'say' => 'Friday'], 'bye']] + ['expect' => $plain->toArray()['expect']]);
        $document = self::document();
        [$document['steps'][1], $document['steps'][2]] = [['next' => 'text'] + $document['steps'][1], ['next' => 'who'] + $document['steps'][2]];
        $document['steps'][0]['next'] = 'when';
        $turned = Engine::for((new ScriptReader)->fromArray($document));
        self::assertTrue((new Trial(Engine::for(self::script())))->of($plain)->passed());
        self::assertTrue((new Trial(Engine::for(self::script())))->of($tied)->passed());
        self::assertFalse((new Trial($turned))->of($plain)->passed());
        self::assertTrue((new Trial($turned))->of($tied)->passed());
    }

    public function test_what_other_systems_answered_is_kept(): void
    {
        $document = self::document();
        $document['steps'][0]['next'] = 'look';
        array_splice($document['steps'], 1, 0, [['key' => 'look', 'kind' => 'look_up', 'errand' => 'hire', 'not_found' => 'who', 'failed' => 'sorry', 'next' => 'told'], ['key' => 'told', 'kind' => 'say', 'prompt' => 'The [hire.item] is out.', 'next' => 'who']]);
        $errands = Errands::of([Errand::fromArray(['key' => 'hire', 'request' => ['url' => 'https://yard.pellbrook.example/hires'], 'answer' => ['values' => [['key' => 'item']]]])]);
        $engine = Engine::for((new ScriptReader)->fromArray($document), errands: $errands);
        $case = self::kept(['errands' => [['errand' => 'hire', 'reply' => ['status' => 'found', 'rows' => [['item' => 'breaker']]]]], 'expect' => ['says' => ['The breaker is out.']]]);
        self::assertSame([], (new Trial($engine))->of($case)->failures);
        self::assertContains('reaches', array_column((new Trial($engine))->of(self::kept(['expect' => ['reaches' => ['told']]]))->failures, 'expect'), 'nobody else is asked');
    }

    public function test_what_a_caller_has_booked_is_there_to_be_cancelled_and_moved(): void
    {
        $demo = dirname(__DIR__, 3).'/database/demo/harrowell';
        $book = new SketchBook(Diaries::fromArray(json_decode((string) file_get_contents("{$demo}/diaries.json"), true, 64, JSON_THROW_ON_ERROR)));
        $trial = new Trial(Engine::for((new ScriptReader)->fromJson((string) file_get_contents("{$demo}/isolde.json")), appointments: $book), $book);
        $booked = [['service' => 'upright', 'diary' => array_key_first($book->diaries('')->diaries), 'at' => '2026-03-19T10:30', 'name' => 'Ines Conti', 'area' => 'coast']];
        $case = KeptCase::fromArray(['key' => 'cancels', 'at' => '2026-03-10T09:14', 'from' => '+447700900123', 'booked' => $booked, 'lines' => ['cancel my visit please', 'yes', 'no thank you'], 'expect' => ['says' => ['Thursday the nineteenth of March'], 'never_says' => ['cannot see one']]]);

        self::assertSame([], $trial->of($case)->failures);
        self::assertSame([], $book->all(), 'it stands no longer');
        self::assertSame([], $trial->of($case)->failures, 'each run finds it again');
        self::assertEquals($case, KeptCase::fromArray(json_decode((string) json_encode($case->toArray()), true)));
        self::assertNotSame([], $trial->of(KeptCase::fromArray(['booked' => []] + $case->toArray()))->failures);
    }

    public function test_a_booking_keeps_the_clock_of_its_diary(): void
    {
        $diaries = Diaries::fromArray(['tz' => 'Europe/London', 'country' => 'GB', 'hours' => ['fri' => ['08:00-18:00']], 'services' => [['key' => 'call', 'label' => 'a call', 'minutes' => 30, 'place' => 'phone']], 'diaries' => [['key' => 'ana', 'name' => 'Ana', 'services' => ['call'], 'tz' => 'Europe/Madrid']]]);
        $at = new \DateTimeImmutable('2026-03-13T10:00', new \DateTimeZone('Europe/Madrid'));
        $earlier = Earlier::of(new Booked('RHB201', 'call', 'a call', new Start($at->getTimestamp(), 'ana'), null, 'Ines Conti'), $diaries);
        $earlier->in($book = new SketchBook($diaries), '+447700900123');

        self::assertSame('2026-03-13T10:00', $earlier->at);
        self::assertSame($at->getTimestamp(), $book->all()[0]->start->at);
    }

    public function test_a_stand_in_who_cancels_has_a_booking_that_a_case_can_keep(): void
    {
        $demo = dirname(__DIR__, 3).'/database/demo/harrowell';
        $script = (new ScriptReader)->fromJson((string) file_get_contents("{$demo}/isolde.json"));
        $book = new SketchBook(Diaries::fromArray(json_decode((string) file_get_contents("{$demo}/diaries.json"), true, 64, JSON_THROW_ON_ERROR)));
        $now = new \DateTimeImmutable('2026-03-10T09:14', new \DateTimeZone('Europe/London'));
        $engine = Engine::for($script, appointments: $book);
        $crowd = new Crowd($script, $now, 'cases');
        for ($n = 1; $crowd->caller($n)->topic !== 'cancel'; $n++);
        $walked = (new Walk($engine, $now, 0.0, book: $book))->of($crowd->caller($n));

        self::assertCount(1, $walked->booked);
        self::assertTrue($walked->achieved);
    }

    public function test_what_is_wrong_in_a_file_is_told_with_its_path(): void
    {
        foreach ([
            ['cases[0].booked[0].at', ['cases' => [['key' => 'a', 'lines' => [], 'booked' => [['service' => 'x', 'diary' => 'y', 'at' => 'soon']]]]]],
            ['cases[0].key', ['cases' => [['key' => 'A case', 'lines' => []]]]], ['cases[0].lines[1]', ['cases' => [['key' => 'a', 'lines' => ['hello', ['shout' => 'x']]]]]], ['cases[0].at', ['cases' => [['key' => 'a', 'at' => 'tomorrow', 'lines' => []]]]],
            ['cases[1].key', ['cases' => [['key' => 'a', 'lines' => []], ['key' => 'a', 'lines' => []]]]], ['cases[0].expect.outcomes', ['cases' => [['key' => 'a', 'lines' => [], 'expect' => ['outcomes' => 'x']]]]], ['format', ['format' => 'other/1', 'cases' => []]],
        ] as [$path, $data]) {
            try {
                Casebook::fromArray($data);
                self::fail("{$path} was taken.");
            } catch (InvalidDocument $problem) {
                self::assertContains($path, array_column($problem->problems, 'path'));
            }
        }
    }

    /** @param array<string, mixed> $as */
    private static function kept(array $as): KeptCase
    {
        return KeptCase::fromArray($as + ['key' => 'a_case', 'at' => '2026-03-10T09:14', 'from' => '+447700900123', 'lines' => ['Dara Whitcombe', 'Friday', 'no that is all']]);
    }

    private static function script(): Script
    {
        return (new ScriptReader)->fromArray(self::document());
    }

    /** @return array<string, mixed> */
    private static function document(): array
    {
        return [
            'agent' => ['name' => 'Wren', 'business' => 'Pellbrook Hire'], 'first' => 'hello',
            'sheet' => ['type' => 'object', 'properties' => ['name' => ['type' => 'string', 'format' => 'person-name', 'title' => 'Name'], 'day' => ['type' => 'string', 'format' => 'date', 'title' => 'Day'], 'note' => ['type' => 'string', 'title' => 'Note']]],
            'steps' => [
                ['key' => 'hello', 'kind' => 'say', 'prompt' => 'Saw hire, hello.', 'next' => 'who'],
                ['key' => 'who', 'kind' => 'ask', 'field' => 'name', 'prompt' => 'Who is calling?', 'next' => 'when'],
                ['key' => 'when', 'kind' => 'ask', 'field' => 'day', 'prompt' => 'Which day?', 'next' => 'text'],
                ['key' => 'text', 'kind' => 'send', 'by' => 'text', 'to' => 'caller.number', 'words' => 'See you.', 'next' => 'done'],
                ['key' => 'done', 'kind' => 'note', 'outcome' => 'noted', 'next' => 'more'],
                ['key' => 'more', 'kind' => 'listen', 'prompt' => 'Thank you, [name]. Is there anything else?', 'topics' => [['key' => 'again', 'label' => 'another', 'description' => 'another saw', 'next' => 'who'], ['key' => 'bad', 'label' => 'a complaint', 'description' => 'something is wrong', 'next' => 'sorry']], 'nothing' => 'bye'],
                ['key' => 'sorry', 'kind' => 'say', 'prompt' => 'I am sorry.', 'next' => 'bye'],
                ['key' => 'bye', 'kind' => 'finish', 'prompt' => 'Goodbye.'],
            ],
        ];
    }
}
