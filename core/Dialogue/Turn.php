<?php

declare(strict_types=1);

namespace Ringo\Dialogue;

use Ringo\Advice\Blackout;
use Ringo\Advice\Doubt;
use Ringo\Advice\Purpose;
use Ringo\Dialogue\Actions\Action;
use Ringo\Dialogue\Actions\End;
use Ringo\Dialogue\Actions\Send;
use Ringo\Dialogue\Actions\Speak;
use Ringo\Script\Script;
use Ringo\Script\Steps\Ask\AskStep;
use Ringo\Script\Steps\Step;
use Ringo\Sheet\Field;
use Ringo\Speech\Display;
use Ringo\Speech\Locale;
use Ringo\Speech\Prompt;
use Ringo\Speech\Speakable;
use Ringo\Speech\Ssml;
use Ringo\Speech\Timing;
use Ringo\Understanding\Context;
use Ringo\Understanding\Reading;
use Ringo\Value\Typed;

/**
 * One step of a call while it is worked out: the state being changed, the actions so far and the trace.
 *
 * @internal to the engine
 */
final class Turn
{
    /** Standing phrases that are an apology: no turn holds two. */
    private const APOLOGIES = ['apologise', 'not_told', 'sorry_to_hear', 'polite'];

    /** Standing phrases that thank or regret: not said before a line that begins so itself. */
    private const COURTESIES = ['acknowledge', 'acknowledge_words', 'sorry_to_hear', 'apologise'];

    /** @var list<Action> */
    public array $actions = [];

    /** The courtesy said last, and where it stands among the actions. */
    private ?int $courtesy = null;

    /** Whether an apology was said in this turn; one is enough. */
    private bool $apologised = false;

    private ?Scope $scope = null;

    /** Seconds into the call at which the scope was made: it knows what time it is. */
    private int|float $scopeAt = 0;

    /** Transcript turn of the words being answered. */
    public ?int $callerTurn = null;

    public function __construct(
        public readonly Script $script,
        public readonly CallState $state,
        public readonly Trace $trace,
        private readonly Phrasebook $phrases,
        private readonly Speakable $speakable,
        private readonly Display $display,
        private readonly Timing $timing,
        private readonly Ssml $ssml,
        public readonly Counsel $counsel = new Counsel,
    ) {
    }

    /** The same turn on another state: what is done there can be thrown away. */
    public function on(CallState $state): self
    {
        $turn = new self($this->script, $state, $this->trace, $this->phrases, $this->speakable, $this->display, $this->timing, $this->ssml, $this->counsel);
        $turn->actions = $this->actions;
        $turn->callerTurn = $this->callerTurn;

        return $turn;
    }

    /** The step a call begins with: the one the line says, where the script has it, else the script's first. */
    public function first(): string
    {
        return $this->state->opening !== null && isset($this->script->steps[$this->state->opening]) ? $this->state->opening : $this->script->first;
    }

    /** The step the call stands at. */
    public function step(): ?Step
    {
        return $this->state->step === null ? null : ($this->script->steps[$this->state->step] ?? null);
    }

    /** The step that asked for a field last, or the first that would. */
    public function asking(string $field): ?AskStep
    {
        $step = $this->script->steps[$this->state->askedAt[$field] ?? ''] ?? null;

        return $step instanceof AskStep ? $step : $this->script->asking($field);
    }

    /** What a reader must know where nothing in particular is asked. */
    public function plain(): Context
    {
        return new Context($this->scope()->now, $this->script->agent->country);
    }

    /**
     * What an adviser makes of the words just heard: one of the choices; null where nobody is asked, or nothing may be used.
     *
     * @param array<string, string> $choices key => what it means
     *
     * @throws Doubted where it is to be asked first
     */
    public function advised(Purpose $purpose, string $about, array $choices): ?string
    {
        if ($this->trace->masked || $this->trace->heard === '' || count($choices) === 0) {
            return null;
        }
        $kept = [];
        foreach ($this->state->values as $key => $held) {
            if ($this->script->sheet->field($key)->ownersOnly ?? false) {
                array_push($kept, $held->said, is_scalar($held->value) ? (string) $held->value : '');
            }
        }
        $asked = $this->step();
        foreach ($asked?->asks() ?? [] as $key) {
            if ($this->script->sheet->field($key)->ownersOnly ?? false) {
                return null;
            }
        }
        $black = new Blackout;
        $choice = $this->counsel->on(new Doubt($purpose, $black->of($about, $kept), $black->of($this->trace->heard, $kept), array_map(static fn (string $label): string => $black->of($label, $kept), $choices)));
        $rule = $choice === null ? '' : "by the adviser, from “{$this->trace->heard}”: ".mb_strimwidth($choices[$choice], 0, 80, '…');
        if ($rule !== '' && ! in_array($rule, $this->trace->rules, true)) {
            $this->trace->rule($rule);
        }

        return $choice;
    }

    /** Says the last words again, whole. */
    public function repeat(): void
    {
        $words = $this->state->lastSpoken !== '' ? $this->state->lastSpoken : $this->state->lastQuestion;
        foreach (array_filter($this->phrases->variants('repeat_lead')) as $lead) {
            // Asked for twice, the words are led in once.
            $words = str_starts_with($words, $lead.' ') ? substr($words, strlen($lead) + 1) : $words;
        }
        $this->speak(trim($this->phrase('repeat_lead').' '.$words), $this->state->step);
    }

    /** @param list<string> $items */
    public function listed(array $items, string $or = 'or'): string
    {
        $last = array_pop($items);

        return $items === [] ? (string) $last : implode(', ', $items).' '.$or.' '.$last;
    }

    public function scope(): Scope
    {
        if ($this->scope === null || $this->scopeAt !== $this->state->clock) {
            $this->scope = new Scope($this->script, $this->state, $this->speakable, $this->display);
            $this->scopeAt = $this->state->clock;
        }

        return $this->scope;
    }

    public function locale(): Locale
    {
        return $this->scope()->locale;
    }

    /** Speaks a line; an empty one is not spoken. */
    public function speak(string $text, ?string $step = null, bool $question = false): void
    {
        $text = $this->allowed(trim($text));
        if ($text === '') {
            return;
        }
        if ($this->courtesy !== null && $this->courtesy === array_key_last($this->actions) && $this->courtesyAgain($text)) {
            array_pop($this->actions);
        }
        $agent = $this->script->agent;
        $pace = $agent->voice['pace'] * $this->state->pace;
        $this->actions[] = new Speak($text, $this->ssml->of($text, $agent->language.'-'.$agent->country, $pace, $agent->voice['pitch']), $this->timing->ofAgent($text, $pace), true, $step);
        if ($question) {
            $this->state->lastQuestion = $text;
        }
    }

    /** Speaks one of a prompt's variants, never the one said last. */
    public function prompt(Prompt $prompt, string $step, bool $question = false): void
    {
        $scope = $this->scope();
        $this->speak($prompt->filled($this->variant($step, count($prompt->variants)), $scope->words(...)), $step, $question);
    }

    /** @param array<string, string> $with words for the phrase's own placeholders */
    public function standing(string $name, array $with = [], bool $question = false): void
    {
        if (in_array($name, self::APOLOGIES, true)) {
            if ($this->apologised) {
                return;
            }
            $this->apologised = true;
        }
        $before = count($this->actions);
        $this->speak($this->phrase($name, $with), $this->state->step, $question);
        if (in_array($name, self::COURTESIES, true) && count($this->actions) > $before) {
            $this->courtesy = $before;
        }
    }

    /** Whether a line begins with the courtesy that was just said: 'Thanks. Thank you, I have noted it.' */
    private function courtesyAgain(string $text): bool
    {
        $said = $this->actions[$this->courtesy ?? -1] ?? null;
        $begins = fn (string $line): ?string => $this->phrases->courtesy($line);

        return $said instanceof Speak && $begins($said->text) !== null && $begins($said->text) === $begins($text);
    }

    /** @param array<string, string> $with */
    public function phrase(string $name, array $with = []): string
    {
        $own = $this->script->standing->words[$name] ?? null;
        // Nobody who was rung is thanked for calling.
        $name = $name === 'goodbye' && $this->script->agent->direction === 'outbound' ? 'goodbye_outbound' : $name;
        $variants = $own !== null ? [$own] : $this->phrases->variants($name);
        $scope = $this->scope();
        $prompt = Prompt::of(array_map(static fn (string $variant): string => $variant === '' ? ' ' : $variant, $variants));
        $index = $this->variant('standing.'.$name, count($variants));
        if (trim($variants[$index]) === '') {
            return '';
        }

        return $prompt->variants === [''] ? '' : Prompt::of($variants[$index])->filled(0, static fn (string $path): ?string => $with[$path] ?? $scope->words($path));
    }

    /** Which variant to use: decided by the call's seed, and never the same twice running. */
    public function variant(string $key, int $count): int
    {
        if ($count < 2) {
            return 0;
        }
        $last = $this->state->variants[$key] ?? null;
        $index = $last === null
            ? crc32($this->state->seed.'|'.$key) % $count
            : ($last + 1 + crc32($this->state->seed.'|'.$key.'|'.$last) % ($count - 1)) % $count;
        $this->state->variants[$key] = $index;

        return $index;
    }

    public function spoken(Field $field, mixed $value): string
    {
        return $this->speakable->say($field->typed($value), $this->locale());
    }

    public function sayTyped(Typed $typed): string
    {
        return $this->speakable->say($typed, $this->locale());
    }

    public function spelled(Field $field, mixed $value): string
    {
        return $this->speakable->spelled($field->typed($value), $this->locale());
    }

    public function shown(Field $field, mixed $value): string
    {
        return $value === null ? '' : $this->display->show($field->typed($value));
    }

    public function considered(Field $field, Reading $reading, bool $taken, string $why): void
    {
        $this->trace->reading($field->key, $field->type->value, $reading, $this->shown($field, $reading->value), $taken, $why);
    }

    /** Keeps a value and notes the change. */
    public function hold(Field $field, Held $held): void
    {
        $before = $this->state->values[$field->key] ?? null;
        $this->state->values[$field->key] = $held;
        $this->state->declined = array_values(array_diff($this->state->declined, [$field->key]));
        unset($this->state->parts[$field->key]);
        if ($before === null || $before->value !== $held->value || $before->confirmed !== $held->confirmed) {
            $this->trace->changes[] = ['field' => $field->key, 'from' => $before?->value, 'to' => $held->value, 'display' => $this->shown($field, $held->value), 'origin' => $held->origin->value];
        }
    }

    public function forget(string $field): void
    {
        $before = $this->state->values[$field] ?? null;
        if ($before !== null) {
            $this->state->former[$field] = $before;
        }
        unset($this->state->parts[$field]);
        unset($this->state->values[$field]);
        if ($before !== null) {
            $this->trace->changes[] = ['field' => $field, 'from' => $before->value, 'to' => null, 'display' => '', 'origin' => 'forgotten'];
        }
    }

    public function send(Send $send): void
    {
        $this->actions[] = $send;
        $this->state->sent[] = ['by' => $send->by, 'to' => $send->to, 'subject' => $send->subject, 'text' => $send->text, 'file' => $send->file, 'step' => $send->step, 'turn' => $this->state->turns];
        $this->trace->rule("sends by {$send->by}".($send->secret ? ' to the number on file' : " to {$send->to}"));
    }

    public function end(string $outcome): void
    {
        $this->keepTheRest();
        $this->state->outcome = $outcome;
        $this->state->ended = true;
        $this->state->step = null;
        $this->actions[] = new End($outcome);
    }

    /** A field that takes the rest is filled from what no question has used. */
    private function keepTheRest(): void
    {
        foreach ($this->script->sheet->fields as $field) {
            if ($field->takesRest && ! isset($this->state->values[$field->key]) && $this->state->unused !== []) {
                $this->hold($field, new Held(implode('. ', array_unique($this->state->unused)), 0.7, Origin::Volunteered, $this->callerTurn, $this->state->unused[0]));
            }
        }
    }

    public function hasSpoken(): bool
    {
        return array_filter($this->actions, static fn (Action $action): bool => $action instanceof Speak) !== [];
    }

    /** Leaves out sentences with words that must not be said. */
    private function allowed(string $text): string
    {
        $never = $this->script->standing->neverSay;
        if ($never === [] || $text === '') {
            return $text;
        }
        $sentences = preg_split('/(?<=[.!?…])\s+/u', $text) ?: [$text];

        return implode(' ', array_filter($sentences, static function (string $sentence) use ($never): bool {
            foreach ($never as $word) {
                if ($word !== '' && mb_stripos($sentence, $word) !== false) {
                    return false;
                }
            }

            return true;
        }));
    }

    /** The caller said or pressed something: a turn of theirs, and an end to silence. */
    public function heardSomething(): void
    {
        $state = $this->state;
        $this->callerTurn = $state->turns;
        $state->turns++;
        $state->heard++;
        $state->silences = 0;
        $state->quiet = 0;
        $state->holding = false;
    }
}
