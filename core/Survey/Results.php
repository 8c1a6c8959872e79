<?php

declare(strict_types=1);

namespace Ringo\Survey;

use Ringo\Statistics\Dependence;
use Ringo\Statistics\Mean;
use Ringo\Statistics\Share;

/**
 * What a survey has found so far: by question how many were asked, answered and left, counts and shares, figures of scales, and what
 * was said; partly answered surveys count for the questions answered.
 *
 * @phpstan-type Counted array{label: string, n: int, share: float, low: float, high: float}
 * @phpstan-type Told array{asked: int, answered: int, left: int, counts: list<Counted>, scale: ?array{mean: float, low: float, high: float, spread: float, median: float}, net: ?array{net: float, low: float, high: float, top: int, bottom: int, top_words: string, bottom_words: string}, spoken: array<string, string>}
 */
final class Results
{
    /** A fact with more different values than this makes no columns. */
    private const MOST_COLUMNS = 8;

    /** Of a scale from 0 to 10, who counts as the top and as the bottom. */
    private const TOP = 9;

    private const BOTTOM = 6;

    /** @var array<string, int> */
    public array $states = ['complete' => 0, 'partial' => 0, 'refused' => 0, 'nothing' => 0];

    /** @var array<string, array{asked: int, left: int, values: array<string, int>, spoken: array<string, string>}> */
    private array $questions = [];

    /** @var array<string, array<string, array<string, array<string, int>>>> counts by fact, its value, question and label */
    private array $crossed = [];

    public function __construct(public readonly Survey $survey)
    {
        foreach ($survey->questions as $key => $question) {
            $this->questions[$key] = ['asked' => 0, 'left' => 0, 'values' => array_fill_keys($question->labels(), 0), 'spoken' => []];
        }
    }

    public function add(Person $person): void
    {
        $this->states[$person->state()]++;
        $last = $person->asked === [] ? null : $person->asked[count($person->asked) - 1];
        foreach ($this->survey->questions as $key => $question) {
            $label = $question->label($person->answers[$key] ?? null);
            if ($label === null && ! in_array($key, $person->asked, true)) {
                continue;
            }
            $one = &$this->questions[$key];
            $one['asked']++;
            $one['left'] += $label === null && $key === $last && $person->state() !== 'complete' ? 1 : 0;
            if ($label === null) {
                continue;
            }
            if ($question->kind === QuestionKind::Spoken) {
                $one['spoken'][$person->ref] = $label;

                continue;
            }
            $one['values'][$label] = ($one['values'][$label] ?? 0) + 1;
            foreach ($person->facts as $fact => $value) {
                $this->crossed[$fact][$value][$key][$label] = ($this->crossed[$fact][$value][$key][$label] ?? 0) + 1;
            }
        }
    }

    /** @return Told */
    public function of(string $key): array
    {
        $question = $this->survey->questions[$key];
        $one = $this->questions[$key];
        $answered = $question->kind === QuestionKind::Spoken ? count($one['spoken']) : (int) array_sum($one['values']);
        $counts = [];
        foreach ($one['values'] as $label => $n) {
            [$low, $high] = Share::interval($n, $answered);
            $counts[] = ['label' => (string) $label, 'n' => $n, 'share' => $answered === 0 ? 0.0 : $n / $answered, 'low' => $low, 'high' => $high];
        }
        $scale = $question->kind === QuestionKind::Scale;

        return ['asked' => $one['asked'], 'answered' => $answered, 'left' => $one['left'], 'counts' => $counts, 'scale' => $scale ? Mean::of($this->numbers($one['values'])) : null, 'net' => $scale && $answered > 0 ? $this->net($question, $this->numbers($one['values']), $answered) : null, 'spoken' => $one['spoken']];
    }

    /** @return list<string> facts that have a few different values each, by which answers can be laid out */
    public function facts(): array
    {
        return array_values(array_filter(array_keys($this->crossed), fn (string $fact): bool => count($this->crossed[$fact]) > 1 && count($this->crossed[$fact]) <= self::MOST_COLUMNS));
    }

    /**
     * Answers to a question by what was known of people before.
     *
     * @return array{columns: list<string>, rows: array<string, list<int>>, dependence: ?array{p: float, thin: bool}}
     */
    public function crossed(string $key, string $fact): array
    {
        $columns = array_map(strval(...), array_keys($this->crossed[$fact] ?? []));
        sort($columns, SORT_NATURAL);
        $rows = [];
        foreach ($this->survey->questions[$key]->labels() as $label) {
            $rows[$label] = array_map(fn (string $column): int => $this->crossed[$fact][$column][$key][$label] ?? 0, $columns);
        }

        return ['columns' => $columns, 'rows' => $rows, 'dependence' => Dependence::of(array_values($rows))];
    }

    /**
     * @param array<array-key, int> $values
     *
     * @return array<int, int>
     */
    private function numbers(array $values): array
    {
        $numbers = [];
        foreach ($values as $label => $n) {
            if ($n > 0 && is_numeric($label)) {
                $numbers[(int) round((float) $label)] = $n;
            }
        }

        return $numbers;
    }

    /**
     * @param array<int, int> $numbers
     *
     * @return array{net: float, low: float, high: float, top: int, bottom: int, top_words: string, bottom_words: string}
     */
    private function net(Question $question, array $numbers, int $answered): array
    {
        // From 0 to 10 the top two and the lower seven; on other scales the top two and the bottom two, or the ends of a short one.
        $ten = $question->low === 0 && $question->high === 10;
        $ends = $question->high - $question->low >= 4 ? 1 : 0;
        $from = $ten ? self::TOP : $question->high - $ends;
        $to = $ten ? self::BOTTOM : $question->low + $ends;
        $top = (int) array_sum(array_filter($numbers, static fn (int $value): bool => $value >= $from, ARRAY_FILTER_USE_KEY));
        $bottom = (int) array_sum(array_filter($numbers, static fn (int $value): bool => $value <= $to, ARRAY_FILTER_USE_KEY));
        $span = static fn (int $a, int $b): string => $a === $b ? (string) $a : "{$a} to {$b}";

        return Share::net($top, $bottom, $answered) + ['top' => $top, 'bottom' => $bottom, 'top_words' => $span($from, $question->high), 'bottom_words' => $span($question->low, $to)];
    }
}
