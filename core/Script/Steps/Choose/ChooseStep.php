<?php

declare(strict_types=1);

namespace Ringo\Script\Steps\Choose;

use Ringo\Script\Steps\PlainStep;
use Ringo\Script\Steps\Way;
use Ringo\Script\Steps\Words;
use Ringo\Script\WayOut;
use Ringo\Speech\Prompt;

/**
 * A menu, by voice or key.
 *
 * @phpstan-type Option array{key: string, label: string, phrases: list<string>, digit: string, next: string}
 */
final readonly class ChooseStep extends PlainStep
{
    /**
     * @param list<Option> $options
     * @param ?string $field that takes the key of the option chosen
     * @param ?string $repeatKey the key that says the menu again
     * @param list<string> $silence said after silence
     * @param list<string> $nonsense said after something not understood
     * @param list<string> $wrongKey said after a key that is not on the menu
     */
    public function __construct(
        string $key,
        public Prompt $prompt,
        public ?Prompt $again,
        public array $options,
        public ?string $field,
        public ?string $repeatKey,
        public array $silence,
        public array $nonsense,
        public array $wrongKey,
        public int $tries,
        public WayOut $wayOut,
    ) {
        parent::__construct($key);
    }

    public function kind(): string
    {
        return ChooseKind::NAME;
    }

    public function prompt(): Prompt
    {
        return $this->prompt;
    }

    /** @return Option|null */
    public function option(string $key): ?array
    {
        foreach ($this->options as $option) {
            if ($option['key'] === $key) {
                return $option;
            }
        }

        return null;
    }

    public function lines(): array
    {
        return [...Words::of(Words::PROMPT, $this->prompt), ...Words::of('short form', $this->again), ...Words::of('reprompt', [...$this->silence, ...$this->nonsense, ...$this->wrongKey])];
    }

    public function waits(): bool
    {
        return true;
    }

    public function asks(): array
    {
        return $this->field === null ? [] : [$this->field];
    }

    public function wayOut(): WayOut
    {
        return $this->wayOut;
    }

    public function exits(): array
    {
        $sets = $this->asks();

        return [...array_map(static fn (array $option): Way => Way::option($option['next'], $option['label'], $sets), $this->options), ...Way::ofWayOut($this->wayOut, "nothing chosen, {$this->tries} times")];
    }
}
