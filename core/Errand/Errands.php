<?php

declare(strict_types=1);

namespace Ringo\Errand;

use Ringo\Document\InvalidDocument;
use Ringo\Document\Node;

/** The errands of a business. */
final readonly class Errands
{
    /** @param array<string, Errand> $all by key */
    public function __construct(public array $all = [])
    {
    }

    /** @param iterable<Errand> $errands */
    public static function of(iterable $errands): self
    {
        $all = [];
        foreach ($errands as $errand) {
            $all[$errand->key] = $errand;
        }

        return new self($all);
    }

    /** @throws InvalidDocument */
    public static function read(Node $node): self
    {
        $all = [];
        foreach ($node->children('errands') as $one) {
            $errand = Errand::read($one);
            if (isset($all[$errand->key])) {
                $one->problem('key', "“{$errand->key}” stands twice");
            }
            $all[$errand->key] = $errand;
        }

        return new self($all);
    }

    public function get(string $key): ?Errand
    {
        return $this->all[$key] ?? null;
    }
}
