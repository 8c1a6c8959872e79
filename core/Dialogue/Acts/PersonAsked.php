<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Acts;

use Ringo\Dialogue\Phrasebook;
use Ringo\Understanding\Heard;

/** Tells a request for a person from talk of one: 'a real person rang me yesterday' asks for nobody. */
final readonly class PersonAsked
{
    /** Words that may stand between the asking and the person: 'get me the duty manager'. */
    private const BETWEEN = 3;

    /** As many words or fewer, and a bare 'manager' or 'operator' is a request. */
    private const FEW_WORDS = 4;

    public function __construct(private Phrasebook $phrases)
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
        $alone = $this->phrases->is($heard, 'person_alone') && count($tokens) <= self::FEW_WORDS;

        return $alone ? new Act(ActKind::Person, $heard, $heard->only([]), 0.9, true) : null;
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
