<?php

declare(strict_types=1);

namespace Ringo\Script;

use Ringo\Document\Node;
use Ringo\Speech\Prompt;

/**
 * When a live call is handed over, to whom, how it is announced, and what happens if nobody answers. The first rule whose condition
 * holds decides.
 *
 * A target is written `team:accounts`, `person:nell`, `number:+441632960100`, `fit` (the team that fits what was said), `call_back`
 * (promised for a time that suits) or `step:message` (back into the script).
 *
 * @phpstan-type Rule array{key: string, when: ?Condition, urgent: bool, words: list<string>, to: string, how: string, say: ?Prompt, otherwise: list<string>}
 */
final readonly class TransferRules
{
    /**
     * @param list<Rule> $rules
     * @param string $default target where no rule holds, or nothing fits
     * @param ?Prompt $waiting said while it rings on
     */
    public function __construct(public array $rules = [], public string $default = '', public ?Prompt $waiting = null)
    {
    }

    public static function read(Node $node): self
    {
        $rules = [];
        foreach ($node->children('rules') as $one) {
            $to = $one->string('to');
            self::check($one, 'to', $to, true);
            $otherwise = $one->strings('otherwise');
            foreach ($otherwise as $i => $target) {
                self::check($one, "otherwise[{$i}]", $target, false);
            }
            $rules[] = [
                'key' => $one->string('key'), 'when' => $one->has('when') ? Condition::read($one->child('when')) : null, 'urgent' => $one->flag('urgent', false), 'words' => $one->strings('words'),
                'to' => $to, 'how' => $one->oneOf('how', ['announced', 'straight'], 'announced'), 'say' => $one->has('say') ? Prompt::of($one->text('say')) : null, 'otherwise' => $otherwise,
            ];
            $one->noMore();
        }
        $default = $node->optional('default') ?? '';
        if ($default !== '') {
            self::check($node, 'default', $default, false);
        }
        $rules = new self($rules, $default, $node->has('waiting') ? Prompt::of($node->text('waiting')) : null);
        $node->noMore();

        return $rules;
    }

    public function given(): bool
    {
        return $this->rules !== [] || $this->default !== '';
    }

    /** @return list<string> steps of the script that rules lead to */
    public function steps(): array
    {
        $steps = [];
        foreach ([$this->default, ...array_merge(...array_map(static fn (array $rule): array => [$rule['to'], ...$rule['otherwise']], $this->rules), ...[[]])] as $target) {
            if (str_starts_with($target, 'step:')) {
                $steps[] = substr($target, 5);
            }
        }

        return array_values(array_unique($steps));
    }

    private static function check(Node $node, string $key, string $target, bool $fit): void
    {
        if (preg_match('/^(?:(?:team|person|step):[a-z][a-z0-9_-]*|number:\+[1-9]\d{6,14}|call_back'.($fit ? '|fit' : '').')$/', $target) !== 1) {
            $node->problem($key, "“{$target}” is no target; write team:, person: or step: with a name, number: with + and country code, call_back".($fit ? ', or fit' : ''));
        }
    }
}
