<?php

declare(strict_types=1);

namespace Ringo\Script\Steps\Summary;

use Ringo\Script\Steps\PlainStep;
use Ringo\Script\Steps\Way;
use Ringo\Script\Steps\Words;
use Ringo\Script\WayOut;
use Ringo\Speech\Prompt;

/** Reads several fields back in one breath and takes corrections to any of them. */
final readonly class SummaryStep extends PlainStep
{
    /**
     * @param list<string> $fields in the order they are read back; those without a value are left out
     * @param ?Prompt $prompt own words around it, in which `[summary]` stands for what is read back
     */
    public function __construct(string $key, public array $fields, public ?Prompt $prompt, public int $tries, public WayOut $wayOut, public string $next)
    {
        parent::__construct($key);
    }

    public function kind(): string
    {
        return SummaryKind::NAME;
    }

    public function prompt(): ?Prompt
    {
        return $this->prompt;
    }

    public function lines(): array
    {
        return Words::of(Words::PROMPT, $this->prompt);
    }

    public function waits(): bool
    {
        return true;
    }

    public function wayOut(): WayOut
    {
        return $this->wayOut;
    }

    public function exits(): array
    {
        return [Way::on($this->next, 'all of it is right'), ...Way::ofWayOut($this->wayOut, "not settled, {$this->tries} times")];
    }
}
