<?php

declare(strict_types=1);

namespace Ringo\Design;

use Ringo\Document\InvalidDocument;

/** Takes out of a script what no call has come to: a topic, a step, a transfer rule, a greeting (see Ringo\Figures\Coverage). */
final readonly class Unneeded
{
    public const KINDS = ['topic', 'step', 'transfer rule', 'greeting'];

    /**
     * The document without it. Steps that a topic led to stay: the inspection names those nothing leads to any more.
     *
     * @param value-of<self::KINDS> $kind
     *
     * @throws InvalidDocument where there is no such thing, or the script could not be used without it
     */
    public function takenOut(ScriptDocument $document, string $kind, string $key): ScriptDocument
    {
        $data = $document->toArray();
        $after = match ($kind) {
            'step' => $document->has($key) ? $document->without($key) : null,
            'topic' => $this->topic($data, $key),
            'transfer rule' => $this->rule($data, $key),
            'greeting' => $this->greeting($data, $key),
        };

        return $after ?? throw new InvalidDocument([['path' => '', 'message' => "there is no {$kind} “{$key}” any more"]]);
    }

    /** @param array<string, mixed> $data */
    private function topic(array $data, string $key): ?ScriptDocument
    {
        $found = false;
        $steps = is_array($data['steps'] ?? null) ? $data['steps'] : [];
        foreach ($steps as $n => $step) {
            $topics = is_array($step) && is_array($step['topics'] ?? null) ? $step['topics'] : [];
            $left = array_values(array_filter($topics, static fn (mixed $topic): bool => ! is_array($topic) || ($topic['key'] ?? null) !== $key));
            if (count($left) < count($topics)) {
                $found = true;
                $steps[$n]['topics'] = $left;
            }
        }

        return $found ? ScriptDocument::fromArray(['steps' => $steps] + $data) : null;
    }

    /** @param array<string, mixed> $data */
    private function rule(array $data, string $key): ?ScriptDocument
    {
        $transfers = is_array($data['transfers'] ?? null) ? $data['transfers'] : [];
        $rules = is_array($transfers['rules'] ?? null) ? $transfers['rules'] : [];
        $left = array_values(array_filter($rules, static fn (mixed $rule): bool => ! is_array($rule) || ($rule['key'] ?? null) !== $key));

        return count($left) === count($rules) ? null : ScriptDocument::fromArray(['transfers' => ['rules' => $left] + $transfers] + $data);
    }

    /** @param array<string, mixed> $data */
    private function greeting(array $data, string $key): ?ScriptDocument
    {
        $agent = is_array($data['agent'] ?? null) ? $data['agent'] : [];
        $greetings = is_array($agent['greeting'] ?? null) ? $agent['greeting'] : [];
        if (! isset($greetings[$key])) {
            return null;
        }
        unset($greetings[$key]);
        $agent = $greetings === [] ? array_diff_key($agent, ['greeting' => 1]) : ['greeting' => $greetings] + $agent;

        return ScriptDocument::fromArray(['agent' => $agent] + $data);
    }
}
