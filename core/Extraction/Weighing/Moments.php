<?php

declare(strict_types=1);

namespace Ringo\Extraction\Weighing;

use Ringo\Extraction\FieldProfile;
use Ringo\Extraction\Readings;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Reading;
use Ringo\Value\ValueType;

/** Moments whose day and hour are said apart: 'Thursday?' – 'After school, say half four'. */
final readonly class Moments
{
    /** How many of the days named so far an hour may belong to. */
    private const DAYS_BACK = 2;

    /** Turns that a day and its hour may stand apart, for the scale of the sign. */
    private const APART = 6;

    public function __construct(private Readings $readings, private Signs $signs)
    {
    }

    /** @return list<Candidate> */
    public function of(Scene $scene): array
    {
        $fields = array_values(array_filter($scene->fields, static fn (FieldProfile $field): bool => $field->type === ValueType::DateTime));
        if ($fields === []) {
            return [];
        }
        /** @var array<string, array{int, Utterance}> $days by date: the place it was named at last */
        $days = [];
        $found = [];
        foreach ($scene->utterances as $place => $utterance) {
            foreach ($utterance->parts as $part) {
                $day = $this->read($scene, ValueType::Date, $part);
                if (is_string($day->value)) {
                    unset($days[$day->value]);
                    $days[$day->value] = [$place, $utterance];
                }
                $hour = $this->read($scene, ValueType::Time, $part);
                if (! is_string($hour->value)) {
                    continue;
                }
                $back = 0;
                foreach (array_reverse(array_slice($days, -self::DAYS_BACK, null, true), true) as $date => [$named, $by]) {
                    $turn = $utterance->theirs ? $utterance->reply?->turn : $utterance->turn;
                    if ($turn !== null) {
                        foreach ($fields as $field) {
                            $signs = $this->signs->of($scene, $utterance, $field, $part->between($part->tokens[0]->start, $part->tokens[count($part->tokens) - 1]->end), $hour, 'moment');
                            $signs += [
                                'apart' => min(1.0, ($place - $named) / self::APART),
                                'day:theirs' => $by->theirs ? 1.0 : 0.0,
                                'day:back' => (float) $back,
                            ];
                            $meant = $scene->talk->hour($hour->value, $hour->said, $utterance->place);
                            $times = $meant === $hour->value ? [$meant => []] : [$hour->value => ['talk:bare' => 1.0], $meant => ['talk:meant' => 1.0]];
                            foreach ($times as $time => $also) {
                                $found[] = new Candidate($field, $date.'T'.$time, $utterance->place, $turn, $hour->said, Candidate::MOMENT, $also + $signs);
                            }
                        }
                    }
                    $back++;
                }
            }
        }

        return $found;
    }

    private function read(Scene $scene, ValueType $type, Heard $part): Reading
    {
        return $part->tokens === [] ? Reading::none() : $this->readings->plain($type, $part, $scene->hearing->now, $scene->country(), true);
    }
}
