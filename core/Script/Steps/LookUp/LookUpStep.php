<?php

declare(strict_types=1);

namespace Ringo\Script\Steps\LookUp;

use Ringo\Script\Steps\PlainStep;
use Ringo\Script\Steps\Way;
use Ringo\Script\Steps\Words;
use Ringo\Script\WayOut;
use Ringo\Speech\Prompt;

/** Runs an errand: looks something up or does something in another system, and goes on by what came back. */
final readonly class LookUpStep extends PlainStep
{
    /**
     * @param string $errand key of an errand of the business
     * @param array<string, string> $keep values of the answer by the field they fill
     * @param ?Prompt $waiting what is said when it takes longer; the manner's own words otherwise
     * @param string $next where it leads when one was found, or what was to be done is done
     * @param string $notFound when nothing was
     * @param ?string $several when several were and the caller could not say which; as failed where it is not given
     * @param string $failed when the system is away or answers nonsense
     * @param ?string $slow when it does not answer in time; as failed where it is not given
     */
    public function __construct(string $key, public string $errand, public array $keep, public ?Prompt $waiting, public string $next, public string $notFound, public ?string $several, public string $failed, public ?string $slow)
    {
        parent::__construct($key);
    }

    public function kind(): string
    {
        return LookUpKind::NAME;
    }

    public function lines(): array
    {
        return Words::of('while waiting', $this->waiting);
    }

    public function waits(): bool
    {
        return true;
    }

    public function sets(): array
    {
        return array_map(strval(...), array_keys($this->keep));
    }

    public function exits(): array
    {
        return [
            // What the errand found is there from here on, under its name.
            Way::on($this->next, 'found', [...$this->sets(), $this->errand]),
            Way::out($this->notFound, 'not found'),
            ...($this->several === null ? [] : [Way::out($this->several, 'several, and none chosen')]),
            Way::out($this->failed, 'failed'),
            ...($this->slow === null ? [] : [Way::out($this->slow, 'too slow')]),
        ];
    }

    public function wayOut(): WayOut
    {
        return WayOut::go($this->several ?? $this->failed);
    }
}
