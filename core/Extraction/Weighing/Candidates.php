<?php

declare(strict_types=1);

namespace Ringo\Extraction\Weighing;

use Ringo\Extraction\Claim;
use Ringo\Extraction\FieldProfile;
use Ringo\Extraction\Score;
use Ringo\Value\ValueType;

/** All values the fields of a call might have, each with what speaks for and against it, others of the same call included. */
final readonly class Candidates
{
    public function __construct(private Spoken $spoken, private Moments $moments, private Meant $meant)
    {
    }

    /**
     * @param list<string> $settled fields that are not weighed
     *
     * @return array<string, list<Candidate>> by field
     */
    public function of(Scene $scene, array $settled = []): array
    {
        $scene = $settled === [] ? $scene : $scene->without($settled);
        $all = $this->moments->of($scene);
        foreach ($scene->utterances as $utterance) {
            array_push($all, ...$this->spoken->of($scene, $utterance), ...$this->meant->of($scene, $utterance));
        }
        $by = [];
        foreach ($all as $candidate) {
            $by[$candidate->field->key()][] = $candidate;
        }
        $claims = $scene->hearing->ledger->claims();
        $found = [];
        foreach ($scene->weighed as $field) {
            if ($field->type === ValueType::Text) {
                continue;
            }
            $candidates = $by[$field->key()] ?? [];
            $union = $field->type === ValueType::Several ? $this->union($field, $candidates) : null;
            if ($union !== null) {
                $candidates[] = $union;
            }
            $claim = $claims[$field->key()] ?? null;
            if ($claim !== null) {
                $candidates[] = new Candidate($field, $claim->value, -1, $claim->turn ?? 0, $claim->said, Candidate::READ, []);
            }
            // Values are compared once, not each with each: a long call has thousands.
            $values = array_map(static fn (Candidate $one): string => self::plain($one->value), $candidates);
            $distinct = count(array_unique($values));
            foreach ($candidates as $n => $one) {
                $found[$field->key()][] = $one->with($this->among($n, $candidates, $values, $distinct) + $this->record($one, $claim, $claims) + $this->plausible($one, $scene));
            }
            $found[$field->key()] ??= [];
        }

        return $found;
    }

    /**
     * All options the caller named anywhere, where no one turn names them all.
     *
     * @param list<Candidate> $candidates
     */
    private function union(FieldProfile $field, array $candidates): ?Candidate
    {
        $named = [];
        $last = null;
        foreach ($candidates as $one) {
            if ($one->told === Candidate::ANSWER && is_array($one->value)) {
                $named += array_fill_keys(array_filter($one->value, is_string(...)), true);
                $last = $one;
            }
        }
        $value = array_values(array_filter(array_column($field->field->options, 'key'), static fn (string $key): bool => isset($named[$key])));

        return $last === null || array_filter($candidates, static fn (Candidate $one): bool => Score::same($one->value, $value)) !== [] ? null : new Candidate($field, $value, $last->place, $last->turn, $last->said, Candidate::UNION, ['named' => count($value) / max(1, count($field->field->options))] + $last->signs);
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
            if ($same && $one->told !== Candidate::READ) {
                $turns[$one->turn] = true;
            } elseif (! $same && $one->turn > $candidate->turn) {
                $later += $one->told === Candidate::ANSWER ? 1 : 0;
                $offers += $one->told === Candidate::OFFER ? 1 : 0;
            }
            if ($candidate->place >= 0 && $one->place >= 0 && abs($one->place - $candidate->place) === 1) {
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

    /**
     * What the record, as it was read turn by turn, says of the value.
     *
     * @param array<string, Claim> $claims
     *
     * @return array<string, float>
     */
    private function record(Candidate $candidate, ?Claim $claim, array $claims): array
    {
        $signs = [];
        if ($claim === null) {
            $signs['record:none'] = 1.0;
        } elseif (Score::same($claim->value, $candidate->value)) {
            $signs['record:same'] = $claim->confidence;
            $signs['record:'.$claim->origin] = 1.0;
            $signs['record:confirmed'] = $claim->confirmed ? 1.0 : 0.0;
        } else {
            $signs['record:other'] = $claim->confidence;
            $signs['record:other:'.$claim->origin] = 1.0;
        }
        foreach ($claims as $key => $other) {
            if ($key !== $candidate->field->key() && $candidate->field->type !== ValueType::YesNo && Score::same($other->value, $candidate->value)) {
                $signs['record:elsewhere'] = 1.0;
            }
        }

        return $signs;
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
