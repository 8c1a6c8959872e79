<?php

declare(strict_types=1);

namespace Ringo\Outreach;

/** One form that came in, as it was read. */
final readonly class Entry
{
    /**
     * @param ?string $e164 null where it is no number
     * @param array<string, string> $facts what the agent knows from the start
     * @param ?Held $held why nobody is rung for it
     * @param bool $consented whether they ticked that they may be rung
     */
    public function __construct(public string $phone, public ?string $e164, public string $name, public array $facts, public ?Held $held, public bool $consented)
    {
    }
}
