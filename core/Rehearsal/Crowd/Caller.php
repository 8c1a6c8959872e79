<?php

declare(strict_types=1);

namespace Ringo\Rehearsal\Crowd;

use Ringo\Dialogue\CallState;
use Ringo\Dialogue\Mode;
use Ringo\Rehearsal\Input;
use Ringo\Script\Script;
use Ringo\Script\Steps\Ask\AskStep;
use Ringo\Script\Steps\Book\BookStep;
use Ringo\Script\Steps\Choose\ChooseStep;
use Ringo\Script\Steps\Listen\ListenStep;
use Ringo\Script\Steps\LookUp\LookUpStep;
use Ringo\Script\Steps\Step;
use Ringo\Script\Steps\Verify\VerifyStep;
use Ringo\Sheet\Field;
use Ringo\Value\ValueType;

/**
 * A stand-in caller in a call: what they do next, given what they are asked.
 *
 * They know what was asked (the step, and what is read back), answer from what is true of them, and behave as they are minded.
 */
final class Caller
{
    /** Whoever has gone on for so long has had enough. */
    private const MOST_TURNS = 45;

    /** Values told before they are asked for, in one breath. */
    private const AT_ONCE = 2;

    private readonly Dice $dice;

    private readonly Ahead $ahead;

    /** @var array<string, int> how often each question was put */
    private array $asked = [];

    /** @var array<string, mixed> what is true now; a mind may change */
    public array $truth;

    /** What made them hang up; null where nothing did. */
    public ?string $gaveUp = null;

    /** The step at which they did. */
    public ?string $gaveUpAt = null;

    /** Questions put to them again. */
    public int $repeats = 0;

    private int $turns = 0;

    private int $asides = 0;

    private int $openings = 0;

    private bool $changed = false;

    public function __construct(private readonly StandIn $who, private readonly Script $script, private readonly \DateTimeImmutable $now, private readonly Phrases $phrases, private readonly Sayings $sayings, private readonly NoisyLine $line, private readonly Aim $aim)
    {
        $this->dice = new Dice($who->seed);
        $this->truth = $who->truth;
        $this->ahead = new Ahead($script, $now, $phrases, $sayings);
    }

    /** @return ?Input null hangs up */
    public function next(CallState $state): ?Input
    {
        $this->turns++;
        if ($this->turns > self::MOST_TURNS) {
            return $this->leaves('went on too long', $state);
        }
        // What day, which of the times and 'shall I put you in' are three questions of one step.
        $going = $state->booking === null ? '' : '|'.$state->booking['asks'].($state->booking['held'] === null ? ($state->booking['offered'] === [] ? '' : 'offered') : 'held');
        $question = $state->mode->value.'|'.$state->step.'|'.implode(',', $state->pending).$going;
        if ($state->mode !== Mode::Ringing && ! ($this->script->steps[$state->step ?? ''] ?? null) instanceof ListenStep) {
            $times = $this->asked[$question] = ($this->asked[$question] ?? 0) + 1;
            $this->repeats += $times > 1 ? 1 : 0;
            if ($times > $this->who->temper->patience()) {
                return $this->leaves('asked the same too often', $state);
            }
        }
        $aside = $this->aside($state, $question);
        if ($aside !== null) {
            return $aside;
        }

        return match ($state->mode) {
            Mode::Ringing => new Input('answered'),
            Mode::Connected => null,
            Mode::Confirm => $this->confirms($state),
            Mode::Clarify => $this->says($this->openings > 0 && $this->aim->reached($state, $this->now) ? $this->phrases->one($this->dice, 'done') : $this->which($state)),
            Mode::WhichTeam => $this->says($this->which($state)),
            Mode::Identify => $this->says((string) ($this->truth[$this->nameField()] ?? 'it is me')),
            Mode::Recent => $this->says($this->phrases->one($this->dice, 'no')),
            Mode::CallBack => $this->says($this->phrases->one($this->dice, 'first')),
            default => $this->answers($state),
        };
    }

    private function leaves(string $why, CallState $state): null
    {
        $this->gaveUp = $why;
        $this->gaveUpAt = $state->step;

        return null;
    }

    /** What a temper does instead of answering. */
    private function aside(CallState $state, string $question): ?Input
    {
        $step = $this->script->steps[$state->step ?? ''] ?? null;
        // Where any words are an answer, words about something else would be one too.
        $anything = $step instanceof AskStep && $this->script->sheet->field($step->field)?->type === ValueType::Text;
        $open = $state->mode === Mode::Answer && $step !== null && $this->openings > 0 && ! $anything;
        if (! $open || $this->asides >= 2 || ! $this->dice->falls(0.3)) {
            return null;
        }
        $made = match ($this->who->temper) {
            Temper::Asks => $this->says($this->phrases->one($this->dice, 'side_questions')),
            Temper::OffTopic => $this->says($this->phrases->one($this->dice, 'off_topic')),
            Temper::Cross => ($this->asked[$question] ?? 0) > 1 ? $this->says($this->phrases->one($this->dice, 'cross')) : null,
            Temper::Silent => new Input('silence'),
            Temper::HardOfHearing => $this->says($this->phrases->one($this->dice, 'again')),
            Temper::ChangesMind => $this->changesMind($state),
            default => null,
        };
        if ($made !== null) {
            $this->asides++;
            // What they did themselves is no fault of the question.
            $this->asked[$question] = max(0, ($this->asked[$question] ?? 1) - 1);
        }

        return $made;
    }

    private function changesMind(CallState $state): ?Input
    {
        foreach ($this->changed ? [] : array_keys($state->values) as $key) {
            $field = $this->script->sheet->field((string) $key);
            if ($field !== null && isset($this->truth[$key]) && in_array($field->type->value, ['date', 'duration', 'choice', 'number'], true) && ($state->values[$key]->value ?? null) === $this->truth[$key]) {
                $new = (new Facts($this->phrases))->value($field, $this->script, $this->now, $this->dice, '');
                if ($new !== null && $new !== $this->truth[$key]) {
                    $this->changed = true;
                    $this->truth[$key] = $new;

                    return $this->says($this->phrases->one($this->dice, 'mind', ['it' => $this->sayings->of($field, $new, $this->now, $this->dice)]));
                }
            }
        }

        return null;
    }

    private function answers(CallState $state): Input
    {
        $step = $this->script->steps[$state->step ?? ''] ?? null;

        return match (true) {
            $step instanceof ListenStep => $this->atListen($state, $step),
            $step instanceof ChooseStep => $this->chooses($step),
            $step instanceof AskStep => $this->gives($this->script->sheet->field($step->field), $state),
            $step instanceof BookStep => $this->books($state),
            $step instanceof LookUpStep => ($state->errand['field'] ?? null) !== null ? $this->gives($this->script->sheet->field((string) $state->errand['field']), $state) : $this->says($this->phrases->one($this->dice, 'first')),
            $step instanceof VerifyStep => $this->says($this->phrases->one($this->dice, 'unknown')),
            $step === null => $this->says($this->opening()),
            default => $this->other($state, $step),
        };
    }

    private function atListen(CallState $state, ListenStep $step): Input
    {
        $came = $this->openings > 0 && ($this->who->temper === Temper::WantsPerson || $this->who->topic === null || $this->aim->reached($state, $this->now));
        if ($came) {
            return $this->says($this->phrases->one($this->dice, 'done'));
        }
        if ($this->openings >= 3) {
            return $this->says($this->phrases->one($this->dice, 'lets_go'));
        }
        $this->repeats += $this->openings > 0 ? 1 : 0;

        return $this->says($this->opening());
    }

    private function opening(): string
    {
        $n = $this->openings++;
        if ($this->who->temper === Temper::WantsPerson || $this->who->openings === []) {
            return $this->phrases->one($this->dice, $this->who->temper === Temper::WantsPerson ? 'person' : 'yes');
        }
        $words = $this->who->openings[min($n, count($this->who->openings) - 1)];

        return match ($this->who->temper) {
            Temper::Talkative => $words.', '.$this->phrases->one($this->dice, 'chatter'),
            Temper::TellsAhead => $n === 0 ? $words.$this->ahead->words($this->leads(), $this->truth, [], self::AT_ONCE, $this->dice) : $words,
            default => $words,
        };
    }

    /** Where their topic leads. */
    private function leads(): ?string
    {
        foreach ($this->script->steps as $step) {
            if ($this->who->topic !== null && $step instanceof ListenStep && ($topic = $step->topic($this->who->topic)) !== null) {
                return $topic['next'];
            }
        }

        return null;
    }

    private function chooses(ChooseStep $step): Input
    {
        $wanted = $step->field === null ? null : ($this->truth[$step->field] ?? null);
        $option = array_values(array_filter($step->options, static fn (array $one): bool => $one['key'] === $wanted))[0] ?? $step->options[$this->dice->between(0, count($step->options) - 1)];
        if ($step->field !== null) {
            $this->truth[$step->field] = $option['key'];
        }
        if ($this->who->temper === Temper::Keys && $option['digit'] !== '') {
            return new Input('key', $option['digit']);
        }

        return $this->says($this->dice->one([$option['label'], ...$option['phrases']]));
    }

    private function gives(?Field $field, CallState $state): Input
    {
        $true = $field === null ? null : ($this->truth[$field->key] ?? null);
        if ($field === null || $true === null) {
            return $this->says($this->phrases->one($this->dice, 'unknown'));
        }
        $times = $this->asked["answer|{$state->step}|"] ?? 0;
        if ($this->who->temper === Temper::Vague && $times <= 1 && in_array($field->type->value, ['date', 'duration', 'number', 'money', 'time'], true) && $this->dice->falls(0.5)) {
            return $this->says($this->phrases->one($this->dice, 'vague'));
        }
        if ($this->who->temper === Temper::Keys && in_array($field->type->value, ['phone', 'number'], true)) {
            return new Input('key', preg_replace('/\D/', '', (string) preg_replace('/^\+44/', '0', (string) (is_scalar($true) ? $true : ''))).'#');
        }
        $words = $this->sayings->of($field, $true, $this->now, $this->dice);
        if ($this->who->temper === Temper::Slips && $this->dice->falls(0.5)) {
            $wrong = (new Facts($this->phrases))->value($field, $this->script, $this->now, $this->dice, 'Robin Marsh');
            if ($wrong !== null && $wrong !== $true && ! in_array($field->type->value, ['text', 'yes_no', 'person_name', 'phone', 'email'], true)) {
                return $this->says($this->phrases->one($this->dice, 'slip', ['wrong' => $this->sayings->of($field, $wrong, $this->now, $this->dice), 'it' => $words]));
            }
        }
        $reasons = $this->who->temper === Temper::GivesReasons && $this->dice->falls(0.6) ? $this->phrases->ways('reasons', is_bool($true) ? ($true ? 'yes' : 'no') : $field->type->value) : [];
        if ($reasons !== []) {
            return $this->says(str_replace('[it]', $words, $this->dice->one($reasons)));
        }
        $around = match (true) {
            $field->type->value === 'yes_no' => 'answer_brief',
            $this->who->temper === Temper::Brief, $this->who->temper === Temper::Impatient, $field->type->value === 'text' => 'answer_brief',
            $field->type->value === 'person_name' => 'answer_name',
            default => 'answer',
        };
        $said = $this->phrases->one($this->dice, $around, ['it' => $words]);

        if ($this->who->temper === Temper::TellsAhead && $field->type->value !== 'text' && $this->dice->falls(0.5)) {
            $said .= $this->ahead->words($state->step, $this->truth, [$field->key, ...array_map(strval(...), array_keys($state->values))], 1, $this->dice);
        }

        return $this->says($this->who->temper === Temper::Talkative && $this->dice->falls(0.5) ? $said.', '.$this->phrases->one($this->dice, 'chatter') : $said);
    }

    /** Yes to what is true; what is not is put right, one thing at a time. */
    private function confirms(CallState $state): Input
    {
        foreach ($state->pending as $key) {
            $field = $this->script->sheet->field($key);
            $held = $state->values[$key]->value ?? null;
            if ($field !== null && isset($this->truth[$key]) && ! Same::value($field, $held, $this->truth[$key])) {
                return $this->says($this->phrases->one($this->dice, 'wrong', ['it' => $this->sayings->of($field, $this->truth[$key], $this->now, $this->dice)]));
            }
        }

        return $this->who->temper === Temper::Keys ? new Input('key', '1') : $this->says($this->phrases->one($this->dice, 'yes'));
    }

    private function which(CallState $state): string
    {
        $topic = null;
        foreach ($this->script->steps as $step) {
            $topic ??= $step instanceof ListenStep && $this->who->topic !== null && in_array($this->who->topic, $state->candidates, true) ? ($step->topic($this->who->topic)['label'] ?? null) : null;
        }

        return $topic ?? $this->phrases->one($this->dice, 'first');
    }

    private function books(CallState $state): Input
    {
        $going = $state->booking;

        return $this->says(match (true) {
            ($going['held'] ?? null) !== null => $this->phrases->one($this->dice, 'yes'),
            ($going['asks'] ?? '') === 'choice', ($going['asks'] ?? '') === 'which' => $this->phrases->one($this->dice, 'first'),
            ($going['asks'] ?? '') === 'cancel' => $this->phrases->one($this->dice, 'yes'),
            ($going['asks'] ?? '') === 'times' => $this->sayings->number($this->dice->between(2, 5)),
            ($going['asks'] ?? '') === 'find' => (string) ($this->truth[$this->nameField()] ?? $this->phrases->one($this->dice, 'unknown')),
            ($going['offered'] ?? []) !== [] => $this->phrases->one($this->dice, 'first'),
            default => $this->phrases->one($this->dice, 'whenever'),
        });
    }

    private function other(CallState $state, Step $step): Input
    {
        if ($step->kind() === 'summary') {
            foreach (array_keys($state->values) as $key) {
                $field = $this->script->sheet->field((string) $key);
                if ($field !== null && isset($this->truth[$key]) && ! Same::value($field, $state->values[$key]->value, $this->truth[$key])) {
                    return $this->says($this->phrases->one($this->dice, 'wrong', ['it' => $this->sayings->of($field, $this->truth[$key], $this->now, $this->dice)]));
                }
            }
        }

        return $this->says($this->phrases->one($this->dice, $step->kind() === 'repeat' ? 'no' : 'yes'));
    }

    private function nameField(): string
    {
        foreach ($this->script->sheet->fields as $field) {
            if ($field->type->value === 'person_name') {
                return $field->key;
            }
        }

        return '';
    }

    private function says(string $words): Input
    {
        return new Input('say', $this->line->carries($words, $this->dice));
    }
}
