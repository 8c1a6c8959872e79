<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Acts;

use Ringo\Dialogue\Phrasebook;
use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Heard;

/** Tells a request for a person from talk of one: 'a real person rang me yesterday' asks for nobody. */
final readonly class PersonAsked
{
    /** Words that may stand between the asking and the person: 'get me the duty manager'. */
    private const BETWEEN = 3;

    /** As many words or fewer, and a bare 'manager' or 'operator' is a request. */
    private const FEW_WORDS = 4;

    private const OF_ONESELF = ['was', 'been', 'am', "i'm", "i've", 'worked', 'as'];

    public function __construct(private Phrasebook $phrases, private Vocabulary $words)
    {
    }

    public function in(Heard $heard): ?Act
    {
        $tokens = $heard->tokens;
        $outright = $this->phrases->table('acts', 'person_outright');
        if (($hit = $outright->first($tokens)) !== null && $this->phrases->content($outright->without($tokens)) <= self::BETWEEN + 2) {
            return $this->act($heard, $hit[1], $hit[2]);
        }
        $asks = $this->phrases->table('acts', 'person_asked');
        $persons = $this->phrases->table('acts', 'persons');
        foreach ($asks->all($tokens) as [, $place, $length]) {
            for ($i = $place + $length; $i <= $place + $length + self::BETWEEN; $i++) {
                $person = $persons->at($tokens, $i);
                if ($person !== null && $this->endsThere($heard, $i + $person[1])) {
                    return $this->act($heard, $place, $i + $person[1] - $place);
                }
            }
        }
        // 'I was a receptionist' tells of oneself.
        $ofOneself = array_filter($tokens, static fn (Token $token): bool => in_array($token->text, self::OF_ONESELF, true)) !== [];
        $alone = ! $ofOneself && $this->phrases->is($heard, 'person_alone') && count($tokens) <= self::FEW_WORDS;

        return $alone ? new Act(ActKind::Person, $heard, $heard->only([]), 0.9, true) : $this->byName($heard);
    }

    /** 'Is Helen there please', 'could I have a word with Mr Ashby'. */
    private function byName(Heard $heard): ?Act
    {
        $tokens = $heard->tokens;
        foreach ($this->phrases->table('acts', 'person_by_name')->all($tokens) as [, $place, $length]) {
            $name = $this->nameAt($tokens, $place + $length);
            // 'Can you get Tom to ring me' is a message for him.
            if ($name > 0 && ($tokens[$place + $length + $name]->text ?? '') !== 'to') {
                return $this->act($heard, $place, $length + $name);
            }
        }
        $there = $this->phrases->table('acts', 'whether_in');
        foreach ($tokens as $i => $token) {
            $name = in_array($token->text, ['is', "isn't"], true) ? $this->nameAt($tokens, $i + 1) : 0;
            $in = $name === 0 ? null : $there->at($tokens, $i + 1 + $name);
            if ($in !== null && ! isset($tokens[$i + 1 + $name + $in[1]])) {
                return $this->act($heard, $i, 1 + $name + $in[1]);
            }
        }

        return null;
    }

    /**
     * @param list<Token> $tokens
     *
     * @return int how many words a name of a person takes there; 0 for none
     */
    private function nameAt(array $tokens, int $i): int
    {
        $first = $tokens[$i] ?? null;
        if ($first === null) {
            return 0;
        }
        if (in_array($first->text, $this->words->section('names', 'titles'), true)) {
            return isset($tokens[$i + 1]) ? 2 : 0;
        }
        $written = $i > 0 && preg_match('/^\p{Lu}/u', $first->original) === 1;
        $given = isset($this->words->set('given_names')[$first->text]) && ($written || ! isset($this->words->set('everyday_words')[$first->text]));
        $surname = $tokens[$i + 1] ?? null;

        return $given
            ? ($surname !== null && ! $surname->afterBreak() && (isset($this->words->set('surnames')[$surname->text]) || preg_match('/^\p{Lu}/u', $surname->original) === 1) ? 2 : 1)
            : 0;
    }

    /** Whether the person is all that is asked for: 'is there somebody who sells tyres' asks about tyres, 'somebody about my bill' for somebody. */
    private function endsThere(Heard $heard, int $place): bool
    {
        $next = $heard->tokens[$place] ?? null;

        return $next === null || $next->afterBreak() || $this->phrases->table('acts', 'after_person')->at($heard->tokens, $place) !== null;
    }

    private function act(Heard $heard, int $place, int $length): Act
    {
        $words = array_slice($heard->tokens, $place, $length);
        $rest = [...array_slice($heard->tokens, 0, $place), ...array_slice($heard->tokens, $place + $length)];
        $alone = $this->phrases->content($rest) <= 1;

        return new Act(ActKind::Person, $heard->only(array_values($words)), $heard->only(array_values($rest)), $alone ? 0.95 : 0.85, $alone);
    }
}
