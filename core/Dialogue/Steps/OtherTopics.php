<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Steps;

use Ringo\Dialogue\Acts\ActKind;
use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Mode;
use Ringo\Dialogue\Phrasebook;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;
use Ringo\Fit\Topics;
use Ringo\Language\Token;
use Ringo\Script\Steps\Listen\ListenStep;
use Ringo\Understanding\Understanding;

/**
 * A caller who wants none of the topics asked about: what else was told decides, else the other topics are asked about, and after
 * those the matter in other words. A topic that was refused is not offered again.
 */
final readonly class OtherTopics
{
    /** Topics in one question. */
    private const AT_ONCE = 3;

    /** What is told beside the no is meant from here on. */
    private const MEANT = 0.6;

    public function __construct(
        private Understanding $understanding,
        private Phrasebook $phrases,
        private Topics $topics,
        private TopicEntry $entry,
    ) {
    }

    /** Whether words begin by wanting none of what was asked about: 'neither', 'no, it's about the lamp'. */
    public function wanted(Hearing $hearing): bool
    {
        $tokens = $hearing->heard->tokens;
        $hit = $this->phrases->table('acts', 'none_of_those')->first($tokens);
        $rest = $hit === null ? $tokens : array_slice($tokens, $hit[2]);

        // 'No, that's all' wants nothing at all.
        return $hit !== null && $hit[1] === 0 && ! $this->phrases->phrases('nothing_more', 'goodbyes')->in($rest);
    }

    /**
     * @param list<string> $refused the topics that were asked about
     *
     * @return ?Move nothing where the words name a topic, ask, or want to end the call
     */
    public function move(Turn $turn, ListenStep $step, array $refused, Hearing $hearing): ?Move
    {
        $state = $turn->state;
        $beside = $this->beside($hearing);
        $ranked = $this->topics->rank($step->topics, $hearing->heard);
        $named = max([0.0, ...array_values($ranked)]) >= Topics::FITS;
        $done = $state->outcome !== null && $beside === 0;
        if ($done || $named || $hearing->asks() || $hearing->act(ActKind::Person, ActKind::Leaving, ActKind::DontKnow) !== null) {
            return null;
        }
        $state->refused = array_values(array_unique([...$state->refused, ...$refused]));
        $first = $state->unsorted['words'] ?? '';
        $of = $this->likely($step, $beside === 0 ? $first : $hearing->heard->original);
        $best = (string) array_key_first($of);
        if ($beside > 0 && $of[$best] >= self::MEANT) {
            $turn->trace->rule("topic {$best}: told beside the no");

            return $this->entry->enter($turn, $step, $best, $hearing->heard);
        }
        $others = array_values(array_diff(array_map(strval(...), array_keys($of)), $state->refused));
        $twice = count($state->refused) > count($refused);
        $rest = array_values(array_filter(array_map(strval(...), array_keys($of)), fn (string $key): bool => $this->isTheRest($step, $key)))[0] ?? null;
        if ($rest !== null && ($twice || array_diff($others, [$rest]) === [])) {
            $turn->trace->rule("topic {$rest}: none of the others");

            return $this->entry->enter($turn, $step, $rest, $beside === 0 ? null : $hearing->heard);
        }
        if ($others === [] || $twice && $beside === 0) {
            return $this->inOtherWords($turn, $step);
        }
        $turn->trace->rule('none of those: asks about others');
        $this->ask($turn, $step, array_slice($others, 0, self::AT_ONCE));

        return Move::stay();
    }

    /** @param list<string> $keys topics the caller is asked about */
    public function ask(Turn $turn, ListenStep $step, array $keys): void
    {
        // 'Something else' is said behind what it is not.
        usort($keys, fn (string $a, string $b): int => $this->isTheRest($step, $a) <=> $this->isTheRest($step, $b));
        $turn->state->mode = Mode::Clarify;
        $turn->state->candidates = $keys;
        $labels = array_map(static fn (string $key): string => $step->topic($key)['label'] ?? $key, $keys);
        $turn->standing('clarify', ['options' => $turn->listed($labels)], true);
    }

    /** Whether a topic takes whatever no other is about: 'something else'. */
    private function isTheRest(ListenStep $step, string $key): bool
    {
        return $this->phrases->table('acts', 'none_of_those')->without($this->understanding->hear($step->topic($key)['label'] ?? '')->tokens) === [];
    }

    private function inOtherWords(Turn $turn, ListenStep $step): Move
    {
        $turn->state->unsorted = null;
        $turn->state->failures++;
        $turn->trace->rule("none of the topics, {$turn->state->failures} of {$step->tries}");
        if ($turn->state->failures >= $step->tries) {
            return Move::out();
        }
        $turn->standing('in_other_words', [], true);

        return Move::stay();
    }

    /** @return non-empty-array<string, float> how likely each topic of the step is meant, best first */
    private function likely(ListenStep $step, string $words): array
    {
        $of = $this->topics->meant($step->topics, $this->understanding->hear($words))->of;

        return $of === [] ? ['' => 0.0] : $of;
    }

    /** Words of substance beside the no. */
    private function beside(Hearing $hearing): int
    {
        $tokens = $hearing->heard->tokens;
        [, $from, $length] = $this->phrases->table('acts', 'none_of_those')->first($tokens) ?? ['', 0, 0];

        return $this->phrases->content(array_values(array_filter(
            $tokens,
            static fn (Token $token, int $place): bool => $place < $from || $place >= $from + $length,
            ARRAY_FILTER_USE_BOTH,
        )));
    }
}
