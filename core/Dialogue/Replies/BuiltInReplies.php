<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Replies;

use Ringo\Dialogue\Phrasebook;
use Ringo\Dialogue\Turn;
use Ringo\Language\SayingModel;
use Ringo\Understanding\Context;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Understanding;
use Ringo\Value\Typed;
use Ringo\Value\ValueType;

/** What every agent knows without being told: whether it is a machine, who it is, where an outbound number is from, the day, and the hours. */
final readonly class BuiltInReplies
{
    /** Words of substance that may stand beside a question about the agent or the time. */
    private const BESIDE = 1;

    /** From this likelihood on somebody asks where the number is from: 'can you change my number' is near, and is not it. */
    private const WHENCE = 0.75;

    public function __construct(private Understanding $understanding, private Phrasebook $phrases)
    {
    }

    public function answer(Turn $turn, Heard $heard): ?Reply
    {
        if ($this->mainly($heard, 'machine')) {
            return new Reply($turn->phrase('machine'), 'standing rule: are you a machine', null);
        }
        if ($turn->script->agent->direction === 'outbound' && ($this->mainly($heard, 'whence') || SayingModel::objections()->of($heard->cleaned())['whence'] >= self::WHENCE)) {
            return new Reply($turn->phrase('whence'), 'standing rule: where is the number from', null);
        }
        if ($this->phrases->content($this->phrases->table('preambles', 'recorded')->without($heard->tokens)) <= self::BESIDE && $this->phrases->table('preambles', 'recorded')->in($heard->tokens)) {
            return new Reply($turn->phrase('recorded'), 'standing rule: is this written down', null);
        }
        if ($this->phrases->table('preambles', 'speaks')->in($heard->tokens) && $this->phrases->table('preambles', 'languages')->in($heard->tokens)) {
            return new Reply($turn->phrase('only_english'), 'standing rule: in which language', null);
        }
        if ($this->mainly($heard, 'who')) {
            return new Reply($turn->phrase('who'), 'standing rule: who are you', null);
        }
        if ($this->mainly($heard, 'what_day')) {
            $scope = $turn->scope();

            return new Reply($turn->phrase('today', ['time' => (string) $scope->words('now'), 'date' => (string) $scope->words('today')]), 'standing rule: what day is it', null);
        }
        if ($turn->script->hours->given() && $this->phrases->contains($heard, 'open')) {
            $hours = $this->hours($turn, $heard);

            return $hours === null ? null : new Reply($hours, 'standing rule: opening hours', null);
        }

        return null;
    }

    /** Whether the words ask just that: 'what time is it best to leave' does not ask the time. */
    private function mainly(Heard $heard, string $section): bool
    {
        $rest = $this->phrases->phrases($section)->without($heard->tokens);

        return count($rest) < count($heard->tokens) && $this->phrases->content($rest) <= self::BESIDE;
    }

    /** Null where it is asked of days that the calendar does not tell: 'are you open bank holidays'. */
    private function hours(Turn $turn, Heard $heard): ?string
    {
        $scope = $turn->scope();
        $hours = $turn->script->hours;
        $speak = fn (ValueType $type, string $value): string => $turn->sayTyped(new Typed($type, $value));
        $context = new Context($scope->now, $turn->script->agent->country);
        $asked = $this->understanding->read(ValueType::Date, $heard, $context);
        if (! $asked->found() && $this->phrases->table('calendar', 'weekends')->in($heard->tokens)) {
            $saturday = $scope->now->modify('saturday this week');

            return $this->hoursOf($turn, $saturday).' '.$this->hoursOf($turn, $saturday->modify('+1 day'));
        }
        if (! $asked->found() && $this->phrases->table('calendar', 'days_untold')->in($heard->tokens)) {
            return null;
        }
        if (! $asked->found() && $hours->on($scope->now) !== [] && $this->phrases->table('calendar', 'hours_apart')->in($heard->tokens)) {
            return $this->hoursOf($turn, $scope->now);
        }
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

        return $this->hoursOf($turn, new \DateTimeImmutable((string) $asked->value, $scope->now->getTimezone()));
    }

    private function hoursOf(Turn $turn, \DateTimeImmutable $day): string
    {
        $hours = $turn->script->hours;
        $speak = fn (ValueType $type, string $value): string => $turn->sayTyped(new Typed($type, $value));
        $named = $speak(ValueType::Date, $day->format('Y-m-d'));
        $ranges = $hours->on($day);
        if ($ranges === []) {
            $why = $hours->why($day);

            return $turn->phrase('closed_on', ['day' => $named, 'why' => $why === '' ? '' : ', '.$why]);
        }

        return $turn->phrase('open_on', ['day' => $named, 'hours' => implode(' and ', array_map(static fn (array $range): string => 'from '.$speak(ValueType::Time, $range['from']).' to '.$speak(ValueType::Time, $range['to']), $ranges))]);
    }
}
