<?php

declare(strict_types=1);

namespace Ringo\Script\Steps;

use Ringo\Speech\Prompt;

/** Hands the call to the transfer rules. */
final readonly class TransferStep implements Step
{
    /**
     * @param ?Prompt $prompt said before anybody is rung
     * @param ?string $to a target of its own, instead of the rules
     * @param string $otherwise the step where nobody could take the call
     * @param ?string $promised the step once a call-back is promised; null ends the call
     */
    public function __construct(private string $key, public ?Prompt $prompt, public ?string $to, public string $otherwise, public ?string $promised = null)
    {
    }

    public function key(): string
    {
        return $this->key;
    }

    public function kind(): string
    {
        return 'transfer';
    }

    public function prompt(): ?Prompt
    {
        return $this->prompt;
    }

    public function exits(): array
    {
        return [['to' => $this->otherwise, 'label' => 'nobody can take it'], ...($this->promised === null ? [] : [['to' => $this->promised, 'label' => 'a call-back is promised']])];
    }
}
