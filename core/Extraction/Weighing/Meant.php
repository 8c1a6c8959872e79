<?php

declare(strict_types=1);

namespace Ringo\Extraction\Weighing;

use Ringo\Extraction\FieldProfile;
use Ringo\Extraction\Readings;
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

    /** From here on the words may be of a field by their meaning alone. */
    private const ALIKE = 0.45;

    /** Options that are put forward by meaning. */
    private const NEAREST = 2;

    private const THIS_NUMBER = '/\b(?:this|same|that) (?:\w+ ){0,3}(?:number|one|phone|mobile|line|cell)\b|\bon this\b|\bnumber (?:you|i|we)(?:\'re| are|\'m| am)\b|\bgot (?:this|my) number\b|\b(?:calling|ringing|phoning) (?:from|on)\b|\bis this (?:the|your|a)\b/i';

    public function __construct(private Readings $readings, private Signs $signs, private Understanding $understanding, private Model $yesNo, private Meaning $meaning, private Links $links)
    {
    }

    /** @return list<Candidate> */
    public function of(Scene $scene, Utterance $utterance): array
    {
        if ($utterance->theirs || $utterance->heard->tokens === []) {
            return [];
        }
        $found = [];
        foreach ($scene->weighed as $field) {
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
            if (max($signs['to.asks'], $signs['own.names'], $signs['own.about']) < self::TOUCHES && $signs['to.like'] < self::ALIKE) {
                continue;
            }
            array_push($found, ...($field->type === ValueType::YesNo ? $this->yesOrNo($scene, $utterance, $field, $signs) : $this->option($utterance, $field, $signs)));
        }

        return $found;
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
        $found = [];
        foreach ([true, false] as $value) {
            $found[] = new Candidate($field, $value, $utterance->place, $utterance->turn, $utterance->heard->original, Candidate::MEANT, [
                'meant' => $value ? $meant->yes : $meant->no, 'meant:neither' => $meant->neither, 'meant:lead' => $value ? $meant->yes - $meant->no : $meant->no - $meant->yes,
                'read:same' => $read->value === $value ? 1.0 : 0.0, 'read:opposite' => is_bool($read->value) && $read->value !== $value ? 1.0 : 0.0,
                'outright:same' => $outright?->value === $value ? 1.0 : 0.0, 'outright:opposite' => $outright?->value === ! $value ? 1.0 : 0.0,
                'value:true' => $value ? 1.0 : 0.0,
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
        $asked = preg_match(self::THIS_NUMBER, $utterance->before) === 1;
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

    /**
     * 'How many heaters?' – 'None': nought, where a number is asked for.
     *
     * @return list<Candidate>
     */
    private function nought(Scene $scene, Utterance $utterance, FieldProfile $field): array
    {
        $signs = $this->signs->link($scene, $field, $utterance->before, 'to');
        $none = preg_match('/\b(?:none|no|nobody|neither|zero|nothing|not any)\b/i', $utterance->heard->original) === 1;
        if (! $none || $signs['to.asks'] < self::TOUCHES) {
            return [];
        }
        $whole = Reading::of(0, 0.5, $utterance->heard->original, 0, strlen($utterance->heard->original));

        return [new Candidate($field, 0, $utterance->place, $utterance->turn, $utterance->heard->original, Candidate::MEANT, ['read:opposite' => $this->signs->reaction($scene, $utterance) === false ? 1.0 : 0.0] + $this->signs->of($scene, $utterance, $field, $utterance->heard->original, $whole, 'turn'))];
    }
}
