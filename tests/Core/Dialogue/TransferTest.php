<?php

declare(strict_types=1);

namespace Tests\Core\Dialogue;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Ringo\Dialogue\Actions\CallBack;
use Ringo\Dialogue\Actions\Connect;
use Ringo\Dialogue\Actions\Ring;
use Ringo\Dialogue\CallState;
use Ringo\Dialogue\Engine;
use Ringo\Dialogue\Event;
use Ringo\Dialogue\Mode;
use Ringo\Dialogue\Opening;
use Ringo\Document\Node;
use Ringo\Script\Hours;
use Ringo\Script\ScriptReader;
use Ringo\Transfer\Person;
use Ringo\Transfer\StaffedTeam;
use Ringo\Transfer\Switchboard;
use Ringo\Transfer\Team;

/** Live calls handed over: rules, ringing, nobody there, and never a caller connected to nobody. */
final class TransferTest extends TestCase
{
    public function testARuleChoosesAndTheAnnouncementTellsWhatWentBefore(): void
    {
        $call = $this->call()->says('I need a word about my invoice', 'Dara Whitcombe', 'yes');
        $ring = $this->ringOf($call);
        self::assertSame('team:accounts', $ring->target);
        self::assertSame(['ann', 'bob'], $ring->people);
        self::assertSame('announced', $ring->how);
        self::assertSame('Dara Whitcombe', $ring->announcement['caller']);
        self::assertSame(['Name' => 'Dara Whitcombe'], $ring->announcement['record']);
        $call->happens(Event::answered('bob', 20));
        self::assertSame('transferred to Bob Marsh', $call->state->outcome);
        self::assertCount(1, array_filter($call->last->actions, static fn ($action): bool => $action instanceof Connect));
        self::assertStringContainsString('Bob Marsh', $call->heard());
        $call->says('hello Bob');
        self::assertSame('', $call->heard(), 'the agent keeps out of it');
        $call->happens(Event::staffSaid('Hello, what is the number?', 30));
        self::assertSame('Hello, what is the number?', $call->last->trace->heard);
        $call->happens(Event::hungUp(60));
        self::assertSame(['transferred to Bob Marsh', true], [$call->state->outcome, $call->state->ended]);
    }

    public function testNobodyTakesACallThatRingsNowhere(): void
    {
        $call = $this->call()->says('I need a word about my invoice');
        $call->happens(Event::answered('', 20));
        self::assertNull($call->state->connected);
        self::assertStringNotContainsString('transferred', (string) $call->state->outcome);
        $call->says('Dara Whitcombe', 'yes');
        self::assertSame('team:accounts', $this->ringOf($call)->target, 'the call goes on as if nothing had been');
    }

    public function testInTurnRingsOneAfterAnotherThenTheNextTargetThenTheScript(): void
    {
        $call = $this->call()->says('my digger has broken down', 'Dara Whitcombe', 'yes');
        self::assertSame(['eve'], $this->ringOf($call)->people);
        $call->happens(Event::notAnswered('transfer_no_answer', '', 30));
        self::assertSame(['joe'], $this->ringOf($call)->people);
        $call->happens(Event::notAnswered('transfer_declined', 'on a site', 40));
        self::assertSame('person:ann', $this->ringOf($call)->target);
        $call->happens(Event::notAnswered('transfer_busy', '', 50));
        self::assertStringContainsString('ring you back', $call->heard());
        self::assertSame('call_back', $call->state->step);
        self::assertNull($call->state->transfer);
    }

    public function testAnUrgentRuleIsReachedFromAnywhereByItsWords(): void
    {
        $call = $this->call()->says('I would like to hire something', 'it is on fire, help');
        self::assertSame('team:engineers', $this->ringOf($call)->target);
    }

    public function testAClosedTeamIsToldAndAPresenceCounts(): void
    {
        $call = $this->call('2026-03-10T20:00')->says('I need a word about my invoice', 'Dara Whitcombe', 'yes');
        self::assertStringContainsString('Accounts', $call->heard());
        self::assertStringContainsString('nine o\'clock', str_replace('’', "'", $call->heard()));
        self::assertSame('call_back', $call->state->step);
        $away = $this->call(presence: 'away')->says('I need a word about my invoice', 'Dara Whitcombe', 'yes');
        self::assertStringContainsString('Accounts', $away->heard());
        self::assertSame('call_back', $away->state->step);
    }

    public function testTheTeamThatFitsIsFoundOrAskedFor(): void
    {
        $call = $this->call()->says('I want to speak to somebody', 'Dara Whitcombe', 'yes');
        self::assertSame(Mode::WhichTeam, $call->state->mode);
        self::assertStringStartsWith('Is it about', $call->heard());
        $call->says('the machine I have will not start');
        self::assertSame('team:engineers', $this->ringOf($call)->target);
        $none = $this->call()->says('I want to speak to somebody', 'Dara Whitcombe', 'yes', 'none of those');
        self::assertSame('team:counter', $this->ringOf($none)->target, 'none of those ends the asking: the default');
    }

    public function testWaitingIsTold(): void
    {
        $call = $this->call()->says('my invoice please', 'Dara Whitcombe', 'yes')->isSilent();
        $first = $call->heard();
        self::assertNotSame('', $first);
        self::assertNotSame($first, $call->isSilent()->heard());
        self::assertSame(Mode::Ringing, $call->says('are you still there')->state->mode);
        self::assertTrue($call->says('goodbye')->state->ended);
    }

    /** @param list<string> $outcomes */
    #[DataProvider('sequences')]
    public function testNoSequenceOfOutcomesLeavesACallerWithNobody(string $opening, array $outcomes, string $at): void
    {
        $call = $this->call($at, change: count($outcomes) % 2 === 0 ? self::RINGS_BACK : [])->says($opening, 'Dara Whitcombe', 'yes');
        $time = 20.0;
        foreach ($outcomes as $outcome) {
            if ($call->state->ended) {
                break;
            }
            $time += 10;
            $before = $call->state->mode;
            $call->happens(match ($outcome) {
                'answered' => Event::answered(['ann', 'bob', 'eve', 'joe', 'nobody'][(int) $time % 5], $time),
                'silence' => Event::silence(6, $time),
                'said' => Event::said('hello?', $time),
                'hung_up' => Event::hungUp($time),
                'keys' => Event::keys('0', $time),
                default => Event::notAnswered($outcome, '', $time),
            });
            $state = $call->state;
            if ($state->ended) {
                self::assertNotNull($state->outcome);

                continue;
            }
            // Either somebody has the call, or somebody is being rung, or the agent has it and has spoken.
            self::assertSame($state->connected !== null, $state->mode === Mode::Connected);
            self::assertSame($state->transfer !== null, in_array($state->mode, [Mode::Ringing, Mode::WhichTeam, Mode::CallBack], true), json_encode([$state->mode->value, $state->transfer]) ?: '');
            if ($before !== Mode::Connected && ($before === Mode::Ringing && $outcome !== 'answered' || in_array($outcome, ['said', 'silence', 'keys'], true))) {
                self::assertNotSame('', $call->heard(), "nothing was said after {$outcome}");
            }
            // The state can be stored and taken up again at every turn.
            self::assertEquals($state->toArray(), CallState::fromArray(json_decode(json_encode($state->toArray(), JSON_THROW_ON_ERROR), true))->toArray());
        }
        $call->happens(Event::hungUp($time + 10));
        self::assertTrue($call->state->ended);
        self::assertNotNull($call->state->outcome);
    }

    /** @return iterable<string, array{string, list<string>, string}> */
    public static function sequences(): iterable
    {
        $kinds = ['transfer_no_answer', 'transfer_busy', 'transfer_declined', 'answered', 'silence', 'said', 'keys', 'hung_up'];
        $openings = ['I need a word about my invoice', 'my digger has broken down', 'I want to speak to somebody'];
        mt_srand(11);
        for ($i = 0; $i < 150; $i++) {
            $outcomes = [];
            for ($n = mt_rand(3, 14); $n > 0; $n--) {
                $outcomes[] = $kinds[mt_rand(0, mt_rand(0, 9) === 0 ? 7 : 6)];
            }
            yield "sequence {$i}" => [$openings[$i % 3], $outcomes, $i % 5 === 0 ? '2026-03-10T21:00' : '2026-03-10T10:00'];
        }
    }

    public function testASharedNumberAsksWhoAndTellsNoSurnames(): void
    {
        $people = [['name' => 'Nell Ashby', 'first_name' => 'Nell', 'depot' => 'x'], ['name' => 'Tom Orme', 'first_name' => 'Tom']];
        $call = $this->call(caller: ['kind' => 'shared', 'known' => false], people: $people);
        self::assertStringContainsString('speaking to', $call->heard());
        $call->says('um');
        self::assertStringContainsString('Nell or Tom', $call->heard());
        self::assertStringNotContainsString('Ashby', $call->heard());
        $call->says("it's Nell");
        self::assertSame('Nell Ashby', $call->value('caller_name'));
        self::assertTrue($call->state->caller['known']);
        $stranger = $this->call(caller: ['kind' => 'shared', 'known' => false], people: $people)->says('Greta Holm');
        self::assertFalse($stranger->state->caller['known']);
        self::assertSame('Greta Holm', $stranger->value('caller_name'));
        self::assertSame('help', $stranger->state->step);
    }

    public function testARecentCallerIsAskedWhetherItIsTheSame(): void
    {
        $caller = ['kind' => 'known', 'known' => true, 'first_name' => 'Nell', 'last_reason' => 'the invoice', 'last_topic' => 'invoice', 'last_hours' => 3];
        $call = $this->call(caller: $caller);
        self::assertStringContainsString('about the invoice', $call->heard());
        self::assertSame('name', $call->says('yes')->state->step);
        self::assertSame('help', $this->call(caller: $caller)->says('no')->state->step);
        self::assertSame('name', $this->call(caller: $caller)->says('no, my digger has broken down')->state->step);
        self::assertStringNotContainsString('about the invoice', $this->call(caller: [...$caller, 'last_hours' => 300])->heard());
    }

    public function testABlockedCallerHearsItsWordsOrNothing(): void
    {
        $call = $this->call(caller: ['kind' => 'blocked']);
        self::assertSame(['blocked', true], [$call->state->outcome, $call->state->ended]);
        self::assertNotSame('', $call->heard());
        self::assertSame('', $this->call(caller: ['kind' => 'blocked'], change: ['recognition' => ['blocked' => 'ring_out']])->heard());
    }

    public function testCheckingLimitsTriesGivesNoHintAndKeepsTheWordsOut(): void
    {
        $verify = ['key' => 'check', 'kind' => 'verify', 'by' => 'pin', 'prompt' => 'What is your PIN?', 'tries' => 2, 'next' => 'help', 'failed' => 'help', 'locked' => 'call_back'];
        $caller = ['kind' => 'known', 'known' => true, 'pin_hash' => password_hash('4821', PASSWORD_BCRYPT, ['cost' => 4])];
        $call = $this->call(caller: $caller, first: $verify)->says('four eight two one');
        self::assertTrue($call->state->verified);
        self::assertSame('help', $call->state->step);
        self::assertStringNotContainsString('four', json_encode($call->last->trace->toArray()) ?: '');
        self::assertTrue($this->call(caller: $caller, first: $verify)->presses('4821#')->state->verified);
        $wrong = $this->call(caller: $caller, first: $verify)->says('four eight two two');
        self::assertSame('check', $wrong->state->step);
        self::assertStringNotContainsStringIgnoringCase('PIN is', $wrong->heard());
        self::assertSame('call_back', $wrong->says('1111')->state->step);
        self::assertContains('locked_out', $wrong->state->tags);
        self::assertSame([], $wrong->state->said);
        self::assertSame('help', $this->call(caller: ['known' => false], first: $verify)->state->step, 'nothing on file');
        self::assertSame('call_back', $this->call(caller: [...$caller, 'locked' => true], first: $verify)->state->step);

        foreach ([['postcode', ['postcode' => 'OM3 4QT'], 'O M three, four Q T'], ['birth_date', ['birth_date' => '1984-05-09'], 'the ninth of May nineteen eighty four']] as [$by, $fact, $said]) {
            self::assertTrue($this->call(caller: ['known' => true] + $fact, first: ['by' => $by] + $verify)->says($said)->state->verified, $by);
        }
        $code = $this->call(caller: ['known' => true], first: ['by' => 'code'] + $verify);
        preg_match('/\d{6}/', $code->state->sent[0]['text'] ?? '', $m);
        self::assertTrue($code->says(implode(' ', str_split($m[0] ?? '')))->state->verified);
    }

    private const RINGS_BACK = ['transfers' => ['default' => 'call_back', 'rules' => [['key' => 'invoices', 'when' => ['value' => 'topic', 'is' => 'invoice'], 'to' => 'team:accounts', 'otherwise' => ['call_back', 'step:call_back']], ['key' => 'breakdowns', 'when' => ['value' => 'topic', 'is' => 'breakdown'], 'to' => 'team:engineers', 'otherwise' => ['call_back']]]]];

    /** @return iterable<string, array{string, list<string>, ?string}> when it is, what the caller says, when the call-back is; null for none */
    public static function callBacks(): iterable
    {
        $day = '2026-03-10T10:00';
        foreach ([
            [$day, ['tomorrow at ten'], '2026-03-11T10:00'], [$day, ['at three please'], '2026-03-10T15:00'], [$day, ['in an hour'], '2026-03-10T11:00'], [$day, ['tomorrow afternoon'], '2026-03-11T14:00'],
            [$day, ['tomorrow'], '2026-03-11T09:00'], [$day, ['any time after three'], '2026-03-10T15:00'], [$day, ['whenever you can'], '2026-03-10T10:15'], [$day, ['as soon as possible'], '2026-03-10T10:15'],
            [$day, ['Sunday at ten', 'yes that is fine'], '2026-03-16T09:00'], [$day, ['Sunday at ten', 'no, make it Tuesday at four'], '2026-03-17T16:00'], [$day, ['tonight at eight', 'ok'], '2026-03-11T09:00'],
            [$day, ['hm what', 'tomorrow at half past nine'], '2026-03-11T09:30'], [$day, ['', ''], '2026-03-10T10:15'], [$day, ['', 'friday at two'], '2026-03-13T14:00'],
            [$day, ['no thank you'], null], [$day, ['banana', 'purple', 'sideways'], null],
            ['2026-03-10T20:00', ['any time'], '2026-03-11T09:00'], ['2026-03-13T16:55', ['as soon as possible'], '2026-03-16T09:00'],
        ] as [$at, $says, $due]) {
            yield implode(' / ', $says).', '.$at => [$at, $says, $due];
        }
    }

    /** @param list<string> $says */
    #[DataProvider('callBacks')]
    public function testACallBackIsPromisedForWhenSomebodyIsThere(string $at, array $says, ?string $due): void
    {
        $call = $this->call($at, change: self::RINGS_BACK)->says('my invoice please', 'Dara Whitcombe', 'yes');
        if ($call->state->mode === Mode::Ringing) {
            $call->happens(Event::notAnswered('transfer_no_answer', '', 40));
        }
        self::assertSame(Mode::CallBack, $call->state->mode);
        self::assertStringContainsString('Accounts', $call->heard());
        foreach ($says as $words) {
            $words === '' ? $call->isSilent() : $call->says($words);
        }
        $promised = array_values(array_filter($call->last->actions, static fn ($action): bool => $action instanceof CallBack));
        if ($due === null) {
            self::assertSame([], $promised);
            self::assertSame('call_back', $call->state->step, 'the next target: back into the script');

            return;
        }
        self::assertCount(1, $promised, $call->heard());
        // A few seconds of talk have passed; a minute more or less is no matter.
        self::assertEqualsWithDelta(strtotime($due), strtotime($promised[0]->at), 300, $promised[0]->at);
        self::assertSame(['team:accounts', '+447700900123', 'Dara Whitcombe'], [$promised[0]->target, $promised[0]->number, $promised[0]->name]);
        self::assertSame(['call-back promised', true], [$call->state->outcome, $call->state->ended]);
        self::assertStringContainsString('will ', $call->heard());
    }

    public function testNoCallBackIsPromisedToAWithheldNumberAndADeskMayPromiseOne(): void
    {
        $call = $this->call(change: self::RINGS_BACK, from: null)->says('my invoice please', 'Dara Whitcombe', 'yes');
        $call->happens(Event::notAnswered('transfer_busy', '', 40));
        self::assertSame('call_back', $call->state->step);
        self::assertSame(Mode::Answer, $call->state->mode);
        $desk = $this->call()->says('my invoice please', 'Dara Whitcombe', 'yes');
        $desk->happens(Event::notAnswered('transfer_declined', \Ringo\Dialogue\Transfers\Transfers::RING_BACK, 40));
        self::assertSame(Mode::CallBack, $desk->state->mode);
        $desk->says('tomorrow at ten');
        self::assertSame('call-back promised', $desk->state->outcome);
    }

    public function testALineMayRingStaffBeforeTheAgentSpeaks(): void
    {
        $call = $this->lineCall([['people' => ['ann'], 'seconds' => 8], ['people' => ['bob'], 'seconds' => 7]]);
        self::assertSame(['', ['ann'], 8], [$call->heard(), $this->ringOf($call)->people, $this->ringOf($call)->seconds]);
        $call->says('hello? anybody there?');
        self::assertSame(['', Mode::Ringing, 0], [$call->heard(), $call->state->mode, $call->state->heard], 'nobody is there to hear it');
        $call->happens(Event::notAnswered('transfer_no_answer', '', 8));
        self::assertSame(['bob'], $this->ringOf($call)->people);
        $call->happens(Event::notAnswered('transfer_no_answer', '', 15));
        self::assertStringContainsString('How can I help?', $call->heard());
        self::assertNull($call->state->first);
        $call->says('it is about my invoice', 'Dara Whitcombe', 'yes');
        self::assertSame('team:accounts', $this->ringOf($call)->target, 'the agent goes on as if it had just been rung');
    }

    public function testStaffWhoTakeTheCallBeforeTheAgentHaveItAndTheAgentNeverSpeaks(): void
    {
        $call = $this->lineCall([['people' => ['ann', 'bob'], 'seconds' => 15]]);
        $call->happens(Event::answered('bob', 6));
        self::assertSame(['answered by Bob Marsh', 'bob', 6.0], [$call->state->outcome, $call->state->connected['person'] ?? null, $call->state->connected['after'] ?? null]);
        $call->happens(Event::staffSaid('Hire desk, Bob speaking.', 8));
        $call->says('I want a digger');
        self::assertSame([], array_values(array_filter($call->spoken, static fn (string $one): bool => $one !== '')));
        $call->happens(Event::hungUp(40));
        self::assertSame([true, 'answered by Bob Marsh'], [$call->state->ended, $call->state->outcome]);
    }

    public function testALineForStaffAloneEndsWithItsWords(): void
    {
        $call = $this->lineCall([['people' => ['ann'], 'seconds' => 15]], 'words', 'Please ring again tomorrow.');
        $call->happens(Event::notAnswered('transfer_busy', '', 3));
        self::assertSame(['Please ring again tomorrow.', true, 'nobody answered'], [$call->heard(), $call->state->ended, $call->state->outcome]);
    }

    public function testALineMayBeginElsewhereInTheScript(): void
    {
        $call = $this->lineCall([], opening: 'call_back');
        self::assertStringContainsString('We will ring you back.', $call->heard());
        self::assertStringContainsString('How can I help?', $this->lineCall([], opening: 'no_such_step')->heard(), 'a step that is not there is not begun with');
    }

    public function testWhoHangsUpWhileStaffRingLeavesACallThatWasGivenUp(): void
    {
        $call = $this->lineCall([['people' => ['ann'], 'seconds' => 15]]);
        $call->happens(Event::hungUp(9));
        self::assertSame([true, 'caller hung up'], [$call->state->ended, $call->state->outcome]);
    }

    /** @param list<array{people: list<string>, seconds: int}> $rings */
    private function lineCall(array $rings, string $then = 'agent', string $words = '', ?string $opening = null): Conversation
    {
        $before = $this->call();
        $state = (new Opening($before->engine->script))->state('line', new \DateTimeImmutable('2026-03-10T10:00', new \DateTimeZone('Europe/London')), '1', '+447700900123', '+441632960140', ['known' => false]);
        $state->first = $rings === [] ? null : ['target' => 'team:accounts', 'rings' => $rings, 'group' => 0, 'then' => $then, 'words' => $words];
        $state->opening = $opening;

        return new Conversation($before->engine, $state);
    }

    /**
     * @param array<string, scalar|null> $caller
     * @param list<array<string, scalar|null>> $people
     * @param ?array<string, mixed> $first
     * @param array<string, mixed> $change
     */
    private function call(string $at = '2026-03-10T10:00', string $presence = 'available', array $caller = ['known' => false], array $people = [], ?array $first = null, array $change = [], ?string $from = '+447700900123'): Conversation
    {
        $document = [
            'agent' => ['name' => 'Maren', 'business' => 'Pellbrook Hire'],
            'standing' => ['person' => 'name'],
            'recognition' => ['recent_hours' => 48],
            'transfers' => ['default' => 'team:counter', 'rules' => [
                ['key' => 'fire', 'urgent' => true, 'words' => ['on fire', 'somebody is hurt'], 'to' => 'team:engineers', 'how' => 'straight'],
                ['key' => 'invoices', 'when' => ['value' => 'topic', 'is' => 'invoice'], 'to' => 'team:accounts', 'otherwise' => ['step:call_back']],
                ['key' => 'breakdowns', 'when' => ['value' => 'topic', 'is' => 'breakdown'], 'to' => 'team:engineers', 'otherwise' => ['person:ann', 'step:call_back']],
                ['key' => 'others', 'to' => 'fit'],
            ]],
            'sheet' => ['type' => 'object', 'properties' => ['caller_name' => ['type' => 'string', 'format' => 'person-name', 'title' => 'Name', 'x-from-caller' => 'name']]],
            'first' => $first === null ? 'help' : 'check',
            'steps' => [
                ['key' => 'help', 'kind' => 'listen', 'prompt' => 'How can I help?', 'topics' => [['key' => 'invoice', 'label' => 'an invoice', 'description' => 'invoices and payments', 'next' => 'name'], ['key' => 'breakdown', 'label' => 'a breakdown', 'description' => 'broken down machines', 'next' => 'name'], ['key' => 'talk', 'label' => 'somebody', 'phrases' => ['speak to somebody'], 'next' => 'name'], ['key' => 'hire', 'label' => 'a hire', 'phrases' => ['hire something'], 'next' => 'call_back']], 'way_out' => ['then' => 'go', 'step' => 'name']],
                ['key' => 'name', 'kind' => 'ask', 'field' => 'caller_name', 'prompt' => 'Your name?', 'confirm' => 'always', 'next' => 'over'],
                ['key' => 'over', 'kind' => 'transfer', 'otherwise' => 'call_back'],
                ['key' => 'call_back', 'kind' => 'listen', 'prompt' => 'We will ring you back. Anything else?', 'topics' => [], 'nothing' => 'bye', 'way_out' => ['then' => 'go', 'step' => 'bye']],
                ['key' => 'bye', 'kind' => 'finish', 'prompt' => 'Goodbye.', 'outcome' => 'call back'],
                ...($first === null ? [] : [$first]),
            ],
            ...$change,
        ];
        $script = (new ScriptReader)->fromArray($document);
        $person = static fn (string $key, string $name): Person => new Person($key, $name, '+441632960100', $presence);
        $all = ['ann' => $person('ann', 'Ann Lowe'), 'bob' => $person('bob', 'Bob Marsh'), 'eve' => $person('eve', 'Eve Holm'), 'joe' => $person('joe', 'Joe Pike')];
        $hours = Hours::read(Node::root(array_fill_keys(['mon', 'tue', 'wed', 'thu', 'fri'], ['09:00-17:00'])));
        $none = Hours::read(Node::root([]));
        $board = new Switchboard([
            'accounts' => new StaffedTeam(new Team('accounts', 'Accounts', 'invoices, statements and payments'), [$all['ann'], $all['bob']], $hours),
            'engineers' => new StaffedTeam(new Team('engineers', 'Engineers', 'machines that have broken down on site'), [$all['eve'], $all['joe']], $none, 'turn'),
            'counter' => new StaffedTeam(new Team('counter', 'Hire counter', 'reservations and collections'), [$all['joe']], $none),
        ], $all);
        $state = (new Opening($script))->state('test', new \DateTimeImmutable($at, new \DateTimeZone('Europe/London')), '1', $from, null, $caller, $people);

        return new Conversation(Engine::for($script, $board), $state);
    }

    private function ringOf(Conversation $call): Ring
    {
        $rings = array_values(array_filter($call->last->actions, static fn ($action): bool => $action instanceof Ring));
        self::assertCount(1, $rings, 'spoken: '.$call->heard().' / '.implode('; ', $call->last->trace->rules));

        return $rings[0];
    }
}
