<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Acts;

use Ringo\Dialogue\Phrasebook;
use Ringo\Language\Phrases;
use Ringo\Understanding\Heard;

/** Parts what is asked in an utterance from what is told; two questions in one breath are two. */
final readonly class Questions
{
    /** Words after which a question may open without a pause. */
    private const OPENS_AFTER = ['and', 'but', 'oh', 'so', 'also', 'that', 'first', 'question', 'way', 'ask', 'wondering', 'well', 'er', 'hi', 'hello', 'yes', 'no', 'please', 'thanks', 'tell', 'me', 'it', 'then', 'know', 'ok', 'okay', 'right', 'actually', 'sorry', 'just', 'or', 'hiya', 'morning', 'afternoon', 'evening'];

    /** Question words that may open anywhere. */
    private const ANYWHERE = ['how', 'what', "what's", 'when', 'where', 'who', 'why'];

    /** Words that stand before what is asked for: 'which machines do you have'. */
    private const FRONTS = ['what', 'which', 'whose', 'how'];

    /** So many words may stand between. */
    private const FRONTED = 5;

    /** Words behind which what looks like a question is part of a statement. */
    private const TOLD_AFTER = ['that', 'which', 'what', 'who', 'how', 'if', 'whether', 'so', 'only', 'as', 'than'];

    public function __construct(private Phrasebook $phrases)
    {
    }

    /** @return array{list<Heard>, Heard} the questions, and the words outside them */
    public function in(Heard $heard): array
    {
        $starts = $this->starts($heard);
        if ($starts === []) {
            return [[], $heard];
        }
        $questions = [];
        foreach ($starts as $n => $start) {
            $end = $starts[$n + 1] ?? count($heard->tokens);
            $questions[] = $heard->only(array_slice($heard->tokens, $start, $end - $start));
        }

        return [$questions, $heard->only(array_slice($heard->tokens, 0, $starts[0]))];
    }

    /**
     * The first question and the words before it.
     *
     * @return array{Heard, Heard}|null
     */
    public function clause(Heard $heard): ?array
    {
        $starts = $this->starts($heard);

        return $starts === [] ? null : [$heard->only(array_slice($heard->tokens, $starts[0])), $heard->only(array_slice($heard->tokens, 0, $starts[0]))];
    }

    /** 'Why not' agrees, where it is all that is said; 'why not Friday' asks. */
    private function agrees(Heard $heard): bool
    {
        return preg_match('/^(?:yeah |yes |sure |well |oh )?why not(?: then| please)?$/', $heard->cleaned()) === 1;
    }

    /** @return list<int> where questions begin */
    private function starts(Heard $heard): array
    {
        if ($this->agrees($heard)) {
            return [];
        }
        $found = [];
        foreach ($this->openers()->all($heard->tokens) as [, $place]) {
            if ($this->opens($heard, $place)) {
                $found[] = $place;
            }
        }
        foreach ($this->phrases->table('acts', 'inverted')->all($heard->tokens) as [, $place]) {
            if ($this->inverts($heard, $place)) {
                $found[] = $this->fronted($heard, $place);
            }
        }
        $found = array_values(array_unique($found));
        sort($found);
        // 'Can you tell me how much …' is one question.
        $starts = [];
        foreach ($found as $place) {
            $last = $starts === [] ? null : $starts[count($starts) - 1];
            if ($last === null || $place - $last >= 4 && $this->joins($heard, $place)) {
                $starts[] = $place;
            }
        }

        return $starts;
    }

    /** Whether a second question begins here: after a pause or an 'and'. */
    private function joins(Heard $heard, int $place): bool
    {
        return $heard->tokens[$place]->afterBreak() || in_array($heard->tokens[$place - 1]->text ?? '', ['and', 'also', 'or', 'plus', 'but'], true);
    }

    private function opens(Heard $heard, int $place): bool
    {
        return $this->begins($heard, $place) || in_array($heard->tokens[$place]->text, self::ANYWHERE, true);
    }

    /** 'What deposit do you want' begins with what is asked for. */
    private function fronted(Heard $heard, int $place): int
    {
        for ($at = $place - 1; $at >= max(0, $place - self::FRONTED); $at--) {
            $token = $heard->tokens[$at];
            if (in_array($token->text, self::FRONTS, true) && $this->begins($heard, $at)) {
                return $at;
            }
            if ($token->afterBreak()) {
                break;
            }
        }

        return $place;
    }

    private function begins(Heard $heard, int $place): bool
    {
        return $place === 0 || ($heard->tokens[$place] ?? null)?->afterBreak() === true || in_array($heard->tokens[$place - 1]->text ?? '', self::OPENS_AFTER, true);
    }

    private function inverts(Heard $heard, int $place): bool
    {
        return ! in_array($heard->tokens[$place - 1]->text ?? '', self::TOLD_AFTER, true);
    }

    /** @return Phrases<mixed> */
    private function openers(): Phrases
    {
        return $this->phrases->phrases('questions', 'what_day', 'open', 'who', 'machine');
    }
}
