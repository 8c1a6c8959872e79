<?php

declare(strict_types=1);

namespace Ringo\Script\Steps;

use Ringo\Speech\Prompt;

/** Lines a step may speak, under what they are called: prompt, short form, reprompt, help, reason. */
final readonly class Words
{
    /** What the line that a step is for is called. */
    public const PROMPT = 'prompt';

    /** @param list<string> $texts */
    private function __construct(public string $what, public array $texts)
    {
    }

    /**
     * @param Prompt|string|list<string>|null $said
     *
     * @return list<self> none where nothing is said
     */
    public static function of(string $what, Prompt|string|array|null $said): array
    {
        $texts = array_values(array_filter($said instanceof Prompt ? $said->variants : (array) $said, static fn (mixed $text): bool => is_string($text) && trim($text) !== ''));

        return $texts === [] ? [] : [new self($what, $texts)];
    }
}
