<?php

declare(strict_types=1);

namespace Ringo\Recognition;

/** Who is calling, as far as the number tells. */
final readonly class Recognised
{
    /**
     * @param string $kind known, shared, organisation, unknown, withheld, unparseable or blocked
     * @param ?string $number E.164
     * @param array<string, scalar|null> $facts
     * @param list<array<string, scalar|null>> $people those who share the number
     * @param list<string> $why in words, step by step
     */
    public function __construct(public string $kind, public ?string $number, public array $facts, public array $people, public array $why)
    {
    }
}
