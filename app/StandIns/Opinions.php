<?php

declare(strict_types=1);

namespace App\StandIns;

/**
 * A made-up language model server: it answers from a table of what it holds against the question, in the shape of a chat completion.
 *
 * It can be told to answer another shape, or to quote words that are not there; slow, failing and nonsense are for every stand-in.
 */
final readonly class Opinions implements System
{
    public function called(): string
    {
        return 'the stand-in adviser';
    }

    public function token(): ?string
    {
        return null;
    }

    public function data(\DateTimeImmutable $today): array
    {
        return ['answers' => [
            ['where' => 'the thing you sent us is no good', 'choice' => 'breakdown'],
            ['where' => 'the lorry has not been', 'choice' => 'delivery'],
            ['where' => 'what I owe and the digger', 'choice' => 'person'],
            ['where' => 'what if I break it', 'choice' => 's1'],
            ['where' => 'pay later', 'choice' => 's2'],
            ['where' => 'packed up again', 'choice' => 'm1'],
        ]];
    }

    public function answer(string $method, string $path, array $query, array $body, array $data): array
    {
        $asked = $body['messages'][1]['content'] ?? null;
        if ($method !== 'POST' || $path !== '/v1/chat/completions' || ! is_string($asked)) {
            return [404, ['error' => ['message' => 'There is nothing here']]];
        }
        $content = json_encode($this->opinion($asked, $body, $data), JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR);

        return [200, ['id' => 'stand-in', 'object' => 'chat.completion', 'model' => $body['model'] ?? '', 'choices' => [['index' => 0, 'finish_reason' => 'stop', 'message' => ['role' => 'assistant', 'content' => $content]]], 'usage' => ['prompt_tokens' => intdiv(strlen((string) json_encode($body['messages'])), 4), 'completion_tokens' => 8]]];
    }

    /**
     * @param array<string, mixed> $body
     * @param array<string, mixed> $data
     *
     * @return array<string, string>
     */
    private function opinion(string $asked, array $body, array $data): array
    {
        $quotes = isset($body['response_format']['json_schema']['schema']['properties']['quote']);
        if (($data['behaves'] ?? '') === 'shapeless') {
            return ['choice' => 'whatever you like', 'say' => 'We are closed for ever.'];
        }
        if (($data['behaves'] ?? '') === 'invents') {
            return $quotes ? ['quote' => 'words that nobody said'] : ['choice' => 'a choice that was not given'];
        }
        foreach (is_array($data['answers'] ?? null) ? $data['answers'] : [] as $one) {
            if (stripos($asked, (string) $one['where']) !== false && isset($one[$quotes ? 'quote' : 'choice'])) {
                return [$quotes ? 'quote' : 'choice' => (string) $one[$quotes ? 'quote' : 'choice']];
            }
        }

        return $quotes ? ['quote' => ''] : ['choice' => 'none'];
    }

    public function describes(): array
    {
        return ['openapi' => '3.1.0', 'info' => ['title' => 'Stand-in adviser', 'version' => '1.0'], 'servers' => [['url' => 'https://adviser.ringo.example']], 'paths' => ['/v1/chat/completions' => ['post' => ['operationId' => 'complete', 'summary' => 'Completes a chat', 'responses' => ['200' => ['description' => 'A completion']]]]]];
    }
}
