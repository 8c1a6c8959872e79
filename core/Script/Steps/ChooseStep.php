<?php

declare(strict_types=1);

namespace Ringo\Script\Steps;

use Ringo\Script\WayOut;
use Ringo\Speech\Prompt;

/**
 * A menu, by voice or key.
 *
 * @phpstan-type Option array{key: string, label: string, phrases: list<string>, digit: ?string, next: string}
 */
final readonly class ChooseStep implements Step
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
        private string $key,
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
    }

    public function key(): string
    {
        return $this->key;
    }

    public function kind(): string
    {
        return 'choose';
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

    public function exits(): array
    {
        $exits = array_map(static fn (array $option): array => ['to' => $option['next'], 'label' => $option['label']], $this->options);
        if ($this->wayOut->step !== null) {
            $exits[] = ['to' => $this->wayOut->step, 'label' => 'nothing chosen, '.$this->tries.' times'];
        }

        return $exits;
    }
}
