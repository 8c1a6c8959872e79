<?php

declare(strict_types=1);

namespace Ringo\Document;

/** A document that cannot be used, with every problem found and the path where it stands. */
final class InvalidDocument extends \DomainException
{
    /** @param non-empty-list<array{path: string, message: string}> $problems */
    public function __construct(public readonly array $problems)
    {
        $first = array_slice($problems, 0, 5);
        $more = count($problems) - count($first);
        parent::__construct(implode("\n", array_map(static fn (array $problem): string => ($problem['path'] === '' ? '' : $problem['path'].': ').$problem['message'], $first)).($more > 0 ? "\nand {$more} more" : ''));
    }
}
