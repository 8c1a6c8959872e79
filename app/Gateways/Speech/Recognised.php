<?php

declare(strict_types=1);

namespace App\Gateways\Speech;

/** What a recogniser heard. */
final readonly class Recognised
{
    /**
     * @param string $text empty where nothing was heard
     * @param list<string> $alternatives what else it may have been
     * @param string $by grammar or general
     * @param float $seconds it took
     */
    public function __construct(public string $text, public array $alternatives, public string $by, public float $seconds)
    {
    }

    /** @return array{text: string, alternatives: list<string>, by: string, seconds: float} */
    public function toArray(): array
    {
        return ['text' => $this->text, 'alternatives' => $this->alternatives, 'by' => $this->by, 'seconds' => $this->seconds];
    }
}
