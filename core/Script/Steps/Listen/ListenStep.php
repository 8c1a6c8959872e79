<?php

declare(strict_types=1);

namespace Ringo\Script\Steps\Listen;

use Ringo\Script\Steps\PlainStep;
use Ringo\Script\Steps\Way;
use Ringo\Script\Steps\Words;
use Ringo\Script\WayOut;
use Ringo\Speech\Prompt;

/**
 * An open question: sorts what was said into topics described in plain words, and takes any fields volunteered.
 *
 * @phpstan-type Topic array{key: string, label: string, description: string, phrases: list<string>, anywhere: bool, urgent: bool, tone: ?string, next: string}
 */
final readonly class ListenStep extends PlainStep
{
    /** How a topic is met: as it comes, with regret, or gladly. */
    public const TONES = ['neutral', 'sorry', 'glad'];

    /**
     * @param list<Topic> $topics
     * @param ?string $nothing where 'no, that is all' leads
     * @param list<string> $reprompts
     */
    public function __construct(
        string $key,
        public Prompt $prompt,
        public ?Prompt $again,
        public array $topics,
        public ?string $nothing,
        public array $reprompts,
        public int $tries,
        public WayOut $wayOut,
    ) {
        parent::__construct($key);
    }

    public function kind(): string
    {
        return ListenKind::NAME;
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

    public function lines(): array
    {
        return [...Words::of(Words::PROMPT, $this->prompt), ...Words::of('short form', $this->again), ...Words::of('reprompt', $this->reprompts)];
    }

    public function waits(): bool
    {
        return true;
    }

    public function wayOut(): WayOut
    {
        return $this->wayOut;
    }

    public function exits(): array
    {
        $exits = array_map(static fn (array $topic): Way => Way::option($topic['next'], $topic['label']), $this->topics);
        if ($this->nothing !== null) {
            $exits[] = Way::on($this->nothing, 'nothing more');
        }

        return [...$exits, ...Way::ofWayOut($this->wayOut, "none of these, {$this->tries} times")];
    }
}
