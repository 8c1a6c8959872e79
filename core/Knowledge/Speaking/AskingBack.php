<?php

declare(strict_types=1);

namespace Ringo\Knowledge\Speaking;

use Ringo\Knowledge\Ranking\Certainty;
use Ringo\Knowledge\Ranking\Reading;
use Ringo\Knowledge\Units\Unit;
use Ringo\Language\Vocabulary;
use Ringo\Language\WordVectors;

/**
 * Asks which of a few readings is meant, each with its answer ready.
 *
 * @phpstan-import-type Spoken from Certainty
 */
final readonly class AskingBack
{
    /** Words of a sentence that name it where nothing else does. */
    private const WORDS = 7;

    private const VERBS = 'is|are|was|were|has|have|costs?|can|cannot|may|must|will|starts?|takes?|comes?|runs?|lasts?|needs?|gets?|pays?|opens?|closes?|holds?|includes?|begins?|goes|go';

    /** @var array<string, mixed> days and months, which are written large wherever they stand */
    private array $names;

    /** What the readings say, for how its words are written. */
    private string $text;

    /**
     * @param list<Reading> $readings what may be asked about
     */
    public function __construct(Vocabulary $words, private array $readings)
    {
        $this->names = $words->section('calendar', 'weekdays') + $words->section('calendar', 'months');
        $this->text = ' '.implode(' ', array_map(static fn (Reading $one): string => implode(' ', $one->unit->passage->sentences), $readings));
    }

    /**
     * @param non-empty-list<Spoken> $top
     *
     * @return non-empty-list<array{source: string, label: string, text: string, more: list<string>}>
     */
    public function offers(array $top): array
    {
        $units = array_map(fn (array $one): Unit => $this->readings[$one['place']]->unit, $top);
        $offers = [];
        foreach ($units as $n => $unit) {
            $others = array_values(array_filter($units, static fn (int $k): bool => $k !== $n, ARRAY_FILTER_USE_KEY));
            $offers[] = ['source' => $unit->where(), 'label' => $this->label($unit, $others), 'text' => $top[$n]['text'], 'more' => $top[$n]['more']];
        }

        return $offers;
    }

    /** @param non-empty-list<array{source: string, label: string, text: string, more: list<string>}> $offers */
    public function question(array $offers): string
    {
        $labels = array_values(array_unique(array_column($offers, 'label')));
        $last = array_pop($labels);

        return $labels === [] ? "Is it about {$last}?" : 'Which do you mean: '.implode(', ', $labels).' or '.$last.'?';
    }

    /**
     * What tells a reading from the others: its row or column where they stand in one table, its heading where those differ, else how it
     * begins.
     *
     * @param list<Unit> $others
     */
    private function label(Unit $unit, array $others): string
    {
        $same = static fn (\Closure $of): bool => array_filter($others, static fn (Unit $one): bool => $of($one) === $of($unit)) !== [];
        if ($unit->table !== null) {
            $row = $unit->lead;
            $column = $unit->column >= 0 ? mb_strtolower($unit->table->columns[$unit->column]) : '';

            return $this->plain(match (true) {
                ! $same(static fn (Unit $one): string => $one->lead) => $row,
                $column !== '' && array_filter($others, static fn (Unit $one): bool => $one->lead !== $row) === [] => $column,
                default => $column === '' ? $row : "{$row}, {$column}",
            });
        }
        $heading = $unit->passage->heading;
        if ($heading !== '' && ! $same(static fn (Unit $one): string => $one->passage->heading)) {
            return $this->plain(rtrim($heading, '?:.'));
        }

        if ($unit->lead !== '' && ! $same(static fn (Unit $one): string => $one->lead)) {
            return $this->plain($unit->lead);
        }
        // What a sentence is about stands before its verb.
        $begins = preg_match('/^(.{4,60}?)\s(?:'.self::VERBS.')\b/iu', $unit->text, $m) === 1 && str_word_count($m[1]) <= self::WORDS ? $m[1] : '';

        return $this->plain($begins !== '' && str_word_count($begins) > 1 ? $begins : implode(' ', array_slice(preg_split('/\s+/', rtrim($unit->text, '.')) ?: [], 0, self::WORDS)));
    }

    /** In the middle of a sentence a label begins small, unless it is a name: a word nobody writes small, or one that another capital follows. */
    private function plain(string $label): string
    {
        if (preg_match('/^(?:A|An|The) \p{Ll}/u', $label) === 1) {
            return lcfirst($label);
        }
        if (preg_match('/^(\p{Lu}\p{Ll}+)(?:\s+(\S))?/u', $label, $m) !== 1 || preg_match('/\p{Lu}/u', $m[2] ?? '') === 1) {
            return $label;
        }
        $first = mb_strtolower($m[1]);
        $small = ! isset($this->names[$first]) && (WordVectors::english()->kinds($first) !== null || str_contains($this->text, ' '.$first));

        return $small ? lcfirst($label) : $label;
    }
}
