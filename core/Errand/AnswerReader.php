<?php

declare(strict_types=1);

namespace Ringo\Errand;

/** Reads what another system answered as its errand says: found, several, nothing, or no answer one can use. */
final readonly class AnswerReader
{
    /** Rows of a list that are looked at; nobody is asked which of more. */
    private const MOST_ROWS = 50;

    private const DEEPEST = 32;

    public function __construct(private Values $values)
    {
    }

    /** @param int $status of HTTP */
    public function http(Errand $errand, int $status, string $body): Reply
    {
        if ($status === 404 || $status === 410) {
            return Reply::of([]);
        }
        if ($status < 200 || $status >= 300) {
            return Reply::failed("{$errand->system} answered with status {$status}");
        }
        if ($status === 204 || trim($body) === '') {
            return $errand->values === [] ? Reply::of([[]]) : Reply::of([]);
        }
        $answer = json_decode($body, true, self::DEEPEST);

        return $answer === null && strtolower(trim($body)) !== 'null' ? Reply::failed("{$errand->system} answered with something that is not JSON") : $this->json($errand, $answer);
    }

    public function json(Errand $errand, mixed $answer): Reply
    {
        if ($errand->found !== null) {
            $there = Path::of($errand->found['path'])->in($answer);
            $found = $errand->found['is'] === [] ? $there !== null && $there !== [] && $there !== '' && $there !== false : in_array($there, $errand->found['is'], true);
            if (! $found) {
                return Reply::of([]);
            }
        }
        if ($errand->list === null) {
            // One answer; a bare list of one is that one.
            $rows = is_array($answer) && array_is_list($answer) && $errand->values !== [] ? $answer : ($answer === null ? [] : [$answer]);
        } else {
            $rows = Path::of($errand->list)->in($answer);
            if ($rows === null) {
                return Reply::failed("the answer of {$errand->system} has no list at “{$errand->list}”");
            }
            $rows = is_array($rows) && array_is_list($rows) ? $rows : [$rows];
        }

        return $this->rows($errand, array_slice($rows, 0, self::MOST_ROWS));
    }

    /**
     * Rows of a table, each by column.
     *
     * @param list<mixed> $rows
     */
    public function rows(Errand $errand, array $rows): Reply
    {
        $read = [];
        foreach ($rows as $row) {
            $values = [];
            foreach ($errand->values as $sought) {
                $raw = $errand->reach === Reach::Request ? Path::of($sought->path)->in($row) : (is_array($row) ? ($row[$sought->path] ?? null) : null);
                $values[$sought->key] = $this->values->of($sought->type, $raw);
                if ($sought->required && $values[$sought->key] === null) {
                    return Reply::failed("the answer of {$errand->system} has no {$sought->label} at “{$sought->path}”");
                }
            }
            if ($errand->values !== [] && array_filter($values, static fn (mixed $value): bool => $value !== null) === []) {
                return Reply::failed("nothing that was sought stands in the answer of {$errand->system}");
            }
            $read[] = $values;
        }

        return Reply::of($read);
    }
}
