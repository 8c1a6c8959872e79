<?php

declare(strict_types=1);

namespace Ringo\Script\Steps\Repeat;

use Ringo\Script\Steps\PlainStep;
use Ringo\Script\Steps\Way;
use Ringo\Script\Steps\Words;
use Ringo\Speech\Prompt;

/** Puts what a round of questions left into a list, and asks whether there is another: a second child, another item. */
final readonly class RepeatStep extends PlainStep
{
    /**
     * @param string $list the field that holds the list
     * @param list<string> $fields what each item takes, emptied for the next round
     * @param string $first the step a further round begins with
     * @param int $most items there may be, 2 to 20
     */
    public function __construct(string $key, public string $list, public array $fields, public Prompt $prompt, public string $first, public int $most, public string $next)
    {
        parent::__construct($key);
    }

    public function kind(): string
    {
        return RepeatKind::NAME;
    }

    public function prompt(): Prompt
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

    public function sets(): array
    {
        return [$this->list];
    }

    public function exits(): array
    {
        return [new Way($this->first, 'another one', \Ringo\Script\Steps\WayRole::Option, [$this->list], $this->fields), Way::on($this->next, 'no more', [$this->list])];
    }
}
