<?php

declare(strict_types=1);

namespace Ringo\Script\Steps\Verify;

use Ringo\Script\Steps\PlainStep;
use Ringo\Script\Steps\Way;
use Ringo\Script\Steps\Words;
use Ringo\Speech\Prompt;

/** Checks the caller against known facts, with limited tries; it never hints which part was wrong. */
final readonly class VerifyStep extends PlainStep
{
    /** Checks by one fact, by a code that is sent, or by any two facts. */
    public const BY = ['postcode', 'pin', 'birth_date', 'code', 'reference', 'any_two'];

    /** Facts of a caller that may be checked. */
    public const FACTS = ['postcode', 'pin', 'birth_date', 'reference', 'name', 'phone'];

    /**
     * @param string $by one of BY; a code is sent to the number on file
     * @param list<string> $facts of which two are checked, for any_two
     * @param string $next where a caller who is checked goes
     * @param string $failed where one goes who is not, or cannot be
     * @param string $locked where one goes whose tries are used up
     */
    public function __construct(string $key, public Prompt $prompt, public ?Prompt $second, public string $by, public array $facts, public int $tries, public string $next, public string $failed, public string $locked)
    {
        parent::__construct($key);
    }

    public function kind(): string
    {
        return VerifyKind::NAME;
    }

    public function prompt(): Prompt
    {
        return $this->prompt;
    }

    public function lines(): array
    {
        return [...Words::of(Words::PROMPT, $this->prompt), ...Words::of('second question', $this->second)];
    }

    public function waits(): bool
    {
        return true;
    }

    public function exits(): array
    {
        return [Way::on($this->next, 'checked'), Way::out($this->failed, 'cannot be checked'), Way::out($this->locked, "wrong {$this->tries} times")];
    }
}
