<?php

declare(strict_types=1);

namespace Ringo\Errand;

use Ringo\Document\Node;

/** How rows of a table are found: every named column must fit its parameter. */
final readonly class TableLookup
{
    /** Letter by letter whatever the case, by the digits alone, or by a name with room for spelling. */
    public const MATCH = ['exact', 'number', 'name'];

    /** @param list<array{column: string, parameter: string, match: string}> $by */
    public function __construct(public string $name, public array $by)
    {
    }

    public static function read(Node $node): self
    {
        $by = [];
        foreach ($node->children('by') as $one) {
            $column = $one->string('column');
            $by[] = ['column' => $column, 'parameter' => $one->string('parameter', $column), 'match' => $one->oneOf('match', self::MATCH, 'exact')];
            $one->noMore();
        }
        if ($by === []) {
            $node->problem('by', 'names no column to look in');
        }
        $lookup = new self($node->string('name', 'callers'), $by);
        $node->noMore();

        return $lookup;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['name' => $this->name, 'by' => $this->by];
    }
}
