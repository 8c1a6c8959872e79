<?php

declare(strict_types=1);

namespace Ringo\Dialogue;

use Ringo\Language\Stemmer;
use Ringo\Language\Token;
use Ringo\Speech\Prompt;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Understanding;
use Ringo\Value\Typed;
use Ringo\Value\ValueType;

/** Answers side questions from the script's standing replies and from hours and calendar. Nothing is invented: no reply, no answer. */
final readonly class Replies
{
    private Stemmer $stemmer;

    public function __construct(private Understanding $understanding, private Phrasebook $phrases, private Collector $collector, private ?Knowledge $knowledge = null)
    {
        $this->stemmer = new Stemmer;
    }

    /** @return array{text: string, rule: string, to: ?string, known?: Known}|null */
    public function answer(Turn $turn, Heard $question): ?array
    {
        return $this->builtIn($turn, $question) ?? $this->written($turn, $question) ?? $this->known($turn, $question);
    }

    /**
     * Notes where an answer came from, once it is spoken.
     *
     * @param array{text: string, rule: string, to: ?string, known?: Known} $answer
     */
    public function told(Turn $turn, array $answer): void
    {
        $known = $answer['known'] ?? null;
        if (! $known instanceof Known || $known->text === null) {
            return;
        }
        if ($known->source !== '') {
            $turn->trace->sources[] = $known->source;
        }
        if ($known->refusal !== null) {
            $turn->trace->unanswered[] = ['question' => $turn->trace->heard, 'why' => $known->refusal];
        }
        $turn->state->known = ['text' => $known->text, 'source' => $known->source, 'name' => $known->name, 'more' => $known->more];
    }

    /**
     * @return array{text: string, rule: string, to: ?string, known?: Known}|null
     *
     * From what the business has written; 'tell me more' and 'are you sure?' follow up the last answer.
     */
    private function known(Turn $turn, Heard $heard): ?array
    {
        if ($this->knowledge === null) {
            return null;
        }
        $last = $turn->state->known;
        $follows = $last === null ? null : $this->knowledge->follows($heard->original);
        if ($last !== null && $follows === 'sure') {
            return ['text' => $turn->phrase('sure', ['name' => $last['name'] === '' ? 'what I have here' : $last['name'], 'it' => $last['text']]), 'rule' => 'challenged: gives the source, '.$last['source'], 'to' => null];
        }
        if ($last !== null && $follows === 'more') {
            if ($last['more'] === []) {
                return ['text' => $turn->phrase('no_more'), 'rule' => 'nothing more is written about it', 'to' => null];
            }
            [$text, $rest] = (new \Ringo\Knowledge\Spoken)->cut($last['more'], 0, 2);

            return ['text' => $text, 'rule' => 'more from '.$last['source'], 'to' => null, 'known' => new Known($text, $last['source'], $last['name'], 1.0, null, $rest, null, true)];
        }
        if ($this->clause($heard) === null) {
            return null;
        }
        $scope = $turn->scope();
        $told = [];
        foreach ($turn->state->values as $key => $held) {
            $field = $turn->script->sheet->field($key);
            if ($field !== null && in_array($field->type, [ValueType::Choice, ValueType::Number, ValueType::Duration], true)) {
                $told[] = $scope->words($key) ?? '';
            }
        }
        $known = $this->knowledge->ask($heard->original === '' ? $heard->cleaned() : $this->words($heard), $scope->now, $turn->script->agent->country, implode(', ', array_filter($told)));
        if ($known->text === null) {
            return null;
        }
        // Answers may carry placeholders of the script.
        $text = str_contains($known->text, '[') ? Prompt::of($known->text)->filled(0, $scope->words(...)) : $known->text;
        $to = $known->leadsTo !== null && isset($turn->script->steps[$known->leadsTo]) ? $known->leadsTo : null;

        return $text === '' ? null : ['text' => $text, 'rule' => 'knowledge: '.($known->source === '' ? (string) $known->refusal : $known->source).', sure to '.number_format($known->confidence, 2), 'to' => $to, 'known' => $known];
    }

    /** The words of the part that asks, as they were said. */
    private function words(Heard $heard): string
    {
        $first = $heard->tokens[0] ?? null;
        $last = $heard->tokens[count($heard->tokens) - 1] ?? null;

        return $first === null || $last === null ? $heard->original : $heard->between($first->start, $last->end);
    }

    /** Whether the words ask something. */
    public function asks(Heard $heard): bool
    {
        return $this->clause($heard) !== null;
    }

    /**
     * The part of the words that asks: from a question's opening on.
     *
     * @return array{Heard, Heard}|null the question, and the words before it
     */
    public function clause(Heard $heard): ?array
    {
        $openers = $this->phrases->phrases('questions', 'what_day', 'open', 'who', 'machine');
        foreach ($openers->all($heard->tokens) as [, $place]) {
            $token = $heard->tokens[$place];
            $before = $heard->tokens[$place - 1]->text ?? '';
            if ($place === 0 || $token->afterBreak() || in_array($before, ['and', 'but', 'oh', 'so', 'also', 'that', 'first', 'question', 'way', 'ask', 'wondering', 'well', 'er', 'hi', 'hello', 'yes', 'no', 'please', 'thanks', 'tell', 'me', 'it', 'then', 'know', 'ok', 'okay', 'right', 'actually', 'sorry', 'just'], true) || $place > 0 && in_array($token->text, ['how', 'what', "what's", 'when', 'where', 'who', 'why'], true)) {
                return [$heard->only(array_values(array_slice($heard->tokens, $place))), $heard->only(array_values(array_slice($heard->tokens, 0, $place)))];
            }
        }

        return null;
    }

    /** @return array{text: string, rule: string, to: ?string, known?: Known}|null */
    private function builtIn(Turn $turn, Heard $heard): ?array
    {
        if ($this->phrases->contains($heard, 'machine')) {
            return ['text' => $turn->phrase('machine'), 'rule' => 'standing rule: are you a machine', 'to' => null];
        }
        if ($this->phrases->contains($heard, 'who')) {
            return ['text' => $turn->phrase('who'), 'rule' => 'standing rule: who are you', 'to' => null];
        }
        if ($this->phrases->contains($heard, 'what_day')) {
            $scope = $turn->scope();

            return ['text' => $turn->phrase('today', ['time' => (string) $scope->words('now'), 'date' => (string) $scope->words('today')]), 'rule' => 'standing rule: what day is it', 'to' => null];
        }
        if ($turn->script->hours->given() && $this->phrases->contains($heard, 'open')) {
            return ['text' => $this->hours($turn, $heard), 'rule' => 'standing rule: opening hours', 'to' => null];
        }

        return null;
    }

    private function hours(Turn $turn, Heard $heard): string
    {
        $scope = $turn->scope();
        $hours = $turn->script->hours;
        $speak = fn (ValueType $type, string $value): string => $turn->sayTyped(new Typed($type, $value));
        $context = new \Ringo\Understanding\Context($scope->now, $turn->script->agent->country);
        $asked = $this->understanding->read(ValueType::Date, $heard, $context);
        if (! $asked->found() || $asked->value === $scope->now->format('Y-m-d') && $this->phrases->contains($heard, 'machine')) {
            if ($hours->openAt($scope->now)) {
                foreach ($hours->on($scope->now) as $range) {
                    if ($scope->now->format('H:i') < $range['to']) {
                        return $turn->phrase('open_now', ['until' => $speak(ValueType::Time, $range['to'])]);
                    }
                }
            }
            $next = $hours->nextOpening($scope->now);

            return $next === null ? $turn->phrase('no_answer') : $turn->phrase('closed_now', ['opens' => $speak(ValueType::DateTime, $next->format('Y-m-d\TH:i'))]);
        }
        $day = new \DateTimeImmutable((string) $asked->value, $scope->now->getTimezone());
        $named = $speak(ValueType::Date, $day->format('Y-m-d'));
        $ranges = $hours->on($day);
        if ($ranges === []) {
            $why = $hours->closures[$day->format('Y-m-d')] ?? '';

            return $turn->phrase('closed_on', ['day' => $named, 'why' => $why === '' ? '' : ', '.$why]);
        }

        return $turn->phrase('open_on', ['day' => $named, 'hours' => implode(' and ', array_map(static fn (array $range): string => 'from '.$speak(ValueType::Time, $range['from']).' to '.$speak(ValueType::Time, $range['to']), $ranges))]);
    }

    /** @return array{text: string, rule: string, to: ?string}|null */
    private function written(Turn $turn, Heard $heard): ?array
    {
        $said = array_map(fn (Token $token): string => $this->stemmer->stem($token->text), $heard->tokens);
        $best = null;
        $most = 0;
        foreach ($turn->script->standing->replies as $reply) {
            foreach ($reply['when'] as $when) {
                $stems = $this->stemmer->stems($when);
                if ($stems === [] || array_diff($stems, $said) !== [] || count($stems) <= $most || ! $this->inOrder($stems, $said)) {
                    continue;
                }
                if ($reply['about'] !== null && $reply['otherwise'] === null && $this->about($turn, $reply['about'], $heard) === null) {
                    continue;
                }
                [$best, $most] = [$reply, count($stems)];
            }
        }
        $best ??= $this->follows($turn, $heard);
        if ($best === null) {
            return null;
        }
        $turn->state->lastReply = $best['key'];
        $scope = $turn->scope();
        $option = $best['about'] === null ? null : $this->about($turn, $best['about'], $heard);
        if ($best['about'] !== null && $option === null) {
            return ['text' => (string) $best['otherwise'], 'rule' => "standing reply {$best['key']}: which {$best['about']} is not known", 'to' => $best['to']];
        }
        $prompt = Prompt::of($best['say']);
        $text = $prompt->filled($turn->variant('reply.'.$best['key'], count($prompt->variants)), static function (string $path) use ($scope, $best, $option): ?string {
            if ($best['about'] !== null && ($path === $best['about'] || str_starts_with($path, $best['about'].'.'))) {
                return $scope->fact($best['about'], (string) $option, $path === $best['about'] ? 'label' : substr($path, strlen($best['about']) + 1));
            }

            return $scope->words($path);
        });

        return $text === '' ? null : ['text' => $text, 'rule' => "standing reply {$best['key']}", 'to' => $best['to']];
    }

    /**
     * 'And for the generator?': the reply given last, about another option.
     *
     * @return array{key: string, when: list<string>, say: string|list<string>, about: ?string, otherwise: ?string, to: ?string}|null
     */
    private function follows(Turn $turn, Heard $heard): ?array
    {
        if (count($heard->tokens) > 7 || ! in_array($heard->tokens[0]->text ?? '', ['and', 'what', 'how', 'or', 'for', 'then'], true)) {
            return null;
        }
        foreach ($turn->script->standing->replies as $reply) {
            $field = $reply['key'] === $turn->state->lastReply && $reply['about'] !== null ? $turn->script->sheet->field($reply['about']) : null;
            if ($field !== null && $this->understanding->read(ValueType::Choice, $heard, $this->collector->context($turn, $field, false))->found()) {
                return $reply;
            }
        }

        return null;
    }

    /** Which option the question speaks of: named in it, or already known in the call. */
    private function about(Turn $turn, string $key, Heard $heard): ?string
    {
        $field = $turn->script->sheet->field($key);
        if ($field === null) {
            return null;
        }
        $named = $this->understanding->read(ValueType::Choice, $heard, $this->collector->context($turn, $field, false));
        $known = $turn->state->values[$key]->value ?? null;

        return $named->found() ? (string) $named->value : (is_string($known) ? $known : null);
    }

    /**
     * @param list<string> $stems
     * @param list<string> $said whether the stems stand in this order with at most three words between
     */
    private function inOrder(array $stems, array $said): bool
    {
        $last = -1;
        foreach ($stems as $stem) {
            $found = null;
            foreach ($said as $i => $word) {
                if ($i > $last && $word === $stem && ($last === -1 || $i - $last <= 4)) {
                    $found = $i;

                    break;
                }
            }
            if ($found === null) {
                return false;
            }
            $last = $found;
        }

        return true;
    }
}
