<?php

declare(strict_types=1);

namespace Ringo\Extraction\Weighing;

use Ringo\Extraction\FieldProfile;
use Ringo\Extraction\Questions;
use Ringo\Extraction\Readings;
use Ringo\Extraction\YesNoAnswers;
use Ringo\Fit\Meaning;
use Ringo\Understanding\Context;
use Ringo\Understanding\Reading;
use Ringo\Understanding\Understanding;
use Ringo\Understanding\YesNo\Model;
use Ringo\Value\ValueType;

/** Values that no word names: a yes or no that a reply means, and the option it is nearest to. */
final readonly class Meant
{
    /** From here on a question or the words themselves may be of a field. */
    private const TOUCHES = 0.3;

    /** From here on a question asks for a field in so many words. */
    private const OUTRIGHT = 0.6;

    /** From here on the words may be of a field by their meaning alone. */
    private const ALIKE = 0.45;

    /** What opens a call may tell its kind, though nobody has asked: in these utterances, from so many words on. */
    private const OPENING = 3;

    private const TELLING = 4;

    /** Options that are put forward by meaning. */
    private const NEAREST = 2;

    private const THIS_NUMBER = '/\b(?:this|same|that) (?:\w+ ){0,3}(?:number|one|phone|mobile|line|cell)\b|\bon this\b|\bnumber (?:you|i|we)(?:\'re| are|\'m| am)\b|\bgot (?:this|my) number\b|\b(?:calling|ringing|phoning) (?:from|on)\b|\bis this (?:the|your|a)\b/i';

    /** A no is read back: 'I take that as a no: …', 'so that's a no?' */
    private const READ_BACK_AS_NO = '/\b(?:as|that\'?s|that is|that was|it\'?s|so|is that|put|down) a no\b/i';

    public function __construct(
        private Readings $readings,
        private Signs $signs,
        private Understanding $understanding,
        private Model $yesNo,
        private Meaning $meaning,
        private Links $links,
        private Questions $questions,
        private YesNoAnswers $answers,
    ) {
    }

    /** @return list<Candidate> */
    public function of(Scene $scene, Utterance $utterance): array
    {
        if ($utterance->theirs || $utterance->heard->tokens === []) {
            return [];
        }
        $found = [];
        foreach ($scene->fields as $field) {
            array_push($found, ...match ($field->type) {
                ValueType::Phone => $this->ownNumber($scene, $utterance, $field),
                ValueType::Number => $this->nought($scene, $utterance, $field),
                default => [],
            });
            if ($utterance->keyed || $field->type !== ValueType::YesNo && $field->type !== ValueType::Choice) {
                continue;
            }
            $whole = Reading::of(true, 0.5, $utterance->heard->original, 0, strlen($utterance->heard->original));
            $signs = $this->signs->of($scene, $utterance, $field, $utterance->heard->original, $whole, 'turn');
            $opens = $field->type === ValueType::Choice && $utterance->place <= self::OPENING && count($utterance->heard->tokens) >= self::TELLING;
            $signs['nearest'] = $this->nearest($scene, $utterance, $field) ? 1.0 : 0.0;
            if (
                ! $opens
                && $signs['nearest'] === 0.0
                && max($signs['to.asks'], $signs['to.fits'] ?? 0.0, $signs['own.names'], $signs['own.about']) < self::TOUCHES
                && $signs['to.like'] < self::ALIKE
            ) {
                continue;
            }
            array_push($found, ...($field->type === ValueType::YesNo ? $this->yesOrNo($scene, $utterance, $field, $signs) : $this->option($utterance, $field, $signs)));
        }

        return $found;
    }

    /** Whether of all questions of yes and no on the sheet this one is nearest to what was asked, where that asks for nothing else outright. */
    private function nearest(Scene $scene, Utterance $utterance, FieldProfile $field): bool
    {
        $question = $field->type === ValueType::YesNo ? $this->links->question($utterance->before) : '';
        if (
            ! str_contains($question, '?')
            || $this->questions->onlyChecks($question)
            || array_filter($this->links->of($utterance->before, $scene->fields), static fn (array $link): bool => $link['last'] >= self::OUTRIGHT) !== []
        ) {
            return false;
        }
        $polar = array_filter($scene->fields, static fn (FieldProfile $one): bool => $one->type === ValueType::YesNo);
        $fits = array_intersect_key(
            $this->links->fits($question, $scene->fields),
            array_flip(array_map(static fn (FieldProfile $one): string => $one->key(), $polar)),
        );

        return $fits !== [] && $fits[$field->key()] === max($fits);
    }

    /**
     * @param array<string, float> $signs
     *
     * @return list<Candidate>
     */
    private function yesOrNo(Scene $scene, Utterance $utterance, FieldProfile $field, array $signs): array
    {
        $read = $this->understanding->read(ValueType::YesNo, $utterance->heard, new Context($scene->hearing->now));
        if ($read->value === null && isset($signs['to:menu'])) {
            // 'Prices', to a menu, is no yes to anything on it.
            return [];
        }
        $outright = $this->readings->outright($utterance->heard, $scene->hearing->now);
        $meant = $this->yesNo->of($utterance->heard->original, $this->links->question($utterance->before), is_bool($read->value) ? $read->value : null);
        $asked = $this->questions->asked($utterance->before, $scene->fields)[$field->key()] ?? null;
        $told = $asked === null
            ? $this->answers->fact($field, $utterance->heard)
            : $this->answers->read($field, $utterance->heard, $scene->hearing->now, $asked['flipped'], $asked['sentence']);
        $told = is_bool($told?->value) ? $told->value : null;
        $back = preg_match(self::READ_BACK_AS_NO, $utterance->before) === 1;
        $how = $asked === null ? 'told' : 'says';
        $found = [];
        foreach ([true, false] as $is) {
            // A yes to 'so that's a no?' is one.
            $value = $back ? ! $is : $is;
            $found[] = new Candidate($field, $is, $utterance->place, $utterance->turn, $utterance->heard->original, Candidate::MEANT, [
                'meant' => $value ? $meant->yes : $meant->no, 'meant:neither' => $meant->neither, 'meant:lead' => $value ? $meant->yes - $meant->no : $meant->no - $meant->yes,
                'read:same' => $read->value === $value ? 1.0 : 0.0, 'read:opposite' => is_bool($read->value) && $read->value !== $value ? 1.0 : 0.0,
                'outright:same' => $outright?->value === $value ? 1.0 : 0.0, 'outright:opposite' => $outright?->value === ! $value ? 1.0 : 0.0,
                'value:true' => $is ? 1.0 : 0.0, 'flipped' => ($asked['flipped'] ?? false) ? 1.0 : 0.0, "{$how}:same" => $told === $value ? 1.0 : 0.0, "{$how}:opposite" => $told === ! $value ? 1.0 : 0.0,
            ] + $signs);
        }

        return $found;
    }

    /**
     * @param array<string, float> $signs
     *
     * @return list<Candidate>
     */
    private function option(Utterance $utterance, FieldProfile $field, array $signs): array
    {
        $descriptions = [];
        foreach ($field->field->options as $option) {
            $descriptions[$option['key']] = ['name' => $option['label'], 'about' => implode(', ', [str_replace('_', ' ', $option['key']), ...$option['phrases']])];
        }
        $likely = $this->meaning->of($utterance->heard->original, $descriptions);
        $none = $likely[''];
        unset($likely['']);
        arsort($likely);
        $keys = array_map(strval(...), array_keys($likely));
        if ($keys === []) {
            return [];
        }

        $found = [];
        foreach (array_slice($keys, 0, self::NEAREST) as $n => $key) {
            $found[] = new Candidate($field, $key, $utterance->place, $utterance->turn, $utterance->heard->original, Candidate::MEANT, ['fits' => $likely[$key], 'fits:lead' => $likely[$key] - ($likely[$keys[$n === 0 ? 1 : 0] ?? ''] ?? 0.0), 'fits:none' => $none] + $signs);
        }

        return $found;
    }

    /**
     * The number calling, where it is spoken of: 'this one is fine', 'you can get me on this'.
     *
     * @return list<Candidate>
     */
    private function ownNumber(Scene $scene, Utterance $utterance, FieldProfile $field): array
    {
        $transcript = $scene->transcript();
        $number = $transcript->direction === 'outbound' ? $transcript->to : $transcript->from;
        $asked = preg_match(self::THIS_NUMBER, $utterance->before) === 1 || $this->asksNumber($scene, $utterance, $field);
        $said = preg_match(self::THIS_NUMBER, $utterance->heard->original) === 1;
        if ($number === null || $number === '' || ! $asked && ! $said) {
            return [];
        }
        $read = $this->understanding->read(ValueType::YesNo, $utterance->heard, new Context($scene->hearing->now))->value;
        if ($read === false && ! $said) {
            return [];
        }
        $meant = $this->yesNo->of($utterance->heard->original, $this->links->question($utterance->before), is_bool($read) ? $read : null);
        $whole = Reading::of($number, 0.5, $utterance->heard->original, 0, strlen($utterance->heard->original));

        return [new Candidate($field, $number, $utterance->place, $utterance->turn, $utterance->heard->original, Candidate::MEANT, [
            'this:asked' => $asked ? 1.0 : 0.0, 'this:said' => $said ? 1.0 : 0.0, 'meant' => $meant->yes, 'meant:lead' => $meant->yes - $meant->no, 'read:same' => $read === true ? 1.0 : 0.0, 'read:opposite' => $read === false ? 1.0 : 0.0,
        ] + $this->signs->of($scene, $utterance, $field, $utterance->heard->original, $whole, 'turn'))];
    }

    /** 'And your number's the one you're on?': a question of yes or no that is of the number and names none. */
    private function asksNumber(Scene $scene, Utterance $utterance, FieldProfile $field): bool
    {
        $question = $this->links->question($utterance->before);
        if (! str_contains($question, '?') || preg_match('/\d/', $question) === 1 || preg_match('/\b(?:what|which)\b/i', $question) === 1) {
            return false;
        }
        $signs = $this->signs->link($scene, $field, $utterance->before, 'to');

        return max($signs['to.last'], $signs['to.fits']) >= self::TOUCHES && $this->signs->reaction($scene, $utterance) === true;
    }

    /**
     * 'How many heaters?' – 'None': nought, where a number is asked for.
     *
     * @return list<Candidate>
     */
    private function nought(Scene $scene, Utterance $utterance, FieldProfile $field): array
    {
        $signs = $this->signs->link($scene, $field, $utterance->before, 'to');
        $none = preg_match('/\b(?:none|no|nobody|neither|zero|nothing|not any)\b/i', $utterance->heard->original) === 1;
        if (! $none || max($signs['to.asks'], $signs['to.fits']) < self::TOUCHES) {
            return [];
        }
        $whole = Reading::of(0, 0.5, $utterance->heard->original, 0, strlen($utterance->heard->original));

        return [new Candidate($field, 0, $utterance->place, $utterance->turn, $utterance->heard->original, Candidate::MEANT, ['read:opposite' => $this->signs->reaction($scene, $utterance) === false ? 1.0 : 0.0] + $this->signs->of($scene, $utterance, $field, $utterance->heard->original, $whole, 'turn'))];
    }
}
