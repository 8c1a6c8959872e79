<?php

declare(strict_types=1);

namespace Ringo\Advice;

/**
 * What Ringo is unsure about, in the form in which somebody else may be asked: choose one of these, or quote the words that hold it.
 *
 * A doubt says nothing of the call but what stands here: who asks, makes sure that what is kept back is not in it.
 */
final readonly class Doubt
{
    /** The answer that chooses none of what was offered. */
    public const NONE = 'none';

    /**
     * @param string $about what is to be decided, in plain words
     * @param string $said the caller's words it is about; empty where the words are to be quoted from the text
     * @param array<string, string> $choices what to choose from: key => what it means; none where words are to be quoted
     * @param string $text from which words are to be quoted; empty where a choice is wanted
     */
    public function __construct(public Purpose $purpose, public string $about, public string $said, public array $choices, public string $text = '')
    {
    }

    /** The same doubt has the same key, in whichever call it comes up. */
    public function key(): string
    {
        return substr(hash('sha256', serialize([$this->purpose->value, $this->about, $this->said, $this->choices, $this->text])), 0, 20);
    }

    /** Whether words are to be quoted rather than one of several chosen. */
    public function quotes(): bool
    {
        return $this->choices === [];
    }

    /** @return array{purpose: string, about: string, said: string, choices: array<string, string>, text: string} */
    public function toArray(): array
    {
        return ['purpose' => $this->purpose->value, 'about' => $this->about, 'said' => $this->said, 'choices' => $this->choices, 'text' => $this->text];
    }

    /** @param array{purpose: string, about: string, said: string, choices: array<array-key, string>, text: string} $data as toArray() wrote it */
    public static function fromArray(array $data): self
    {
        $choices = [];
        foreach ($data['choices'] as $key => $label) {
            $choices[(string) $key] = $label;
        }

        return new self(Purpose::from($data['purpose']), $data['about'], $data['said'], $choices, $data['text']);
    }
}
