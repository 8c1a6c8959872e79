<?php

declare(strict_types=1);

namespace Ringo\Extraction;

use Ringo\Language\Vocabulary;
use Ringo\Understanding\Context;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Reading;
use Ringo\Understanding\Understanding;
use Ringo\Value\ValueType;

/** Fields that want a few words and tell no story, such as a make, a colour or a breed: the caller's own, where they were asked for or mentioned. */
final readonly class ShortText
{
    /** What is longer tells more than was asked for. */
    private const LONGEST = 90;

    /** A yes or no of so many words, filling so much of the answer, names nothing. */
    private const FEW_WORDS = 4;

    private const MOSTLY = 0.5;

    public function __construct(
        private Readings $readings,
        private Questions $questions,
        private Understanding $understanding,
        private Vocabulary $words,
        private Mentioned $mentioned,
    ) {
    }

    /** @param list<Exchange> $exchanges */
    public function fill(Hearing $hearing, array $exchanges): void
    {
        $before = '';
        foreach ($exchanges as $exchange) {
            $asked = $exchange->heard->all === [] || $exchange->goesOn ? [] : $this->questions->asked($exchange->asked, $hearing->fields, $before);
            foreach ($hearing->fields as $field) {
                $question = $field->type === ValueType::Text && ! $field->narrative ? $asked[$field->key()] ?? null : null;
                $known = $hearing->ledger->of($field->key());
                if ($question === null || $known !== null && ! $question['last']) {
                    continue;
                }
                $reading = $this->answer($hearing, $exchange, $question['sentence'], $known !== null);
                if (is_string($reading->value)) {
                    $hearing->ledger->take(
                        $field->key(),
                        new Claim($reading->value, round($reading->confidence, 2), $exchange->turn, $hearing->evidence($exchange->turn, $reading->said), Claim::ANSWERED),
                    );
                } elseif ($question['last'] && $this->readings->refuses($exchange->heard)) {
                    $hearing->ledger->decline($field->key());
                }
            }
            $before = $exchange->heard->original;
        }
        $this->mentioned($hearing, $exchanges);
    }

    /** @param list<Exchange> $exchanges */
    private function mentioned(Hearing $hearing, array $exchanges): void
    {
        foreach ($hearing->fields as $field) {
            if (
                $field->type !== ValueType::Text
                || $field->narrative
                || $hearing->ledger->of($field->key()) !== null
                || in_array($field->key(), $hearing->ledger->declined(), true)
            ) {
                continue;
            }
            foreach ($exchanges as $exchange) {
                foreach ($this->readings->clauses($exchange->heard) as $sentence) {
                    $reading = $this->mentioned->in($field, $exchange->heard->only($sentence));
                    if (is_string($reading?->value)) {
                        $hearing->ledger->take(
                            $field->key(),
                            new Claim($reading->value, $reading->confidence, $exchange->turn, $hearing->evidence($exchange->turn, $reading->said), Claim::VOLUNTEERED),
                        );

                        continue 3;
                    }
                }
            }
        }
    }

    private function answer(Hearing $hearing, Exchange $exchange, string $sentence, bool $known): Reading
    {
        $heard = $exchange->heard;
        $polar = preg_match('/^(?:and |so |ok |okay |right |now )?(?:do|does|did|is|are|was|were|have|has|had|can|could|will|would) /i', $sentence) === 1;
        if ($this->readings->refuses($heard) || $polar && ($known || $this->readings->reaction($heard, $hearing->now) === false)) {
            return Reading::none();
        }
        $reading = $this->understanding->read(ValueType::Text, $this->trimmed($heard), new Context($hearing->now));
        if (! is_string($reading->value)) {
            return Reading::none();
        }
        $yes = $this->understanding->read(ValueType::YesNo, $heard, new Context($hearing->now));
        $open = ! $polar && $this->questions->wanting->opening($this->readings->hear($sentence)->all) !== null;
        if (! $open && $yes->found() && count($heard->tokens) <= self::FEW_WORDS && strlen($yes->said) > strlen($reading->value) * self::MOSTLY) {
            return Reading::none();
        }

        return mb_strlen($reading->value) > self::LONGEST ? Reading::none() : $reading;
    }

    /** Without 'yes', 'oh' and the like before the words that matter, and the question repeated. */
    private function trimmed(Heard $heard): Heard
    {
        $t = $heard->tokens;
        $greetings = $this->words->phrases('extraction', 'greetings');
        $leads = $this->words->phrases('extraction', 'attribute_leads');
        while ($t !== [] && (($hit = $greetings->at($t, 0)) !== null || ($hit = $leads->at($t, 0)) !== null) && isset($t[$hit[1]])) {
            $t = array_slice($t, $hit[1]);
        }
        $hedges = $this->words->phrases('extraction', 'hedges');
        for ($i = 1, $n = count($t); $i < $n; $i++) {
            if (($hit = $hedges->at($t, $i)) !== null && $i + $hit[1] === count($t)) {
                $t = array_slice($t, 0, $i);

                break;
            }
        }

        return $heard->only(array_values($t));
    }
}
