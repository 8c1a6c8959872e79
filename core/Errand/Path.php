<?php

declare(strict_types=1);

namespace Ringo\Errand;

/** A place in a JSON answer, written as people point at one: `hire.lines[0].item`. */
final readonly class Path
{
    private const PART = '/\G(?:\.?([^.\[\]]+)|\[(\d{1,6})\])/';

    /** @param list<string|int> $parts */
    private function __construct(private array $parts)
    {
    }

    /** @throws \DomainException where it is none */
    public static function of(string $written): self
    {
        $parts = [];
        for ($at = 0; $at < strlen($written); $at += strlen($m[0])) {
            if (preg_match(self::PART, $written, $m, 0, $at) !== 1) {
                throw new \DomainException("“{$written}” is no path into an answer; write hire.lines[0].item");
            }
            $parts[] = isset($m[2]) ? (int) $m[2] : trim($m[1]);
        }

        return new self($parts);
    }

    /** What stands there; null where nothing does. */
    public function in(mixed $answer): mixed
    {
        foreach ($this->parts as $part) {
            if (! is_array($answer) || ! array_key_exists($part, $answer)) {
                return null;
            }
            $answer = $answer[$part];
        }

        return $answer;
    }
}
