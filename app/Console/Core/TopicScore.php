<?php

declare(strict_types=1);

namespace App\Console\Core;

use Ringo\Design\ScriptDocument;
use Ringo\Dialogue\CallState;
use Ringo\Dialogue\Engine;
use Ringo\Dialogue\Event;
use Ringo\Dialogue\Mode;
use Ringo\Dialogue\Opening;
use Ringo\Fit\Memory;

/** What an open question makes of callers nobody trained on: each business left out as an agent whose topics are its teams, each saying rung through the engine. */
final class TopicScore
{
    private const NOTHING = [
        'one_topic' => 0, 'right' => 0, 'wrong' => 0, 'asked_rightly' => 0, 'asked_in_vain' => 0,
        'asked_again_rightly' => 0, 'otherwise' => 0, 'no_topic' => 0, 'no_topic_taken' => 0, 'no_topic_asked' => 0,
    ];

    /** @return iterable<array<string, mixed>> a line a trade, then all */
    public function of(string $folder): iterable
    {
        $all = self::NOTHING;
        foreach (HeldOutTrades::in($folder) as $name => $trade) {
            $counts = self::NOTHING;
            foreach ($trade['splits'] as $n => $teams) {
                [$engine, $open] = $this->agent($teams, Memory::english()->without($name));
                foreach ($trade['sayings'] as $saying) {
                    $fit = $saying['fit'][$n] ?? null;
                    foreach (is_array($fit) ? [] : $this->one($engine, $open, (string) $saying['said'], $fit === null ? null : self::key((string) $fit)) as $what) {
                        $counts[$what]++;
                        $all[$what]++;
                    }
                }
            }

            yield $this->line($name, $counts);
        }

        yield $this->line('all', $all);
    }

    /** @return list<key-of<self::NOTHING>> */
    private function one(Engine $engine, CallState $open, string $said, ?string $wanted): array
    {
        $state = $engine->step($open, Event::said($said, 5.0))->state;
        $taken = $state->tags[0] ?? null;
        $asked = $state->mode === Mode::Clarify ? $state->candidates : [];
        if ($wanted === null) {
            return ['no_topic', ...($taken !== null ? ['no_topic_taken'] : ($asked !== [] ? ['no_topic_asked'] : []))];
        }

        return ['one_topic', ...match (true) {
            $taken === $wanted => ['right'],
            $taken !== null => ['wrong'],
            $asked === [] => ['otherwise'],
            in_array($wanted, $asked, true) => ['asked_rightly'],
            default => ['asked_in_vain', ...$this->againRightly($engine, $state, $wanted) ? ['asked_again_rightly'] : []],
        }];
    }

    /** Whether a caller who wants none of those is then asked about the right one, or comes to it. */
    private function againRightly(Engine $engine, CallState $state, string $wanted): bool
    {
        $again = $engine->step($state, Event::said(FitScore::NONE_OF_THOSE, 9.0))->state;

        return ($again->tags[0] ?? null) === $wanted || $again->mode === Mode::Clarify && in_array($wanted, $again->candidates, true);
    }

    /**
     * @param list<array{key: string, name: string, description: string}> $teams
     *
     * @return array{Engine, CallState}
     */
    private function agent(array $teams, Memory $memory): array
    {
        $steps = [['key' => 'open', 'kind' => 'listen', 'prompt' => 'How can I help?', 'topics' => array_map(static fn (array $team): array => ['key' => self::key($team['key']), 'label' => $team['name'], 'description' => $team['description'], 'next' => 'to_'.self::key($team['key'])], $teams)]];
        foreach ($teams as $team) {
            $steps[] = ['key' => 'to_'.self::key($team['key']), 'kind' => 'note', 'tag' => self::key($team['key']), 'next' => 'bye'];
        }
        $script = ScriptDocument::fromArray(['agent' => ['name' => 'Ada', 'business' => 'The business'], 'sheet' => ['type' => 'object', 'properties' => ['note' => ['type' => 'string']]], 'first' => 'open', 'steps' => [...$steps, ['key' => 'bye', 'kind' => 'finish', 'prompt' => 'Goodbye.', 'outcome' => 'done']]])->script;
        $engine = Engine::for($script, memory: $memory);
        $state = (new Opening($script))->state('topics', new \DateTimeImmutable('2026-03-10T09:14', new \DateTimeZone('Europe/London')), '1', null, null, ['known' => false]);

        return [$engine, $engine->step($state, Event::started())->state];
    }

    private static function key(string $key): string
    {
        return (string) preg_replace('/[^a-z0-9_]/', '_', $key);
    }

    /**
     * @param array<string, int> $counts
     *
     * @return array<string, mixed>
     */
    private function line(string $name, array $counts): array
    {
        $share = static fn (int $part, string $of): float => round($part / max(1, $counts[$of]), 3);

        return [
            'set' => $name,
            'one_topic' => $counts['one_topic'],
            'right_in_the_end' => $share($counts['right'] + $counts['asked_rightly'], 'one_topic'),
            'with_a_second_question' => $share($counts['right'] + $counts['asked_rightly'] + $counts['asked_again_rightly'], 'one_topic'),
            'right' => $share($counts['right'], 'one_topic'),
            'wrong' => $share($counts['wrong'], 'one_topic'),
            'asked_in_vain' => $share($counts['asked_in_vain'], 'one_topic'),
            'otherwise' => $share($counts['otherwise'], 'one_topic'),
            'no_topic' => $counts['no_topic'],
            'no_topic_taken' => $share($counts['no_topic_taken'], 'no_topic'),
            'no_topic_asked' => $share($counts['no_topic_asked'], 'no_topic'),
        ];
    }
}
