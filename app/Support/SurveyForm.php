<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Support\Str;
use Ringo\Survey\Only;
use Ringo\Survey\QuestionKind;
use Ringo\Survey\Survey;

/** A survey as its form writes it: questions as rows, of which one may look at the answer to an earlier one by its number. */
final readonly class SurveyForm
{
    /** A choice's options and examples stand one a line. */
    private const LINES = '/[\r\n]+/';

    /**
     * @param array<array-key, mixed> $given
     *
     * @return array<string, mixed> in the format of surveys
     */
    public function document(array $given): array
    {
        $rows = array_values(array_filter(is_array($given['questions'] ?? null) ? $given['questions'] : [], fn (mixed $row): bool => is_array($row) && ($this->text($row, 'ask') !== '' || $this->text($row, 'title') !== '')));
        $keys = $this->keys($rows);
        $questions = array_map(fn (array $row, string $key): array => $this->question($row, $key, $keys), $rows, $keys);
        $document = ['format' => Survey::FORMAT, 'title' => $this->text($given, 'title'), 'about' => $this->text($given, 'about'), 'questions' => $questions];
        foreach (['welcome', 'consent', 'thanks', 'use'] as $words) {
            if ($this->text($given, $words) !== '') {
                $document[$words] = $this->text($given, $words);
            }
        }

        return $document;
    }

    /**
     * The rows of the form for a document.
     *
     * @param array<string, mixed> $document
     *
     * @return list<array<string, mixed>>
     */
    public function rows(array $document): array
    {
        $questions = is_array($document['questions'] ?? null) ? array_values($document['questions']) : [];
        $numbers = array_flip(array_map(static fn (mixed $one): string => (string) ($one['key'] ?? ''), $questions));

        return array_map(static function (array $one) use ($numbers): array {
            $only = $one['only'] ?? [];
            $how = array_values(array_intersect(array_keys(Only::HOW), array_keys($only)))[0] ?? 'is';

            return [
                'options' => implode("\n", array_column($one['options'] ?? [], 'label')), 'option_keys' => array_column($one['options'] ?? [], 'key', 'label'), 'examples' => implode("\n", $one['examples'] ?? []),
                'only_number' => $only === [] ? '' : ($numbers[$only['question'] ?? ''] ?? -1) + 1, 'only_how' => $how, 'only_value' => $only[$how] ?? '',
            ] + $one;
        }, $questions);
    }

    /** 'questions.2.only' as the form names it. */
    public static function place(string $path): string
    {
        return preg_match('/^\/?questions[.\/\[](\d+)/', $path, $found) === 1 ? 'Question '.((int) $found[1] + 1).', '.trim(str_replace(['.', '/'], ' ', (string) preg_replace('/^\/?questions[.\/\[]\d+\]?/', '', $path))) : trim(str_replace(['.', '/'], ' ', $path));
    }

    /**
     * @param list<array<string, mixed>> $rows
     *
     * @return list<string> of each question: that which it had, else one from its title
     */
    private function keys(array $rows): array
    {
        $keys = [];
        foreach ($rows as $row) {
            $base = $this->text($row, 'key');
            $base = preg_match('/^[a-z][a-z0-9_]*$/', $base) === 1 ? $base : trim((string) preg_replace('/^[^a-z]+/', '', Str::limit(Str::slug($this->text($row, 'title') !== '' ? $this->text($row, 'title') : $this->text($row, 'ask'), '_'), 30, '')), '_');
            $base = $base === '' ? 'question' : $base;
            for ($key = $base, $n = 2; in_array($key, $keys, true); $n++) {
                $key = "{$base}_{$n}";
            }
            $keys[] = $key;
        }

        return $keys;
    }

    /**
     * @param array<string, mixed> $row
     * @param list<string> $keys
     *
     * @return array<string, mixed>
     */
    private function question(array $row, string $key, array $keys): array
    {
        $kind = QuestionKind::tryFrom($this->text($row, 'kind')) ?? QuestionKind::Spoken;
        $question = ['key' => $key, 'kind' => $kind->value, 'title' => $this->text($row, 'title') !== '' ? $this->text($row, 'title') : Str::limit($this->text($row, 'ask'), 40), 'ask' => $this->text($row, 'ask')];
        if ($kind === QuestionKind::Scale) {
            $question += ['low' => $this->number($row, 'low', 0), 'high' => $this->number($row, 'high', 10)] + array_filter(['low_words' => $this->text($row, 'low_words'), 'high_words' => $this->text($row, 'high_words')]);
        }
        if ($kind === QuestionKind::Choice) {
            $question['options'] = $this->options($row);
        }
        if ($kind === QuestionKind::Spoken && $this->text($row, 'examples') !== '') {
            $question['examples'] = $this->lines($row, 'examples');
        }
        $number = $this->number($row, 'only_number', 0);
        if ($number > 0) {
            $how = isset(Only::HOW[$this->text($row, 'only_how')]) ? $this->text($row, 'only_how') : 'is';
            $value = $this->text($row, 'only_value');
            $question['only'] = ['question' => $keys[$number - 1] ?? "no. {$number}", $how => in_array($how, ['below', 'above'], true) && is_numeric($value) ? (float) $value : $value];
        }

        return $question;
    }

    /**
     * An option keeps its key as long as it keeps its words.
     *
     * @param array<string, mixed> $row
     *
     * @return list<array{key: string, label: string}>
     */
    private function options(array $row): array
    {
        $had = is_array($row['option_keys'] ?? null) ? $row['option_keys'] : [];

        return array_map(static fn (string $label): array => ['key' => is_string($had[$label] ?? null) ? $had[$label] : (Str::slug($label, '_') ?: 'option'), 'label' => $label], $this->lines($row, 'options'));
    }

    /**
     * @param array<string, mixed> $row
     *
     * @return list<string>
     */
    private function lines(array $row, string $key): array
    {
        return array_values(array_filter(array_map(trim(...), preg_split(self::LINES, $this->text($row, $key)) ?: []), static fn (string $one): bool => $one !== ''));
    }

    /** @param array<array-key, mixed> $row */
    private function text(array $row, string $key): string
    {
        return is_scalar($row[$key] ?? null) ? trim((string) $row[$key]) : '';
    }

    /** @param array<array-key, mixed> $row */
    private function number(array $row, string $key, int $default): int
    {
        return is_numeric($row[$key] ?? null) ? (int) $row[$key] : $default;
    }
}
