<?php

declare(strict_types=1);

namespace Tests\Core\Dialogue;

use Ringo\Dialogue\CallState;
use Ringo\Dialogue\Engine;
use Ringo\Dialogue\Event;
use Ringo\Dialogue\Opening;
use Ringo\Dialogue\Outcome;
use Ringo\Dialogue\Ports\Knowledge;
use Ringo\Diary\Diaries;
use Ringo\Rehearsal\SketchBook;
use Ringo\Script\Script;
use Ringo\Script\ScriptReader;

/** A call held in a test, one turn at a time. */
final class Conversation
{
    public CallState $state;

    public Outcome $last;

    /** @var list<string> */
    public array $spoken = [];

    private float $at = 0.0;

    public function __construct(public readonly Engine $engine, CallState $state)
    {
        $this->state = $state;
        $this->happens(Event::started());
    }

    /**
     * @param array<string, mixed> $changes top-level keys of the demo script to replace
     * @param array<string, scalar|null> $caller
     */
    public static function withMaren(array $changes = [], array $caller = ['known' => false], ?string $from = '+447700900123', string $seed = '1', string $at = '2026-03-10T09:14'): self
    {
        return self::with([...self::maren(), ...$changes], $caller, $from, $seed, $at);
    }

    /**
     * @param array<string, mixed> $document
     * @param array<string, scalar|null> $caller
     */
    public static function with(array $document, array $caller = ['known' => false], ?string $from = '+447700900123', string $seed = '1', string $at = '2026-03-10T09:14', ?Knowledge $knowledge = null): self
    {
        $script = (new ScriptReader)->fromArray($document);
        $state = (new Opening($script))->state('test', new \DateTimeImmutable($at, new \DateTimeZone($script->agent->tz)), $seed, $from, null, $caller);

        return new self(Engine::for($script, knowledge: $knowledge), $state);
    }

    /**
     * A call that asks for fields one after the other.
     *
     * @param array<string, array<string, mixed>> $fields JSON Schema of each field
     * @param array<string, string> $prompts what is asked, by field
     */
    public static function asking(array $fields, array $prompts): self
    {
        $keys = array_keys($prompts);
        $steps = [];
        foreach ($keys as $n => $key) {
            $steps[] = ['key' => "ask_{$key}", 'kind' => 'ask', 'field' => $key, 'prompt' => $prompts[$key], 'next' => isset($keys[$n + 1]) ? "ask_{$keys[$n + 1]}" : 'bye'];
        }

        return self::with([
            'agent' => ['name' => 'Ros', 'business' => 'Mill Lane', 'country' => 'GB', 'tz' => 'Europe/London'],
            'sheet' => ['type' => 'object', 'title' => 'Sheet', 'properties' => $fields],
            'first' => $steps[0]['key'] ?? 'bye',
            'steps' => [...$steps, ['key' => 'bye', 'kind' => 'finish', 'prompt' => 'Goodbye.']],
        ]);
    }

    /** Isolde of the demonstration, with her diaries. It is Tuesday the tenth of March 2026, 9.14. */
    public static function withIsolde(): self
    {
        $folder = dirname(__DIR__, 3).'/database/demo/harrowell';
        $script = (new ScriptReader)->fromJson((string) file_get_contents("{$folder}/isolde.json"));
        $book = new SketchBook(Diaries::fromArray(json_decode((string) file_get_contents("{$folder}/diaries.json"), true, 32, JSON_THROW_ON_ERROR)));
        $state = (new Opening($script))->state('test', new \DateTimeImmutable('2026-03-10T09:14', new \DateTimeZone('Europe/London')), '1', '+447700900555', null, ['known' => false]);

        return new self(Engine::for($script, appointments: $book), $state);
    }

    /** @return array<string, mixed> */
    public static function maren(): array
    {
        return json_decode((string) file_get_contents(dirname(__DIR__, 3).'/database/demo/pellbrook/maren.json'), true, 64, JSON_THROW_ON_ERROR);
    }

    public static function script(): Script
    {
        return (new ScriptReader)->fromArray(self::maren());
    }

    public function says(string ...$lines): self
    {
        foreach ($lines as $line) {
            $this->happens(Event::said($line, $this->at += 5));
        }

        return $this;
    }

    public function presses(string $keys): self
    {
        $this->happens(Event::keys($keys, $this->at += 3));

        return $this;
    }

    public function isSilent(int $times = 1): self
    {
        for ($i = 0; $i < $times; $i++) {
            $this->happens(Event::silence(6, $this->at += 6));
        }

        return $this;
    }

    public function happens(Event $event): self
    {
        $this->last = $this->engine->step($this->state, $event);
        $this->state = $this->last->state;
        if ($this->last->spoken() !== '') {
            $this->spoken[] = $this->last->spoken();
        }

        return $this;
    }

    public function value(string $field): mixed
    {
        return $this->state->values[$field]->value ?? null;
    }

    public function heard(): string
    {
        return $this->last->spoken();
    }
}
