<?php

declare(strict_types=1);

namespace Ringo\Knowledge\Ranking;

use Ringo\Knowledge\Question;
use Ringo\Knowledge\Units\Kind;
use Ringo\Knowledge\Units\Unit;
use Ringo\Language\Vocabulary;

/** Whether a unit holds the kind of thing a question wants: a sum, an hour, a name (Ringo\Language\SayingModel). */
final readonly class Wants
{
    /** A kind less likely than this is not looked for. */
    private const HARDLY = 0.05;

    public function __construct(private Vocabulary $words)
    {
    }

    /**
     * Whether the unit holds the kind of thing that would answer, as likely as each is wanted.
     *
     * @return array<string, float>
     */
    public function of(Question $question, Unit $unit, string $value): array
    {
        $there = 0.0;
        $missing = 0.0;
        foreach ($this->words->section('knowledge', 'wanted') as $kind => $pattern) {
            $likely = $question->wants[$kind] ?? 0.0;
            if ($likely < self::HARDLY) {
                continue;
            }
            if (preg_match('~'.$pattern.'~iu', $value) === 1) {
                $there += $likely;
            } else {
                $missing += $likely;
            }
        }
        $way = $question->wants['way'] ?? 0.0;

        return ['wanted_there' => $there, 'wanted_missing' => $missing, 'wanted_in_cell' => $unit->kind === Kind::Cell ? $there : 0.0, 'wanted_in_clause' => $unit->kind === Kind::Clause ? $there : 0.0, 'way_in_cell' => $unit->kind === Kind::Cell ? $way : 0.0, 'polar_cell' => $unit->kind === Kind::Cell ? ($question->wants['yesno'] ?? 0.0) : 0.0, 'column_wanted' => $unit->kind === Kind::Cell ? $this->ofColumn($question, $unit->beside) : 0.0];
    }

    /** How likely the heading of a column is what is asked for: 'Where' for a place, 'Takes' for a length. */
    private function ofColumn(Question $question, string $heading): float
    {
        $sum = 0.0;
        $line = mb_strtolower($heading);
        foreach ($this->words->section('knowledge', 'columns') as $kind => $pattern) {
            $likely = $question->wants[$kind] ?? 0.0;
            $sum += $likely >= self::HARDLY && preg_match('~'.$pattern.'~u', $line) === 1 ? $likely : 0.0;
        }

        return $sum;
    }
}
