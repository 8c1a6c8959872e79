<?php

declare(strict_types=1);

namespace Ringo\Errand;

use Ringo\Document\InvalidDocument;
use Ringo\Document\Node;

/** The errands of a business. */
final class Errands
{
    /** @var (\Closure(): self)|null who reads them, until one is asked for */
    private ?\Closure $later = null;

    /** @param array<string, Errand> $all by key */
    public function __construct(private array $all = [])
    {
    }

    /**
     * Errands that are read when one is first asked for: most turns of a call run none.
     *
     * @param \Closure(): self $read
     */
    public static function later(\Closure $read): self
    {
        $errands = new self;
        $errands->later = $read;

        return $errands;
    }

    /** @return array<string, Errand> by key */
    public function all(): array
    {
        if ($this->later !== null) {
            [$this->all, $this->later] = [($this->later)()->all(), null];
        }

        return $this->all;
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
        return $this->all()[$key] ?? null;
    }
}
