<?php

declare(strict_types=1);

namespace Ringo\Errand;

use Ringo\Document\InvalidDocument;
use Ringo\Document\Node;

/** Errands with tables and kept answers in one file, so that a script that uses them runs without any other system (docs/formats/errands.md). */
final readonly class ErrandFile implements Prepared
{
    /**
     * @param array<string, Table> $tables by name
     * @param array<string, list<array{when: array<string, mixed>, seconds: float, failed: ?string, status: int, answer: mixed}>> $answers by errand
     */
    private function __construct(public Errands $errands, private array $tables, private array $answers, private AnswerReader $reader)
    {
    }

    /**
     * @param array<array-key, mixed> $data
     *
     * @throws InvalidDocument
     */
    public static function fromArray(array $data): self
    {
        $node = Node::root($data);
        $tz = $node->string('tz', 'Europe/London');
        if (! in_array($tz, \DateTimeZone::listIdentifiers(), true)) {
            $node->problem('tz', "“{$tz}” is no time zone; write it as Europe/London");
            $tz = 'UTC';
        }
        $country = $node->string('country', 'GB');
        $currency = $node->string('currency', 'GBP');
        $errands = Errands::read($node);
        $tables = self::tables($node);
        $answers = self::answers($node, $errands);
        $node->noMore();
        $node->settle();

        return new self($errands, $tables, $answers, new AnswerReader(new Values(new \DateTimeZone($tz), $country, $currency)));
    }

    public function reply(Errand $errand, array $values): Kept
    {
        foreach ($this->answers[$errand->key] ?? [] as $kept) {
            if (! $this->asked($kept['when'], $values)) {
                continue;
            }

            return (new Kept($kept['failed'] !== null ? Reply::failed($kept['failed']) : $this->reader->http($errand, $kept['status'], (string) json_encode($kept['answer'])), $kept['seconds']))->within($errand->seconds);
        }
        if ($errand->table !== null) {
            $table = $this->tables[$errand->table->name] ?? null;

            return new Kept($table === null ? Reply::failed("there is no table “{$errand->table->name}”") : $table->find($errand, $errand->table, $values, $this->reader), 0.0);
        }

        return new Kept(isset($this->answers[$errand->key]) ? Reply::of([]) : Reply::failed("{$errand->system} is not there, and no answer is kept for “{$errand->key}”"));
    }

    /**
     * @param array<string, mixed> $when
     * @param array<string, mixed> $values
     */
    private function asked(array $when, array $values): bool
    {
        foreach ($when as $key => $value) {
            if ($value != ($values[$key] ?? null)) {
                return false;
            }
        }

        return true;
    }

    /** @return array<string, Table> */
    private static function tables(Node $node): array
    {
        $tables = [];
        foreach ($node->child('tables')->all() as $name => $rows) {
            $read = [];
            foreach (is_array($rows) && array_is_list($rows) ? $rows : [] as $i => $row) {
                if (! is_array($row) || array_filter($row, static fn (mixed $cell): bool => ! is_scalar($cell) && $cell !== null) !== []) {
                    $node->problem("tables.{$name}[{$i}]", 'must be an object of texts and numbers, by column');

                    continue;
                }
                $read[] = array_map(static fn (mixed $cell): string => (string) $cell, $row);
            }
            $tables[(string) $name] = new Table($read);
        }

        return $tables;
    }

    /** @return array<string, list<array{when: array<string, mixed>, seconds: float, failed: ?string, status: int, answer: mixed}>> */
    private static function answers(Node $node, Errands $errands): array
    {
        $answers = [];
        $child = $node->child('answers');
        foreach (array_keys($child->all()) as $key) {
            if ($errands->get((string) $key) === null) {
                $node->problem("answers.{$key}", 'there is no such errand');
            }
            foreach ($child->children((string) $key) as $one) {
                $answers[(string) $key][] = [
                    'when' => $one->child('when')->all(),
                    'seconds' => $one->number('seconds', Kept::USUAL_SECONDS, 0, 600),
                    'failed' => $one->optional('failed'),
                    'status' => (int) $one->number('status', 200, 100, 599),
                    'answer' => $one->raw('answer'),
                ];
                $one->noMore();
            }
        }

        return $answers;
    }
}
