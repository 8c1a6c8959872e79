<?php

declare(strict_types=1);

namespace Ringo\Script\Steps\Ask;

use Ringo\Script\Instead;
use Ringo\Script\Steps\PlainStep;
use Ringo\Script\Steps\Way;
use Ringo\Script\Steps\Words;
use Ringo\Script\WayOut;
use Ringo\Speech\Prompt;

/** Collects one field. */
final readonly class AskStep extends PlainStep
{
    /** How a value may be read back. */
    public const CONFIRM = ['never', 'unsure', 'always', 'spelled', 'digits'];

    /** What happens where the value is there already. */
    public const KNOWN = ['skip', 'check', 'ask'];

    /**
     * @param ?Prompt $again a shorter form, asked after silence or when it is put again
     * @param ?Prompt $afterDetour own words for asking again after a question of the caller's was answered
     * @param ?Prompt $secondVisit own words where the call comes here a second time
     * @param list<string> $reprompts said after something not understood, in order
     * @param ?string $help an example or explanation
     * @param ?string $confirm never, unsure, always, spelled or digits; null: as the field says
     * @param string $known what happens where the value is there already: skip, check ('is it still …?') or ask
     * @param int $tries how often it is asked before the way out, 1 to 9
     * @param ?string $why said when a required value is refused
     * @param array<string, Instead> $instead what a caller who has no answer leads to: any, unknown, refused
     * @param ?string $repeatKey the key that says the question again
     */
    public function __construct(
        string $key,
        public string $field,
        public Prompt $prompt,
        public ?Prompt $again,
        public ?Prompt $afterDetour,
        public ?Prompt $secondVisit,
        public array $reprompts,
        public ?string $help,
        public ?string $confirm,
        public bool $required,
        public string $known,
        public int $tries,
        public ?string $why,
        public array $instead,
        public WayOut $wayOut,
        public string $next,
        public ?string $repeatKey = null,
    ) {
        parent::__construct($key);
    }

    public function kind(): string
    {
        return AskKind::NAME;
    }

    public function prompt(): Prompt
    {
        return $this->prompt;
    }

    public function lines(): array
    {
        return [
            ...Words::of(Words::PROMPT, $this->prompt), ...Words::of('short form', $this->again), ...Words::of('words after a detour', $this->afterDetour), ...Words::of('words on a second visit', $this->secondVisit),
            ...Words::of('reprompt', $this->reprompts), ...Words::of('help', $this->help), ...Words::of('reason', $this->why),
        ];
    }

    public function waits(): bool
    {
        return true;
    }

    public function asks(): array
    {
        return [$this->field];
    }

    public function wayOut(): WayOut
    {
        return $this->wayOut;
    }

    public function exits(): array
    {
        // Only a required answer without the way out 'leave it empty' is there for certain.
        $exits = [Way::on($this->next, 'answered', $this->required && $this->wayOut->then !== WayOut::LEAVE ? [$this->field] : [])];
        foreach ($this->instead as $instead) {
            if ($instead->step !== null) {
                $exits[] = Way::option($instead->step, Instead::CALLED[$instead->where]);
            }
        }

        return [...$exits, ...Way::ofWayOut($this->wayOut, "cannot say, {$this->tries} times")];
    }
}
