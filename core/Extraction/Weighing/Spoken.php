<?php

declare(strict_types=1);

namespace Ringo\Extraction\Weighing;

use Ringo\Extraction\FieldProfile;
use Ringo\Extraction\Options;
use Ringo\Extraction\Questions;
use Ringo\Extraction\Readings;
use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Reading;
use Ringo\Value\ValueType;

/** Values that words name: what a reader finds in each sentence, clause and whole turn of both sides. */
final readonly class Spoken
{
    private const TYPES = [ValueType::PersonName, ValueType::Phone, ValueType::Email, ValueType::Date, ValueType::Time, ValueType::DateTime, ValueType::Number, ValueType::Money, ValueType::Duration, ValueType::Reference, ValueType::PostalAddress, ValueType::Choice, ValueType::Several];

    /** Utterances that open a call. */
    private const OPENING = 3;

    /** These may be told bit by bit, while the other side only says that it listens. */
    private const IN_PIECES = [ValueType::PersonName, ValueType::Phone, ValueType::Email, ValueType::Reference, ValueType::PostalAddress];

    /** 'Three fifty' is less than four pounds, or three hundred and fifty. */
    private const HUNDREDS = 100;

    private const HUNDREDS_BELOW = 20;

    public function __construct(
        private Readings $readings,
        private Questions $questions,
        private Signs $signs,
        private Surroundings $surroundings,
        private Anchors $anchors,
        private Vocabulary $words,
        private Gate $gate,
        private Options $options,
        private Stretches $stretches,
    ) {
    }

    /** @return list<Candidate> */
    public function of(Scene $scene, Utterance $utterance): array
    {
        $turn = $utterance->theirs ? $utterance->reply?->turn : $utterance->turn;
        if ($turn === null) {
            return [];
        }
        $told = $utterance->theirs ? Candidate::OFFER : Candidate::ANSWER;
        $found = [];
        foreach ($scene->fields as $field) {
            if (! in_array($field->type, self::TYPES, true) || $utterance->keyed && in_array($field->type, [ValueType::Choice, ValueType::Several], true)) {
                continue;
            }
            foreach ($this->readings($scene, $utterance, $field) as [$reading, $unit, $place, $also]) {
                $signs = $also + $this->signs->of($scene, $utterance, $field, $unit, $reading, $place);
                foreach ($this->values($scene, $utterance, $field, $reading, $unit) as [$value, $kind]) {
                    $found[] = new Candidate($field, $value, $utterance->place, $turn, $reading->said, $told, $kind === '' ? $signs : [$kind => 1.0] + $signs);
                }
            }
        }

        return $found;
    }

    /** @return list<array{mixed, string}> what the words may come to: as they stand, and as the talk so far may make them mean */
    private function values(Scene $scene, Utterance $utterance, FieldProfile $field, Reading $reading, string $unit): array
    {
        $values = [[$reading->value, '']];
        $meant = $scene->talk->meant($field, $reading, $utterance->place);
        if ($meant !== null) {
            $values = [[$reading->value, 'talk:bare'], [$meant, 'talk:meant']];
        }
        if ($field->type === ValueType::Date && is_string($reading->value)) {
            $anchored = $this->anchors->day($scene, $utterance, $reading, $unit);
            if ($anchored !== null && $anchored !== $reading->value && $anchored !== $meant) {
                $values = [[$reading->value, 'day:bare'], [$anchored, 'day:anchored'], ...array_slice($values, 1)];
            }
        }
        $amount = is_array($reading->value) ? $reading->value['amount'] ?? null : null;
        if ($field->type === ValueType::Money && is_float($amount) && $amount < self::HUNDREDS_BELOW && floor($amount) !== $amount && preg_match('/\d|£|\$|€|pound|pence|dollar|cent|euro/iu', $reading->said) !== 1) {
            $values = [[$reading->value, 'money:small'], [['amount' => (int) round($amount * self::HUNDREDS)] + (array) $reading->value, 'money:hundreds']];
        }

        return $values;
    }

    /** @return list<array{Reading, string, string, array<string, float>}> each value once: with the sentence it stands in, where that stands, and what else the words may be */
    private function readings(Scene $scene, Utterance $utterance, FieldProfile $field): array
    {
        $found = [];
        $count = count($utterance->parts);
        $open = ! $utterance->theirs && $this->signs->asked($scene, $field, $utterance->before);
        if (! $this->gate->lets($field, $utterance->heard, $open || $utterance->place <= self::OPENING)) {
            return [];
        }
        foreach ($utterance->parts as $n => $part) {
            $place = $count === 1 ? 'whole' : ($n === $count - 1 ? 'last' : 'part');
            $before = count($found);
            $this->add($found, $scene, $utterance, $field, $part, $part, $place, $open);
            $read = count($found) > $before;
            if ($field->type === ValueType::Choice && ! $utterance->theirs) {
                foreach ($this->otherwise($scene, $utterance, $field, $part, $open) as $reading) {
                    $this->keep($found, $scene, $utterance, $field, $reading, $part, 'otherwise');
                }
            }
            foreach ($this->stretches->of($field, $part, ! $read) as [$stretch, $kind]) {
                if (
                    $this->gate->lets($field, $stretch, false)
                    && ! ($kind === Stretches::NAME && $utterance->theirs && ! str_contains($utterance->heard->original, '?'))
                ) {
                    $this->add($found, $scene, $utterance, $field, $stretch, $kind === Stretches::CLAUSE ? $stretch : $part, $kind);
                }
            }
            if ($field->type === ValueType::Date) {
                foreach ($this->anchors->apart($scene, $utterance, $part) as [$day, $words]) {
                    $at = (int) stripos($part->original, $words);
                    $this->keep($found, $scene, $utterance, $field, Reading::of($day, 0.7, $words, $at, $at + strlen($words)), $part, 'apart');
                }
            }
            if (in_array($field->type, [ValueType::Number, ValueType::Money], true)) {
                $this->keep($found, $scene, $utterance, $field, $this->readings->before($field, $part, $this->questions, $scene->hearing->now, $scene->country()), $part, 'before');
            }
        }
        if ($utterance->pieces !== '' && in_array($field->type, self::IN_PIECES, true)) {
            $all = $this->readings->hear($utterance->pieces);
            $this->add($found, $scene, $utterance, $field, $all, $all, 'pieces', $open);
        }
        if ($count > 1 && ! $utterance->theirs) {
            // What takes back an earlier sentence is understood from the whole.
            $this->add($found, $scene, $utterance, $field, $this->readings->wanted($utterance->heard), $utterance->heard, 'turn', $open);
        }

        return array_values($found);
    }

    /** @return list<Reading> options that are named in other words than the sheet's */
    private function otherwise(Scene $scene, Utterance $utterance, FieldProfile $field, Heard $part, bool $open): array
    {
        if ($part->tokens === []) {
            return [];
        }
        $found = [$this->options->loose($field, $part), $this->options->said($field, $part, ! $open && $utterance->place <= self::OPENING)];
        $number = $open ? $this->readings->plain(ValueType::Number, $part, $scene->hearing->now, $scene->country(), true) : Reading::none();
        $found[] = $number->found() ? $this->options->banded($field, $number) : null;

        return array_values(array_filter($found, static fn (?Reading $one): bool => $one?->found() === true));
    }

    /** @param array<string, array{Reading, string, string, array<string, float>}> $found */
    private function add(array &$found, Scene $scene, Utterance $utterance, FieldProfile $field, Heard $heard, Heard $unit, string $place, bool $open = false): void
    {
        if ($heard->tokens === [] || ! $this->gate->lets($field, $heard, $open)) {
            return;
        }
        $reading = $this->read($scene, $field, $heard, true);
        if (! $reading->found()) {
            if ($open && $reading->doubt !== null && $this->signs->leads($scene, $field, $utterance->before)) {
                $scene->hearing->ledger->doubt($field->key(), $reading->doubt);
            }

            return;
        }
        if ($utterance->theirs && in_array($field->type, [ValueType::PersonName, ValueType::PostalAddress], true) && ! $this->read($scene, $field, $heard, false)->found()) {
            // Names and addresses of the other side are taken only where they say themselves what they are.
            return;
        }
        if ($utterance->theirs && in_array($field->type, [ValueType::Phone, ValueType::Email], true) && ! str_contains($utterance->heard->original, '?')) {
            // A number they tell is their own; one they ask back is the caller's.
            return;
        }
        if ($utterance->theirs && in_array($field->type, [ValueType::Date, ValueType::DateTime, ValueType::Time], true) && ! str_contains($utterance->heard->original, '?') && $this->words->phrases('weighing', 'around_hours')->in($unit->tokens)) {
            // When they are open or closed is no offer.
            return;
        }
        $this->keep($found, $scene, $utterance, $field, $reading, $unit, $place);
    }

    /** @param array<string, array{Reading, string, string, array<string, float>}> $found */
    private function keep(array &$found, Scene $scene, Utterance $utterance, FieldProfile $field, Reading $reading, Heard $unit, string $place): void
    {
        if (! $reading->found()) {
            return;
        }
        $reading = $field->type === ValueType::PostalAddress ? $this->withoutName($scene, $unit, $reading) : $reading;
        $key = json_encode($reading->value, JSON_THROW_ON_ERROR);
        $also = $this->surroundings->of($scene, $field, $unit, $reading) + ['at:'.$place => 1.0];
        if ($place === Stretches::SIDE) {
            $also['sides:'.$this->between($unit)] = 1.0;
        } elseif ($field->span !== null && in_array($place, [Stretches::START, Stretches::END], true)) {
            $also[$place === $field->span ? 'span:fits' : 'span:other'] = 1.0;
        }
        if (isset($found[$key])) {
            $found[$key][3] += $also;

            return;
        }
        $found[$key] = [$reading, $this->line($unit), $place, $also];
    }

    /** 'Imani Frost, 15 Tower Close' is who, and where. */
    private function withoutName(Scene $scene, Heard $unit, Reading $reading): Reading
    {
        $value = is_string($reading->value) ? $reading->value : '';
        $comma = strpos($value, ', ');
        if ($comma === false || preg_match('/\d/', substr($value, 0, $comma)) === 1 || preg_match('/\d/', substr($value, $comma)) !== 1) {
            return $reading;
        }
        $name = $this->readings->plain(ValueType::PersonName, $this->readings->hear(substr($value, 0, $comma)), $scene->hearing->now, $scene->country(), true);
        if (! $name->found()) {
            return $reading;
        }
        $from = stripos($unit->original, substr($value, $comma + 2, 5));

        return Reading::of(substr($value, $comma + 2), $reading->confidence, $from === false ? $reading->said : substr($unit->original, $from, max(1, $reading->end - $from)), $from === false ? $reading->start : $from, $reading->end);
    }

    private function read(Scene $scene, FieldProfile $field, Heard $heard, bool $asked): Reading
    {
        $reading = $this->readings->inUnit($field, $heard, $scene->hearing->now, $scene->country()) ?? $this->readings->read($field, $heard, $scene->hearing->now, $scene->country(), $asked);
        if ($reading->found() || ! $this->surroundings->limits($field)) {
            return $reading;
        }
        // Where the field itself is a limit, 'up to six hundred' is its value.
        $rest = $this->words->phrases('weighing', 'bounds')->without($heard->tokens);

        return count($rest) === count($heard->tokens) ? $reading : $this->readings->read($field, $heard->only($rest), $scene->hearing->now, $scene->country(), $asked);
    }

    /** Whether two that stand in one sentence are named for a choice between them, or one is turned down for the other. */
    private function between(Heard $unit): string
    {
        $words = array_map(static fn (Token $token): string => $token->text, $unit->tokens);

        return in_array('not', $words, true) ? 'not' : (in_array('or', $words, true) ? 'or' : 'and');
    }

    private function line(Heard $part): string
    {
        if ($part->tokens === []) {
            return $part->original;
        }
        $first = $part->tokens[0];
        $last = $part->tokens[count($part->tokens) - 1];
        // With the mark that closes it: a question is told by it.
        $end = substr($part->original, $last->end, 1);

        return $part->between($first->start, $last->end).($end === '?' ? '?' : '');
    }
}
