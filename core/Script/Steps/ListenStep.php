<?php

declare(strict_types=1);

namespace Ringo\Script\Steps;

use Ringo\Script\WayOut;
use Ringo\Speech\Prompt;

/**
 * An open question: sorts what was said into topics described in plain words, and takes any fields volunteered.
 *
 * @phpstan-type Topic array{key: string, label: string, description: string, phrases: list<string>, anywhere: bool, urgent: bool, next: string}
 */
final readonly class ListenStep implements Step
{
    /**
     * @param list<Topic> $topics
     * @param ?string $nothing where 'no, that is all' leads
     * @param list<string> $reprompts
     */
    public function __construct(
        private string $key,
        public Prompt $prompt,
        public ?Prompt $again,
        public array $topics,
        public ?string $nothing,
        public array $reprompts,
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
        return 'listen';
    }

    public function prompt(): Prompt
    {
        return $this->prompt;
    }

    /** @return Topic|null */
    public function topic(string $key): ?array
    {
        foreach ($this->topics as $topic) {
            if ($topic['key'] === $key) {
                return $topic;
            }
        }

        return null;
    }

    public function exits(): array
    {
        $exits = array_map(static fn (array $topic): array => ['to' => $topic['next'], 'label' => $topic['label']], $this->topics);
        if ($this->nothing !== null) {
            $exits[] = ['to' => $this->nothing, 'label' => 'nothing more'];
        }
        if ($this->wayOut->step !== null) {
            $exits[] = ['to' => $this->wayOut->step, 'label' => 'none of these, '.$this->tries.' times'];
        }

        return $exits;
    }
}
