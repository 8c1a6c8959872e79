<?php

declare(strict_types=1);

namespace Ringo\Script\Steps\Transfer;

use Ringo\Script\Steps\PlainStep;
use Ringo\Script\Steps\Way;
use Ringo\Speech\Prompt;

/** Hands the call to the transfer rules. */
final readonly class TransferStep extends PlainStep
{
    /**
     * @param ?Prompt $prompt said before anybody is rung
     * @param ?string $to a target of its own, instead of the rules
     * @param string $otherwise the step where nobody could take the call
     * @param ?string $promised the step once a call-back is promised; null ends the call
     */
    public function __construct(string $key, public ?Prompt $prompt, public ?string $to, public string $otherwise, public ?string $promised = null)
    {
        parent::__construct($key);
    }

    public function kind(): string
    {
        return TransferKind::NAME;
    }

    public function prompt(): ?Prompt
    {
        return $this->prompt;
    }

    public function exits(): array
    {
        return [Way::out($this->otherwise, 'nobody can take it'), ...($this->promised === null ? [] : [Way::on($this->promised, 'a call-back is promised')])];
    }
}
