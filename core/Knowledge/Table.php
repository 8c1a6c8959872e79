<?php

declare(strict_types=1);

namespace Ringo\Knowledge;

/** A table of a business: prices, entitlements, zones. The first column names the rows. */
final readonly class Table
{
    /**
     * @param list<string> $columns
     * @param list<list<string>> $rows as many cells as there are columns
     * @param list<string> $path the headings above its heading, outermost first
     */
    public function __construct(public string $source, public string $heading, public array $columns, public array $rows, public array $path = [])
    {
    }

    public function place(?string $row = null): string
    {
        return $this->heading !== '' ? $this->source.'#'.$this->heading : $this->source.($row === null ? '' : '#'.$row);
    }
}
