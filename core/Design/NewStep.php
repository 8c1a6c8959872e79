<?php

declare(strict_types=1);

namespace Ringo\Design;

/** What a step of each kind looks like before anybody has written in it. Blanks to fill stand in braces, and the inspection finds them. */
final readonly class NewStep
{
    /**
     * @param array<string, mixed> $data the document, to which an ask may add a field
     *
     * @return array{array<string, mixed>, array<string, mixed>} the step, and the document
     */
    public function of(string $kind, string $key, string $next, array $data): array
    {
        $step = ['key' => $key, 'kind' => $kind];

        return match ($kind) {
            'ask' => $this->ask($step, $next, $data),
            'choose' => [$step + ['prompt' => '{what may the caller choose?}', 'options' => [
                ['key' => 'first', 'label' => '{first option}', 'phrases' => [], 'digit' => '1', 'next' => $next],
                ['key' => 'second', 'label' => '{second option}', 'phrases' => [], 'digit' => '2', 'next' => $next],
            ], 'repeat_key' => '9'], $data],
            'listen' => [$step + ['prompt' => 'How can I help?', 'topics' => [['key' => 'topic', 'label' => '{topic}', 'description' => '{what callers want, in plain words}', 'next' => $next]]], $data],
            'branch' => [$step + ['ways' => [], 'otherwise' => $next], $data],
            'note' => [$step + ['outcome' => '{outcome}', 'next' => $next], $data],
            'send' => [$step + ['by' => 'text', 'to' => 'caller.number', 'words' => '{what is sent}', 'next' => $next], $data],
            'verify' => [$step + ['by' => 'postcode', 'prompt' => 'What is the postcode of your address?', 'tries' => 3, 'next' => $next, 'failed' => $next, 'locked' => $next], $data],
            'transfer' => [$step + ['otherwise' => $next], $data],
            'finish' => [$step + ['prompt' => 'Thank you for calling. Goodbye.', 'outcome' => '{outcome}'], $data],
            default => [['kind' => 'say'] + $step + ['prompt' => '{what is said}', 'next' => $next], $data],
        };
    }

    /**
     * @param array<string, mixed> $step
     * @param array<string, mixed> $data
     *
     * @return array{array<string, mixed>, array<string, mixed>}
     */
    private function ask(array $step, string $next, array $data): array
    {
        $asked = array_column($data['steps'] ?? [], 'field');
        foreach (array_keys($data['sheet']['properties'] ?? []) as $field) {
            if (! in_array($field, $asked, true)) {
                return [$step + ['field' => $field, 'prompt' => '{the question}', 'next' => $next], $data];
            }
        }
        $name = 'answer';
        for ($n = 2; isset($data['sheet']['properties'][$name]); $n++) {
            $name = 'answer_'.$n;
        }
        $data['sheet'] = ($data['sheet'] ?? []) + ['type' => 'object'];
        $data['sheet']['properties'][$name] = ['type' => 'string', 'title' => ucfirst(str_replace('_', ' ', $name))];

        return [$step + ['field' => $name, 'prompt' => '{the question}', 'next' => $next], $data];
    }
}
