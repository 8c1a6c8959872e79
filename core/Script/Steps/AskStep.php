<?php

declare(strict_types=1);

namespace Ringo\Script\Steps;

use Ringo\Script\WayOut;
use Ringo\Speech\Prompt;

/** Collects one field. */
final readonly class AskStep implements Step
{
    /**
     * @param ?Prompt $again a shorter form, asked after silence or a detour
     * @param list<string> $reprompts said after something not understood, in order
     * @param ?string $help an example or explanation
     * @param string $confirm never, unsure, always, spelled or digits
     * @param string $known what happens where the value is there already: skip, check ('is it still …?') or ask
     * @param int $tries how often it is asked before the way out, 1 to 9
     * @param ?string $why said when a required value is refused
     */
    public function __construct(
        private string $key,
        public string $field,
        public Prompt $prompt,
        public ?Prompt $again,
        public array $reprompts,
        public ?string $help,
        public string $confirm,
        public bool $required,
        public string $known,
        public int $tries,
        public ?string $why,
        public WayOut $wayOut,
        public string $next,
    ) {
    }

    public function key(): string
    {
        return $this->key;
    }

    public function kind(): string
    {
        return 'ask';
    }

    public function prompt(): Prompt
    {
        return $this->prompt;
    }

    public function exits(): array
    {
        $exits = [['to' => $this->next, 'label' => 'answered']];
        if ($this->wayOut->step !== null) {
            $exits[] = ['to' => $this->wayOut->step, 'label' => 'cannot say, '.$this->tries.' times'];
        }

        return $exits;
    }
}
