<?php

declare(strict_types=1);

namespace Ringo\Extraction\Weighing;

use Ringo\Extraction\Score;
use Ringo\Value\ValueType;

/** Weighs the fields of a call against each other: words that one of them takes are not taken by another of its kind as well. */
final readonly class Assignment
{
    /** How much of a value's likelihood goes for what another field's is above it. */
    private const YIELDS = 2.0;

    /** These may hold the same value without having the same words. */
    private const FREE = [ValueType::YesNo, ValueType::Choice, ValueType::Several];

    /**
     * @param array<string, list<Choice>> $ranked by field, the likeliest first
     *
     * @return array<string, list<Choice>> the same, less likely where a field of the kind has a better claim to the value
     */
    public function of(array $ranked): array
    {
        $fair = [];
        foreach ($ranked as $key => $choices) {
            $left = max(0.0, 1.0 - array_sum(array_map(static fn (Choice $one): float => $one->likelihood, $choices)));
            $given = [];
            foreach ($choices as $one) {
                $given[] = $one->likelihood * max(0.0, 1.0 - self::YIELDS * $this->behind($key, $one, $ranked));
            }
            $whole = $left + array_sum($given);
            $choices = array_map(
                static fn (Choice $one, float $likelihood): Choice => new Choice($one->candidate, $whole > 0.0 ? $likelihood / $whole : 0.0),
                $choices,
                $given,
            );
            usort($choices, static fn (Choice $a, Choice $b): int => $b->likelihood <=> $a->likelihood);
            $fair[$key] = $choices;
        }

        return $fair;
    }

    /**
     * How much likelier it is that another field of the kind has the value.
     *
     * @param array<string, list<Choice>> $ranked
     */
    private function behind(string $key, Choice $choice, array $ranked): float
    {
        $field = $choice->candidate->field;
        if (in_array($field->type, self::FREE, true)) {
            return 0.0;
        }
        $most = $choice->likelihood;
        foreach ($ranked as $other => $rivals) {
            foreach ($other === $key || $rivals === [] || $rivals[0]->candidate->field->kin() !== $field->kin() ? [] : $rivals as $rival) {
                $most = $rival->likelihood > $most && Score::same($rival->candidate->value, $choice->candidate->value) ? $rival->likelihood : $most;
            }
        }

        return $most - $choice->likelihood;
    }
}
