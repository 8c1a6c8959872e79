<?php

declare(strict_types=1);

namespace Ringo\Extraction;

use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Context;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Reading;
use Ringo\Understanding\Understanding;
use Ringo\Value\ValueType;

/** Takes answers to questions of yes and no: outright, by a word for either side, by the question's words said back, or by naming one where any was asked for. */
final readonly class YesNoAnswers
{
    public function __construct(private Readings $readings, private Questions $questions, private Understanding $understanding, private Vocabulary $words)
    {
    }

    public function read(FieldProfile $field, Heard $heard, \DateTimeImmutable $now, bool $flipped, string $sentence): Reading
    {
        $told = $this->fact($field, $heard);
        $tokens = $this->readings->hear($sentence)->all;
        $plain = (string) preg_replace("/,\\s*(?:\\w+n't|is|are|do|does|did|have|has|can|will|would) (?:you|it|they|he|she|we|i|that|there)\\s*\\?\\s*$/i", '?', $sentence);
        $negative = preg_match("/n't\\b|\\b(?:not|never|no longer|cannot|unable)\\b/i", $plain) === 1 && preg_match("/^(?:isn't|aren't|don't|haven't|didn't|doesn't|wasn't|can't|couldn't|won't)/i", trim($sentence)) !== 1;
        $polar = str_contains($sentence, '?') && $this->questions->wanting->opening($tokens) === null || in_array($tokens[0]->text ?? '', $this->words->section('extraction', 'polar'), true) || preg_match('/\b(are|is|do|does|did|have|has|had|can|could|will|would|was|were|any|shall|should)\b/i', $sentence) === 1;
        if ($told !== null && ! $polar) {
            return $told;
        }
        if (preg_match('/\b(?:have|has|did|had)\b/i', $sentence) === 1 && ($hit = $this->words->phrases('extraction', 'done_answers')->first($heard->tokens)) !== null && $hit[1] <= 6) {
            $first = $heard->tokens[$hit[1]];
            $last = $heard->tokens[$hit[1] + $hit[2] - 1];

            return Reading::of(! $flipped, 0.82, $heard->between($first->start, $last->end), $first->start, $last->end);
        }
        $side = preg_match('/\bor\b/i', $sentence) === 1 ? $this->alternative($field, $heard, $sentence) : null;
        if ($side !== null) {
            return $side;
        }
        $reading = $this->readings->outright($heard, $now) ?? $this->understanding->read(ValueType::YesNo, $heard, new Context($now));
        if ($reading->found() && $polar) {
            // What is said outright counts before a yes or no that may belong to something else.
            if ($told !== null && $told->value !== ($flipped ? ! $reading->value : $reading->value) && $reading->confidence < 0.9) {
                return $told;
            }

            if ($negative) {
                // 'So it can't be driven?' is agreed to with yes and with no alike.
                $positive = preg_match('/\b(?:it|i|we|he|she|they) (?:can|is|does|do|am|are|has|have|will|did)\b/i', $heard->cleaned()) === 1 && $reading->value === true;

                return Reading::of($positive, $reading->confidence - 0.1, $reading->said, $reading->start, $reading->end);
            }

            return $flipped ? Reading::of(! $reading->value, $reading->confidence, $reading->said, $reading->start, $reading->end) : $reading;
        }
        if ($told !== null) {
            return $told;
        }

        $echoed = $polar ? $this->echoed($field, $heard, $sentence, $flipped) : Reading::none();

        if (! $echoed->found() && preg_match('/\b(?:have|has|had|got)\b/i', $sentence) === 1 && preg_match("/\\b(?:i|we|he|she|they)(?:'ve|'s| have| has|'d)?(?: already| just| only)* (?:bought|got|brought|sent|emailed|texted|messaged|rung|rang|called|phoned|spoken|spoke|let|mentioned|paid|booked|ordered|signed|filled|posted|done|had|made|arranged|asked|told)\\b/i", $heard->cleaned(), $m) === 1 && preg_match("/n't|\\bnot\\b|\\bnever\\b/i", $heard->cleaned()) !== 1) {
            return Reading::of(! $flipped, 0.78, $heard->original, 0, strlen($heard->original));
        }

        if (! $echoed->found() && preg_match("/^(?:oh |well |no |sorry ){0,2}(?:i|we) (?:haven't got|don't have|don't use|don't do|never use|don't own|haven't any|don't possess)\\b/i", $heard->cleaned()) === 1) {
            return Reading::of($flipped, 0.72, $heard->original, 0, strlen($heard->original));
        }
        if (! $echoed->found() && preg_match('/\b(?:have|has|got|is there|are there|own)\b/i', $sentence) === 1 && preg_match('/^(?:no )?(?:just|only) (?:a|an|the|my|our|one|some) (?!few|couple|minute|second|moment|sec)/i', $heard->cleaned()) === 1 && ! $flipped) {
            return Reading::of(false, 0.66, $heard->original, 0, strlen($heard->original));
        }

        return $echoed->found() || ! $polar || $flipped ? $echoed : $this->named($heard, $sentence);
    }

    public function fact(FieldProfile $field, Heard $heard): ?Reading
    {
        $best = null;
        foreach ($field->facts as $n => $fact) {
            foreach (['true' => true, 'false' => false] as $side => $value) {
                if ($fact[$side] === []) {
                    continue;
                }
                foreach ($this->readings->phrases($field->key().$n.$side, $fact[$side])->all($heard->tokens) as $hit) {
                    $first = $heard->tokens[$hit[1]];
                    $last = $heard->tokens[$hit[1] + $hit[2] - 1];
                    $before = array_map(static fn (Token $token): string => $token->text, array_slice($heard->tokens, max(0, $hit[1] - 3), min(3, $hit[1])));
                    $turned = $value && array_intersect($before, ['not', "don't", "isn't", "wasn't", "haven't", 'no', 'never', "doesn't", "didn't", 'without', "aren't", 'nobody', "won't"]) !== [] && ! str_contains((string) $hit[0], 'not');
                    if ($best === null || $hit[2] >= $best[1]) {
                        $best = [Reading::of($turned ? ! $value : $value, 0.84, $heard->between($first->start, $last->end), $first->start, $last->end), $hit[2]];
                    }
                }
            }
        }

        return $best[0] ?? null;
    }

    /** @return list<string> what a question lets one choose from: 'prices', 'delivery', 'an invoice' */
    private function offered(string $sentence): array
    {
        $sides = preg_match('/\bor\b/i', $sentence) === 1 ? preg_split('/\s*,\s*(?:or\b\s*)?|\s+or\s+/i', $sentence) ?: [] : [];
        // 'Right, is it …', 'If we find it, would you …' only lead up to it.
        while (count($sides) > 2 && preg_match('/^(?:\w+ ){0,2}(?:do|does|did|is|are|was|were|have|has|had|can|could|will|would|shall|should)\b/i', $sides[0]) !== 1) {
            array_shift($sides);
        }

        return $sides;
    }

    /**
     * 'Is it about prices, delivery, or an invoice?' – of three and more, only those that speak of the field.
     *
     * @return list<string> the whole question where it offers no choice of so many
     */
    private function sides(FieldProfile $field, string $sentence): array
    {
        $sides = $this->offered($sentence);
        if (count($sides) < 3) {
            return [$sentence];
        }
        $stems = array_map(strval(...), array_keys($field->own === [] ? $field->names : $field->own));

        return array_values(array_filter($sides, fn (string $side): bool => array_filter($this->readings->hear($side)->all, fn (Token $token): bool => strlen($token->text) > 3 && ($this->questions->naming->kindred($token->text, $stems, true) || $this->questions->naming->counts($field, $token->text))) !== []));
    }

    /** 'Do you have a garden?' – 'We've got a big garden': the words of the question, said back. */
    private function echoed(FieldProfile $field, Heard $heard, string $sentence, bool $flipped): Reading
    {
        $small = array_fill_keys($this->words->section('routing', 'small'), true);
        $asked = array_map(static fn (): bool => true, $field->own);
        foreach ($this->sides($field, $sentence) as $side) {
            foreach ($this->readings->hear($side)->all as $token) {
                if (! isset($small[$token->text]) && strlen($token->text) > 3 && ! in_array($token->text, $this->words->section('extraction', 'polar'), true)) {
                    $asked[rtrim($token->text, 's')] = true;
                }
            }
        }
        $other = $this->alternative($field, $heard, $sentence);
        if ($other !== null) {
            return $other;
        }
        foreach ($heard->tokens as $i => $token) {
            if (! isset($asked[rtrim($token->text, 's')]) && ! ($i === 0 && count($heard->tokens) < 7 && strlen($token->text) > 4 && $this->questions->naming->kindred($token->text, array_map(strval(...), array_keys($field->own))))) {
                continue;
            }
            $before = array_map(static fn (Token $one): string => $one->text, array_slice($heard->tokens, max(0, $i - 5), min(5, $i)));
            $no = array_intersect($before, ['not', 'no', "don't", "isn't", "haven't", 'never', "doesn't", "didn't", 'without', 'none', "aren't", "wasn't", "won't", "can't", 'nobody', 'neither']) !== [];
            $value = $flipped ? $no : ! $no;

            return Reading::of($value, 0.72, $token->original, $token->start, $token->end);
        }

        return Reading::none();
    }

    /** 'On the drive or on the road?' – 'on the drive': the answer takes one side, and the field is named after one of them. */
    private function alternative(FieldProfile $field, Heard $heard, string $sentence): ?Reading
    {
        $sides = preg_split('/\s*,?\s*\bor\b\s*/i', $sentence) ?: [];
        if (count($sides) !== 2 || count($this->offered($sentence)) > 2) {
            return null;
        }
        $you = preg_match('/^(?:\w+ ){0,3}(?:will|do|would|can|are) you\b.*\bor (?:shall|should|would|do|can) we\b/i', $sentence) === 1;
        if ($you && preg_match("/\\b(?:my own|our own|i've got|i have|i'll|we'll|i will|we will|i do|we've got|myself|ourselves|bring my|bring our)\\b/i", $heard->cleaned(), $m) === 1) {
            return Reading::of(true, 0.78, $heard->original, 0, strlen($heard->original));
        }
        if ($you && preg_match('/\b(?:you do|you can|if you|could you|can you|yours|you supply|you bring|you provide)\b/i', $heard->cleaned()) === 1) {
            return Reading::of(false, 0.78, $heard->original, 0, strlen($heard->original));
        }
        $stems = array_map(strval(...), array_keys($field->own === [] ? $field->names : $field->own));
        $words = array_map(fn (string $side): array => array_values(array_filter($this->readings->hear($side)->all, fn (Token $token): bool => strlen($token->text) > 3 && ! in_array($token->text, $this->words->section('routing', 'small'), true))), $sides);
        $own = array_map(fn (array $side): bool => array_filter($side, fn (Token $token): bool => $this->questions->naming->kindred($token->text, $stems, true) || $this->questions->naming->counts($field, $token->text)) !== [], $words);
        if ($own[0] === $own[1]) {
            return null;
        }
        $line = trim($heard->cleaned());
        foreach ([0, 1] as $i) {
            // 'In one go' stands in the question as it is.
            if (str_word_count($line) >= 2 && stripos($sides[$i], $line) !== false && stripos($sides[1 - $i], $line) === false) {
                return Reading::of($i === 0 ? $own[0] : $own[1], 0.82, $heard->original, 0, strlen($heard->original));
            }
        }
        foreach ($heard->tokens as $i => $token) {
            $in = array_map(static fn (array $side): bool => array_filter($side, static fn (Token $one): bool => strlen($one->text) > 3 && rtrim(preg_replace("/'s$/", '', $one->text) ?? '', 's') === rtrim(preg_replace("/'s$/", '', $token->text) ?? '', 's')) !== [], $words);
            if ($in[0] !== $in[1]) {
                $before = array_map(static fn (Token $one): string => $one->text, array_slice($heard->tokens, max(0, $i - 2), min(2, $i)));
                $denied = array_intersect($before, ['no', 'not', 'without', "isn't", "haven't", "don't", 'never']) !== [];

                return Reading::of(($in[0] === $own[0]) !== $denied, 0.8, $token->original, $token->start, $token->end);
            }
        }

        // 'A home or a business?' – 'it's my house': a word for one of them.
        foreach ($heard->tokens as $token) {
            $in = strlen($token->text) < 4 ? [false, false] : array_map(fn (array $side): bool => array_filter($side, fn (Token $one): bool => strlen($one->text) > 3 && $this->questions->naming->kindred($one->text, [$token->text])) !== [], $words);
            if ($in[0] !== $in[1] && count($heard->tokens) <= 6) {
                return Reading::of($in[0] === $own[0], 0.7, $token->original, $token->start, $token->end);
            }
        }

        return null;
    }

    /** 'Does she have any allergies?' – 'Eggs': whoever names some has some. */
    private function named(Heard $heard, string $sentence): Reading
    {
        if (preg_match('/\b(?:any|anyone|anybody|anything)\b/i', $sentence) !== 1 || str_contains($heard->original, '?') || $this->readings->refuses($heard) || $heard->tokens === []) {
            return Reading::none();
        }
        $small = array_fill_keys($this->words->section('routing', 'small'), true);
        $first = null;
        foreach ($heard->tokens as $token) {
            if (in_array($token->text, ['no', 'not', 'none', 'nothing', 'nobody', 'never', 'without', 'maybe', 'perhaps'], true)) {
                return Reading::none();
            }
            $first ??= isset($small[$token->text]) || strlen($token->text) < 3 ? null : $token;
        }

        return $first === null ? Reading::none() : Reading::of(true, 0.7, $first->original, $first->start, $first->end);
    }
}
