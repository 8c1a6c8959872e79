<?php

declare(strict_types=1);

namespace Ringo\Rehearsal\Casebook;

use Ringo\Document\InvalidDocument;
use Ringo\Document\Node;

/** The cases of an agent, each under a key of its own. */
final readonly class Casebook
{
    public const FORMAT = 'ringo-casebook/1';

    /**
     * @param ?string $agent file of the script the cases are of, beside the casebook
     * @param array<string, KeptCase> $cases by key
     */
    public function __construct(public ?string $agent, public array $cases)
    {
    }

    /**
     * @param array<array-key, mixed> $data
     *
     * @throws InvalidDocument naming every place that is wrong
     */
    public static function fromArray(array $data): self
    {
        $node = Node::root($data);
        if ($node->string('format', self::FORMAT) !== self::FORMAT) {
            $node->problem('format', 'must be “'.self::FORMAT.'”');
        }
        $cases = [];
        foreach ($node->children('cases') as $one) {
            $case = KeptCase::read($one);
            if (isset($cases[$case->key])) {
                $one->problem('key', "there is another case “{$case->key}”");
            }
            $cases[$case->key] = $case;
        }
        $book = new self($node->optional('agent'), $cases);
        $node->noMore();
        $node->settle();

        return $book;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['format' => self::FORMAT] + ($this->agent === null ? [] : ['agent' => $this->agent]) + ['cases' => array_map(static fn (KeptCase $case): array => $case->toArray(), array_values($this->cases))];
    }
}
