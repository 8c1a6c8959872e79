<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Validation\ValidationException;
use Ringo\Document\InvalidDocument;
use Ringo\Document\Node;
use Ringo\Line\Answer;
use Ringo\Line\Who;

/** Reads who answers from a form: of a stretch, of the opening hours, of closed days and of all other times. */
final readonly class LineForm
{
    /** In the words of the page, by the value of Who. */
    public const ANSWERED_BY = ['staff_first' => 'staff first, then the agent', 'agent' => 'the agent at once', 'staff' => 'staff only', 'forward' => 'goes on elsewhere', 'nobody' => 'nobody'];

    /**
     * @param array<string, mixed> $given
     *
     * @return array<string, mixed> as an answer is written
     */
    public function answer(array $given): array
    {
        $text = static fn (string $key): ?string => is_string($given[$key] ?? null) && trim($given[$key]) !== '' ? trim($given[$key]) : null;
        $who = Who::tryFrom((string) $text('who')) ?? Who::Agent;

        return ['who' => $who->value] + array_filter([
            'target' => $who->rings() ? $text('rings') : ($who === Who::Forward ? $text('forward') : null),
            'seconds' => $who->rings() && is_numeric($given['seconds'] ?? null) ? (int) $given['seconds'] : null,
            'agent' => in_array($who, [Who::Forward, Who::Nobody], true) ? null : $text('agent'),
            'opening' => in_array($who, [Who::Forward, Who::Nobody], true) ? null : $text('opening'),
        ], static fn (mixed $one): bool => $one !== null);
    }

    /**
     * @param array<string, mixed> $given
     *
     * @throws ValidationException
     */
    public function read(array $given): Answer
    {
        $node = Node::root($this->answer($given));
        try {
            $answer = Answer::read($node);
            $node->settle();
        } catch (InvalidDocument $problem) {
            throw ValidationException::withMessages(['who' => array_map(static fn (array $one): string => ucfirst("{$one['path']} {$one['message']}."), $problem->problems)]);
        }

        return $answer;
    }

    /**
     * @return array{int, int} minutes of the day
     *
     * @throws ValidationException
     */
    public function span(string $from, string $to): array
    {
        $minutes = [];
        foreach (['from' => $from, 'to' => $to === '00:00' ? '24:00' : $to] as $end => $clock) {
            if (preg_match('/^([01]?\d|2[0-4]):([0-5]\d)$/', $clock, $m) !== 1) {
                throw ValidationException::withMessages([$end => "“{$clock}” is no time of day; write 08:00."]);
            }
            $minutes[] = min(1440, 60 * (int) $m[1] + (int) $m[2]);
        }
        if ($minutes[0] >= $minutes[1]) {
            throw ValidationException::withMessages(['to' => 'The stretch ends before it begins. One that runs over midnight is two: until 24:00, and from 00:00 the day after.']);
        }

        return [$minutes[0], $minutes[1]];
    }
}
