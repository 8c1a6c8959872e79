<?php

declare(strict_types=1);

namespace Ringo\Script\Steps\Reach;

use Ringo\Script\Steps\PlainStep;
use Ringo\Script\Steps\Way;
use Ringo\Script\Steps\Words;
use Ringo\Speech\Prompt;

/** Makes sure an outbound call has the right person: somebody else, a wrong number, a voicemail and 'try after five' each lead somewhere. */
final readonly class ReachStep extends PlainStep
{
    /**
     * @param Prompt $prompt asks for the person: 'Am I speaking to [caller.name]?'
     * @param string $next where the right person goes on
     * @param string $somebodyElse where it leads when the person is not to be had; null says when to ring again, if told, and ends
     * @param ?string $wrongNumber null says sorry and ends
     * @param ?string $ringAgain the field (day and time) that takes when to ring again
     * @param ?Prompt $voicemail the message left after the tone; null hangs up without one
     */
    public function __construct(
        string $key,
        public Prompt $prompt,
        public string $next,
        public ?string $somebodyElse,
        public ?string $wrongNumber,
        public ?string $ringAgain,
        public ?Prompt $voicemail,
    ) {
        parent::__construct($key);
    }

    public function kind(): string
    {
        return ReachKind::NAME;
    }

    public function prompt(): Prompt
    {
        return $this->prompt;
    }

    public function lines(): array
    {
        return [...Words::of(Words::PROMPT, $this->prompt), ...Words::of('voicemail message', $this->voicemail)];
    }

    public function waits(): bool
    {
        return true;
    }

    public function sets(): array
    {
        return $this->ringAgain === null ? [] : [$this->ringAgain];
    }

    public function ends(): bool
    {
        return true;
    }

    public function exits(): array
    {
        return [
            Way::on($this->next, 'the right person'),
            ...($this->somebodyElse === null ? [] : [Way::option($this->somebodyElse, 'somebody else')]),
            ...($this->wrongNumber === null ? [] : [Way::option($this->wrongNumber, 'wrong number')]),
        ];
    }
}
