<?php

declare(strict_types=1);

namespace Ringo\Extraction\Weighing;

use Ringo\Extraction\FieldProfile;
use Ringo\Extraction\Score;
use Ringo\Value\ValueType;

/** All values the fields of a call might have, each with what speaks for and against it, others of the same call included. */
final readonly class Candidates
{
    public function __construct(
        private Spoken $spoken,
        private Moments $moments,
        private Meant $meant,
        private Mended $mended,
        private Joined $joined,
        private Keyed $keyed,
        private Overturned $overturned = new Overturned,
    ) {
    }

    /** @return array<string, list<Candidate>> by field */
    public function of(Scene $scene): array
    {
        $by = [];
        foreach ($this->moments->of($scene) as $candidate) {
            $by[$candidate->field->key()][] = $candidate;
        }
        foreach ($scene->utterances as $utterance) {
            foreach ([
                ...$this->spoken->of($scene, $utterance),
                ...$this->meant->of($scene, $utterance),
                ...$this->keyed->of($scene, $utterance),
                ...$this->mended->of($scene, $utterance, $by),
                ...$this->joined->of($scene, $utterance, $by),
            ] as $candidate) {
                $by[$candidate->field->key()][] = $candidate;
            }
        }
        $found = [];
        foreach ($scene->fields as $field) {
            if ($field->type === ValueType::Text) {
                continue;
            }
            $candidates = $by[$field->key()] ?? [];
            foreach ($field->type === ValueType::Several ? [false, true] : [] as $undenied) {
                $union = $this->union($field, $candidates, $undenied);
                if ($union !== null) {
                    $candidates[] = $union;
                }
            }
            // Values are compared once, not each with each: a long call has thousands.
            $values = array_map(static fn (Candidate $one): string => self::plain($one->value), $candidates);
            $distinct = count(array_unique($values));
            $overturned = $this->overturned->of($candidates, $values);
            foreach ($candidates as $n => $one) {
                $found[$field->key()][] = $one->with($overturned[$n] + $this->among($n, $candidates, $values, $distinct) + $this->plausible($one, $scene));
            }
            $found[$field->key()] ??= [];
        }

        return $found;
    }

    /**
     * All options the caller named anywhere, where no one turn names them all.
     *
     * @param list<Candidate> $candidates
     * @param bool $undenied only those before which nothing takes them back: neither 'not' nor 'was'
     */
    private function union(FieldProfile $field, array $candidates, bool $undenied): ?Candidate
    {
        $named = [];
        $last = null;
        foreach ($candidates as $one) {
            if (
                $one->told === Candidate::ANSWER
                && is_array($one->value)
                && ! ($undenied && array_sum(array_intersect_key($one->signs, ['word:denied' => 0, 'word:past' => 0])) > 0.0)
            ) {
                $named += array_fill_keys(array_filter($one->value, is_string(...)), true);
                $last = $one;
            }
        }
        $value = array_values(array_filter(array_column($field->field->options, 'key'), static fn (string $key): bool => isset($named[$key])));

        return $last === null || array_filter($candidates, static fn (Candidate $one): bool => Score::same($one->value, $value)) !== []
            ? null
            : new Candidate($field, $value, $last->place, $last->turn, $last->said, Candidate::UNION, ['undenied' => $undenied ? 1.0 : 0.0, 'named' => count($value) / max(1, count($field->field->options))] + $last->signs);
    }

    /**
     * What the other candidates of the field say of one: whether its value comes again, and what came before and after it.
     *
     * @param list<Candidate> $candidates
     * @param list<string> $values theirs, so that the same value is the same text
     *
     * @return array<string, float>
     */
    private function among(int $n, array $candidates, array $values, int $distinct): array
    {
        $candidate = $candidates[$n];
        $value = $values[$n];
        $signs = ['told:'.$candidate->told => 1.0];
        $turns = [];
        $later = 0;
        $offers = 0;
        foreach ($candidates as $k => $one) {
            $same = $values[$k] === $value;
            if ($same) {
                $turns[$one->turn] = true;
            } elseif ($one->turn > $candidate->turn) {
                $later += $one->told === Candidate::ANSWER ? 1 : 0;
                $offers += $one->told === Candidate::OFFER ? 1 : 0;
                // What the caller puts right takes the place of what was said before.
                $signs['mended'] = max($signs['mended'] ?? 0.0, $one->signs['takes_back'] ?? 0.0);
            }
            if ($same && $one->told === Candidate::OFFER && $one->place > $candidate->place) {
                // Said back by the other side, and what the caller made of that.
                $signs['agreed'] = max($signs['agreed'] ?? 0.0, $one->signs['reply:yes'] ?? 0.0);
                $signs['refused'] = max($signs['refused'] ?? 0.0, $one->signs['reply:no'] ?? 0.0, $one->signs['reply:down'] ?? 0.0);
            }
            if (abs($one->place - $candidate->place) === 1) {
                // What stands right before and right after it, on the other side.
                $signs[($one->place > $candidate->place ? 'then:' : 'first:').($same ? 'same' : 'other')] = 1.0;
            }
        }
        $signs['again'] = min(3, max(0, count($turns) - 1)) / 3;
        $signs['later'] = min(3, $later) / 3;
        $signs['offers'] = min(3, $offers) / 3;
        $signs['rivals'] = min(4, $distinct - 1) / 4;
        $signs['last_said'] = $later === 0 ? 1.0 : 0.0;

        return $signs;
    }

    /** A value as text: equal where values count as the same, whatever their capitals, marks and kind of number. */
    private static function plain(mixed $value): string
    {
        return match (true) {
            is_array($value) => '['.implode('|', array_map(static fn (int|string $key, mixed $part): string => $key.'='.self::plain($part), array_keys($value), $value)).']',
            is_bool($value) => $value ? 'true' : 'false',
            is_int($value), is_float($value) => '#'.(float) $value,
            is_string($value) => trim((string) preg_replace('/[^\p{L}\p{N}@.:+_-]+/u', ' ', mb_strtolower($value))),
            default => '',
        };
    }

    /** @return array<string, float> whether the value can be what the field holds */
    private function plausible(Candidate $candidate, Scene $scene): array
    {
        $value = $candidate->value;
        $signs = ['through' => $candidate->turn / max(1, count($scene->transcript()->turns))];
        if ($candidate->field->kin() === 'day' && is_string($value)) {
            $day = substr($value, 0, 10);
            $today = $scene->hearing->now->format('Y-m-d');
            $signs['day:'.($day < $today ? 'past' : ($day === $today ? 'today' : 'coming'))] = 1.0;
            $signs['tense:'.$candidate->field->tense.':'.($day < $today ? 'past' : 'coming')] = 1.0;
        }
        if (is_int($value) || is_float($value)) {
            $signs['number:'.($value == 0 ? 'none' : ($value == 1 ? 'one' : ($value < 13 ? 'few' : ($value < 100 ? 'many' : 'lots'))))] = 1.0;
        }
        if ($candidate->field->type === ValueType::PersonName && is_string($value)) {
            $signs['name:'.(str_contains($value, ' ') ? 'whole' : 'part')] = 1.0;
        }
        if ($candidate->field->type === ValueType::PostalAddress && is_string($value)) {
            $signs['address:'.(preg_match('/\d/', $value) === 1 ? 'numbered' : 'bare')] = 1.0;
        }
        $signs['role:'.$candidate->field->role] = 1.0;
        $signs['is:'.$candidate->field->type->value] = 1.0;
        // What is filled most often stands first on a sheet.
        $kin = array_values(array_filter($scene->fields, static fn (FieldProfile $field): bool => $field->kin() === $candidate->field->kin()));
        if (count($kin) > 1) {
            $signs[$kin[0] === $candidate->field ? 'kin:first' : 'kin:further'] = 1.0;
        }

        return $signs;
    }

    /** Fields of like types are weighed alike. */
    public static function group(FieldProfile $field): string
    {
        return match ($field->type) {
            ValueType::Date, ValueType::DateTime, ValueType::Time => 'when',
            ValueType::Number, ValueType::Duration => 'count',
            ValueType::Phone, ValueType::Email, ValueType::Reference => 'code',
            default => $field->type->value,
        };
    }
}
