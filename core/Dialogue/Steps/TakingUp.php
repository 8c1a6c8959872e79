<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Steps;

use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Phrasebook;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;
use Ringo\Fit\Topics;
use Ringo\Language\Stemmer;
use Ringo\Language\Token;
use Ringo\Script\Steps\Listen\ListenStep;
use Ringo\Understanding\Understanding;

/**
 * 'Put me down for one then', 'can I book that': what a question was about is wanted. The topic is the one the question leaned to, else the
 * one of several that begins something of the kind.
 */
final readonly class TakingUp
{
    /** Words behind 'can I book' that name nothing new. */
    private const POINTERS = ['it', 'that', 'one', 'this', 'those', 'them', 'these', 'some', 'two', 'both', 'in', 'on', 'now', 'then', 'please', 'online', 'over', 'with', 'for'];

    /** Words of substance that may stand beside it: a day, a number. */
    private const BESIDE = 3;

    public function __construct(private Understanding $understanding, private Phrasebook $phrases, private TopicEntry $entry, private OtherTopics $others)
    {
    }

    public function move(Turn $turn, ListenStep $step, Hearing $hearing, float $top): ?Move
    {
        $state = $turn->state;
        if ($top >= Topics::NAMED || ! $this->wanted($hearing)) {
            return null;
        }
        $leaning = $state->leaning;
        if ($leaning !== null && $step->topic($leaning) !== null) {
            $turn->trace->rule("topic {$leaning}: taken up after a question about it");

            return $this->entry->enter($turn, $step, $leaning, $hearing->heard);
        }
        if ($state->lastReply === null) {
            return null;
        }
        $begin = $this->named($step, $this->beginning($step), $hearing);
        if (count($begin) === 1) {
            $turn->trace->rule("topic {$begin[0]}: what was asked about is wanted, and only this one begins such a thing");

            return $this->entry->enter($turn, $step, $begin[0], $hearing->heard);
        }
        if ($begin === []) {
            return null;
        }
        $state->unsorted = ['words' => $hearing->heard->original, 'turn' => $turn->callerTurn];
        $turn->trace->rule('what was asked about is wanted: asks which topic it is');
        $this->others->ask($turn, $step, $begin);

        return Move::stay();
    }

    private function wanted(Hearing $hearing): bool
    {
        $tokens = $hearing->heard->tokens;
        if (! $hearing->asks()) {
            return $this->phrases->table('acts', 'takes_up')->in($tokens);
        }
        $asked = $this->phrases->table('acts', 'takes_up_asking')->first($tokens);
        if ($asked === null) {
            return false;
        }
        $behind = array_slice($tokens, $asked[1] + $asked[2]);

        return in_array($behind[0]->text ?? 'it', self::POINTERS, true)
            && $this->phrases->content(array_values(array_filter($behind, static fn (Token $token): bool => ! in_array($token->text, self::POINTERS, true)))) <= self::BESIDE;
    }

    /**
     * @param list<string> $begin
     *
     * @return list<string> those of them that speak of what was asked: 'can I sign up'; all where none does
     */
    private function named(ListenStep $step, array $begin, Hearing $hearing): array
    {
        $asked = $this->phrases->table('acts', 'takes_up_asking')->first($hearing->heard->tokens);
        $stemmer = new Stemmer;
        $little = $this->understanding->words->set('function_words');
        $words = $asked === null ? [] : array_filter(array_slice($hearing->heard->tokens, $asked[1], $asked[2]), static fn (Token $token): bool => ! isset($little[$token->text]));
        $stems = array_map(static fn (Token $token): string => $stemmer->stem($token->text), array_values($words));
        $those = array_values(array_filter($begin, static fn (string $key): bool => array_intersect($stems, $stemmer->stems(($step->topic($key)['label'] ?? '').' '.($step->topic($key)['description'] ?? ''))) !== []));

        return $those === [] ? $begin : $those;
    }

    /** @return list<string> topics that begin something: a booking, an order, a hire */
    private function beginning(ListenStep $step): array
    {
        $begins = $this->phrases->table('acts', 'begins_something');
        $stands = $this->phrases->table('acts', 'about_what_stands');
        $found = [];
        foreach ($step->topics as $topic) {
            $about = $this->understanding->hear($topic['label'].', '.$topic['description'])->tokens;
            if ($begins->in($about) && ! $stands->in($about)) {
                $found[] = $topic['key'];
            }
        }

        return $found;
    }
}
