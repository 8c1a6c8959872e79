<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Order;

use Ringo\Dialogue\Acts\ActKind;
use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Mode;
use Ringo\Dialogue\Modes\Modes;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;
use Ringo\Language\Stemmer;
use Ringo\Language\Token;
use Ringo\Language\Tokenizer;
use Ringo\Language\Vocabulary;
use Ringo\Script\Steps\Ask\AskStep;
use Ringo\Script\Steps\Choose\ChooseStep;
use Ringo\Script\Steps\Listen\ListenStep;

/**
 * What was offered, said by its name and nothing beside it, is the answer, whatever the words would mean elsewhere: 'what is on' is no
 * wish to hear the question again where 'what is on' was one of three, nor 'leaving' a goodbye.
 */
final readonly class OfferNamed implements Consideration
{
    public function __construct(private Modes $modes, private Vocabulary $words)
    {
    }

    public function weigh(Turn $turn, Hearing $hearing): ?Move
    {
        // Where the words do nothing else, the answer takes them in its turn, but for the name of a topic that was not asked about; a wish
        // for no more calls is kept as one wherever it is said.
        if ($hearing->acts === [] && $turn->state->mode !== Mode::Clarify || $hearing->act(ActKind::StopCalling) !== null) {
            return null;
        }
        $said = $this->bare(array_map(static fn (Token $token): string => $token->text, $hearing->heard->tokens));
        if ($said === []) {
            return null;
        }
        $tokenizer = new Tokenizer;
        foreach ($this->offered($turn) as $key => $name) {
            $called = $this->bare($tokenizer->words($name));
            if ($called === $said || $this->telling($said) !== [] && $this->telling($called) === $this->telling($said)) {
                $turn->trace->rule("“{$name}” was offered, and is named");
                // Another topic than those asked about is as good as one of them, where it is named.
                $turn->state->candidates = $turn->state->mode === Mode::Clarify && $turn->step() instanceof ListenStep ? [(string) $key] : $turn->state->candidates;

                return $this->modes->now($turn)->answer($turn, $hearing);
            }
        }

        return null;
    }

    /** @return array<array-key, string> names, by key where topics are asked about */
    private function offered(Turn $turn): array
    {
        $step = $turn->step();
        $mode = $turn->state->mode;
        if ($mode === Mode::Clarify && $step instanceof ListenStep) {
            return array_column($step->topics, 'label', 'key');
        }
        if ($mode !== Mode::Answer) {
            return [];
        }

        return match (true) {
            $step instanceof ChooseStep => array_column($step->options, 'label'),
            $step instanceof AskStep => array_column($turn->script->sheet->field($step->field)->options ?? [], 'label'),
            default => [],
        };
    }

    /**
     * 'I need staff' for 'needing staff'.
     *
     * @param list<string> $words
     *
     * @return list<string> roots of the words that tell something
     */
    private function telling(array $words): array
    {
        $little = $this->words->set('function_words');
        $stemmer = new Stemmer;

        return array_values(array_filter(array_map($stemmer->stem(...), $words), static fn (string $stem): bool => ! isset($little[$stem])));
    }

    /**
     * @param list<string> $words
     *
     * @return list<string> without articles and courtesies
     */
    private function bare(array $words): array
    {
        return array_values(array_diff($words, $this->words->section('grammar', 'beside_an_offer')));
    }
}
