<?php

declare(strict_types=1);

namespace Tests\Core\Figures;

use PHPUnit\Framework\TestCase;
use Ringo\Figures\CallFacts;
use Ringo\Figures\Coverage;
use Ringo\Figures\Handled;
use Ringo\Figures\Tally;
use Ringo\Script\ScriptReader;

/** What of a script no call has come to. */
final class CoverageTest extends TestCase
{
    public function test_it_names_the_first_step_nobody_came_to_and_counts_those_behind_it(): void
    {
        $script = (new ScriptReader)->fromArray(['agent' => ['name' => 'Lo', 'business' => 'Fairwick Tools'], 'first' => 'help', 'sheet' => ['type' => 'object', 'properties' => ['day' => ['type' => 'string', 'format' => 'date', 'title' => 'Day'], 'name' => ['type' => 'string', 'format' => 'person-name', 'title' => 'Name']]], 'steps' => [
            ['key' => 'help', 'kind' => 'listen', 'prompt' => 'How can I help?', 'topics' => [['key' => 'hire', 'label' => 'a hire', 'phrases' => ['hire a saw'], 'next' => 'day'], ['key' => 'sale', 'label' => 'a sale', 'phrases' => ['buy a saw'], 'next' => 'name']]],
            ['key' => 'day', 'kind' => 'ask', 'field' => 'day', 'prompt' => 'Which day?', 'next' => 'which'],
            ['key' => 'which', 'kind' => 'branch', 'ways' => [['when' => ['value' => 'day', 'known' => true], 'next' => 'done']], 'otherwise' => 'undated'],
            ['key' => 'undated', 'kind' => 'say', 'prompt' => 'We ring you about the day.', 'next' => 'done'],
            ['key' => 'name', 'kind' => 'ask', 'field' => 'name', 'prompt' => 'Your name?', 'next' => 'told'],
            ['key' => 'told', 'kind' => 'say', 'prompt' => 'We will ring you.', 'next' => 'bye'],
            ['key' => 'bye', 'kind' => 'finish', 'prompt' => 'Goodbye.', 'outcome' => 'sale'],
            ['key' => 'done', 'kind' => 'finish', 'prompt' => 'Noted. Goodbye.', 'outcome' => 'hire'],
        ]]);
        $tally = new Tally;
        self::assertSame([], (new Coverage($script, $tally))->unused(), 'where nobody has called, nothing is to be said');
        $at = new \DateTimeImmutable('2026-03-10 09:14');
        $tally->add(new CallFacts($at, 30, 'inbound', 'hire', Handled::Agent, topic: 'hire', steps: ['help', 'day', 'day', 'which', 'done']));
        $tally->add(new CallFacts($at, 30, 'inbound', 'caller hung up', Handled::GivenUp, topic: 'hire', steps: ['help', 'day']));
        $tally->add(new CallFacts($at, 30, 'inbound', 'caller hung up', Handled::GivenUp, steps: ['help']));
        $coverage = new Coverage($script, $tally);
        self::assertSame([['topic', 'sale', 'help', 3], ['step', 'undated', 'undated', 0]], array_map(static fn (array $one): array => [$one['kind'], $one['key'], $one['step'], $one['behind']], $coverage->unused()));
        self::assertStringContainsString('one call passed “which”', $coverage->unused()[1]['why']);
        self::assertSame([['step' => 'help', 'n' => 1, 'of' => 3], ['step' => 'day', 'n' => 1, 'of' => 2]], $coverage->givenUpAt());
        $tally->add(new CallFacts($at, 30, 'inbound', 'sale', Handled::Agent, topic: 'sale', steps: ['help', 'name', 'told', 'bye']));
        $tally->add(new CallFacts($at, 30, 'inbound', 'hire', Handled::Agent, topic: 'hire', steps: ['help', 'day', 'which', 'undated', 'done']));
        self::assertSame([], (new Coverage($script, $tally))->unused());
    }

    public function test_it_names_transfer_rules_that_decided_nothing_and_greetings_for_callers_who_never_rang(): void
    {
        $script = (new ScriptReader)->fromArray(['agent' => ['name' => 'Lo', 'business' => 'Fairwick Tools', 'greeting' => ['known' => 'Hello again.', 'unknown' => 'Fairwick Tools.', 'withheld' => 'Hello.']], 'first' => 'bye', 'sheet' => ['type' => 'object', 'properties' => []],
            'transfers' => ['rules' => [['key' => 'angry', 'words' => ['complaint'], 'to' => 'team:office'], ['key' => 'all', 'to' => 'team:counter']]],
            'steps' => [['key' => 'bye', 'kind' => 'finish', 'prompt' => 'Goodbye.', 'outcome' => 'done']]]);
        $at = new \DateTimeImmutable('2026-03-10 09:14');
        $tally = new Tally;
        $tally->add(new CallFacts($at, 30, 'inbound', 'done', Handled::Agent, caller: 'unknown', steps: ['bye']));
        $unused = static fn (Tally $tally): array => array_map(static fn (array $one): array => [$one['kind'], $one['key']], (new Coverage($script, $tally))->unused());
        self::assertSame([['greeting', 'known'], ['greeting', 'withheld']], $unused($tally), 'where nobody was handed over, rules are not told of');
        $tally->add(new CallFacts($at, 30, 'inbound', 'done', Handled::Staff, caller: 'known', steps: ['bye'], rules: ['all', 'all']));
        self::assertSame([['transfer rule', 'angry'], ['greeting', 'withheld']], $unused($tally));
        $tally->add(new CallFacts($at, 30, 'inbound', 'done', Handled::Staff, caller: 'withheld', steps: ['bye'], rules: ['angry']));
        self::assertSame([], $unused($tally));
    }
}
