<?php

declare(strict_types=1);

namespace App\Support\Book;

use Ringo\Script\Script;
use Ringo\Script\Spine;
use Ringo\Script\Steps\AskStep;
use Ringo\Script\Steps\BranchStep;
use Ringo\Script\Steps\ChooseStep;
use Ringo\Script\Steps\FinishStep;
use Ringo\Script\Steps\ListenStep;
use Ringo\Script\Steps\NoteStep;
use Ringo\Script\Steps\SendStep;
use Ringo\Script\Steps\Step;
use Ringo\Script\Steps\TransferStep;
use Ringo\Script\Steps\VerifyStep;
use Ringo\Script\WayOut;
use Ringo\Speech\Timing;

/**
 * The lines of the prompt book: for each step what is said, what the caller may answer and where that leads.
 *
 * @phpstan-type Answer array{key: ?string, words: string, kind: string, to: ?string, more?: string}
 */
final readonly class PromptRows
{
    private Timing $timing;

    public function __construct(private Script $script, private Spine $spine)
    {
        $this->timing = new Timing;
    }

    /** @return list<array{step: Step, texts: list<string>, answers: list<Answer>, field: ?string, seconds: ?float, spine: array<string, mixed>, next: ?string, scene: ?string}> */
    public function rows(): array
    {
        $keys = array_keys($this->script->steps);
        $rows = [];
        foreach ($keys as $i => $key) {
            $step = $this->script->step($key);
            $texts = $step->prompt() === null || $step->prompt()->isEmpty() ? [] : $step->prompt()->variants;
            $spoken = array_map(static fn (string $text): string => (string) preg_replace('/\[[^\]|]*(?:\|([^\]]*))?\]/', '$1 something', $text), $texts);
            $rows[] = [
                'step' => $step,
                'texts' => array_values($texts),
                'answers' => $this->answers($step),
                'field' => $step instanceof AskStep || $step instanceof ChooseStep ? $step->field : null,
                'seconds' => $spoken === [] ? null : max(array_map(fn (string $text): float => $this->timing->ofAgent($text, $this->script->agent->voice['pace']), $spoken)),
                'spine' => $this->spine->rows[$i],
                'next' => isset($keys[$i + 1]) ? (string) $keys[$i + 1] : null,
                'scene' => $this->script->scenes[$key] ?? null,
            ];
        }

        return $rows;
    }

    /** @return list<Answer> */
    private function answers(Step $step): array
    {
        return match (true) {
            $step instanceof AskStep => $this->asked($step),
            $step instanceof ChooseStep => [
                ...array_map(static fn (array $option): array => ['key' => $option['digit'], 'words' => implode(', ', array_unique([$option['label'], ...$option['phrases']])), 'kind' => 'said', 'to' => $option['next']], $step->options),
                ...($step->repeatKey === null ? [] : [['key' => $step->repeatKey, 'words' => 'says it again', 'kind' => 'rule', 'to' => null]]),
                ...$this->wayOut($step->wayOut, $step->tries, 'nothing chosen'),
            ],
            $step instanceof ListenStep => [
                ...array_map(static fn (array $topic): array => ['key' => null, 'words' => $topic['label'], 'more' => ($topic['phrases'] === [] ? '' : '“'.implode('”, “', array_slice($topic['phrases'], 0, 2)).'”').($topic['urgent'] ? ', urgent, from anywhere' : ($topic['anywhere'] ? ', from anywhere' : '')), 'kind' => 'said', 'to' => $topic['next']], $step->topics),
                ...($step->nothing === null ? [] : [['key' => null, 'words' => '“no, that’s all”', 'kind' => 'said', 'to' => $step->nothing]]),
                ...$this->wayOut($step->wayOut, $step->tries, 'none of these'),
            ],
            $step instanceof BranchStep => [
                ...array_map(static fn (array $way): array => ['key' => null, 'words' => 'if '.$way['when']->inWords(), 'kind' => 'rule', 'to' => $way['next']], $step->ways),
                ['key' => null, 'words' => 'otherwise', 'kind' => 'rule', 'to' => $step->otherwise],
            ],
            $step instanceof FinishStep => [['key' => null, 'words' => 'hangs up'.($step->outcome === null ? '' : '; outcome: '.$step->outcome), 'kind' => 'rule', 'to' => null]],
            $step instanceof SendStep => [
                ['key' => null, 'words' => ['text' => 'a text', 'email' => 'an e-mail', 'web' => 'a web request'][$step->by].' to '.$step->to, 'more' => '“'.\Illuminate\Support\Str::limit($step->words->variants[0], 90).'”', 'kind' => 'rule', 'to' => $step->next],
                ...($step->otherwise === null ? [] : [['key' => null, 'words' => 'nobody to send to', 'kind' => 'rule', 'to' => $step->otherwise]]),
            ],
            $step instanceof VerifyStep => [
                ['key' => null, 'words' => ['postcode' => 'the postcode on file', 'pin' => 'the PIN', 'birth_date' => 'the date of birth', 'code' => 'a code sent to the number on file'][$step->by], 'kind' => 'said', 'to' => $step->next],
                ['key' => null, 'words' => 'nothing on file to check', 'kind' => 'rule', 'to' => $step->failed],
                ['key' => null, 'words' => "wrong {$step->tries} times", 'kind' => 'rule', 'to' => $step->locked],
            ],
            $step instanceof TransferStep => [
                ['key' => null, 'words' => $step->to === null ? 'whoever the transfer rules say' : 'to '.str_replace(':', ' ', $step->to), 'kind' => 'rule', 'to' => null],
                ['key' => null, 'words' => 'nobody can take it', 'kind' => 'rule', 'to' => $step->otherwise],
                ...($step->promised === null ? [] : [['key' => null, 'words' => 'a call-back is promised', 'kind' => 'rule', 'to' => $step->promised]]),
            ],
            $step instanceof NoteStep => [['key' => null, 'words' => $this->noted($step), 'kind' => 'rule', 'to' => $step->next]],
            default => array_map(static fn (array $exit): array => ['key' => null, 'words' => 'goes straight on', 'kind' => 'rule', 'to' => $exit['to']], $step->exits()),
        };
    }

    /** @return list<Answer> */
    private function asked(AskStep $step): array
    {
        $field = $this->script->sheet->field($step->field);
        $example = $field === null ? '' : ($field->options !== []
            ? implode(', ', array_slice(array_column($field->options, 'label'), 0, 3)).(count($field->options) > 3 ? ' …' : '')
            : ($field->example ?? ['yes_no' => 'yes, no'][$field->type->value] ?? 'their own words'));
        $answers = [['key' => null, 'words' => $example, 'kind' => 'said', 'to' => $step->next]];
        $rules = [];
        $rules[] = ['never' => 'not read back', 'unsure' => 'read back when unsure', 'always' => 'always read back', 'spelled' => 'spelled back', 'digits' => 'read back in groups'][$step->confirm];
        if ($step->known === 'check') {
            $rules[] = '“is it still …?” when known';
        }
        if ($step->required) {
            $rules[] = 'required';
        }
        $answers[] = ['key' => null, 'words' => implode(', ', $rules), 'kind' => 'rule', 'to' => null];

        return [...$answers, ...$this->wayOut($step->wayOut, $step->tries, 'cannot say')];
    }

    /** @return list<Answer> */
    private function wayOut(WayOut $way, int $tries, string $what): array
    {
        return match ($way->then) {
            'go' => [['key' => null, 'words' => "{$what}, {$tries} times", 'kind' => 'rule', 'to' => $way->step]],
            'finish' => [['key' => null, 'words' => "{$what}, {$tries} times: ends, {$way->outcome}", 'kind' => 'rule', 'to' => null]],
            default => [],
        };
    }

    private function noted(NoteStep $step): string
    {
        $parts = [];
        if ($step->outcome !== null) {
            $parts[] = 'outcome: '.$step->outcome;
        }
        if ($step->tag !== null) {
            $parts[] = 'tag: '.$step->tag;
        }
        foreach ($step->set as $field => $value) {
            $parts[] = "{$field} becomes ".(is_scalar($value) ? (string) $value : 'set');
        }
        if ($step->forget !== []) {
            $parts[] = 'forgets '.implode(', ', $step->forget);
        }

        return implode('; ', $parts);
    }
}
