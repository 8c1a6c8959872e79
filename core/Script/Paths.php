<?php

declare(strict_types=1);

namespace Ringo\Script;

/**
 * Every path that prompts, conditions, rules and forms may name beside fields: what it is called, and where it may be used.
 *
 * Fields and their facts (`equipment`, `equipment.day_rate`), facts of the business (`fact.deposit`) and further facts of a caller
 * (`caller.depot`) come on top.
 */
final readonly class Paths
{
    /** Values of the agent and the moment that prompts may name; they are never empty. */
    public const ALWAYS = [
        'business' => 'the business’s name', 'agent' => 'the agent’s name', 'today' => 'today’s date', 'now' => 'the time now', 'time_of_day' => 'morning, afternoon or evening',
        'business.name' => 'the business’s name', 'agent.name' => 'the agent’s name',
    ];

    /** Facts a caller may have, for prompts. */
    public const CALLER = [
        'caller.first_name' => 'the caller’s first name', 'caller.name' => 'the caller’s name', 'caller.organisation' => 'the caller’s organisation',
        'caller.number' => 'the caller’s number', 'caller.email' => 'the caller’s e-mail',
    ];

    /** What conditions may look at, with what it is called. */
    public const CALL = [
        'caller.known' => 'the caller is known', 'caller.number' => 'the caller’s number', 'call.open' => 'we are open', 'call.hour' => 'the hour of the call',
        'call.weekday' => 'the weekday (mon … sun)', 'call.date' => 'the date of the call', 'call.time' => 'the time of the call', 'topic' => 'the topic', 'outcome' => 'the outcome so far',
        'frustration' => 'signs of frustration', 'tries' => 'misses at this question', 'priority' => 'the caller’s priority', 'call.line' => 'the number that was called',
        'call.minutes' => 'minutes into the call', 'call.turns' => 'how often the caller spoke', 'call.direction' => 'who rings whom (inbound, outbound)',
    ];

    /** Heads under which further names may stand. */
    public const HEADS = ['tag', 'declined', 'caller', 'fact', 'call'];

    private const YES_NO = ['caller.known', 'call.open'];

    private const TEXT = ['call.time', 'call.date', 'caller.number', 'call.line'];

    /** Whether a condition can decide by it, fields aside. */
    public static function decidable(string $path): bool
    {
        return isset(self::CALL[$path]) || preg_match('/^(?:'.implode('|', self::HEADS).')\.[a-z0-9_]+$/', $path) === 1;
    }

    public static function isYesNo(string $path): bool
    {
        return in_array($path, self::YES_NO, true) || preg_match('/^(?:tag|declined)\./', $path) === 1;
    }

    /** Whether figures compared with it are text all the same: a time, a date, a number that rings. */
    public static function isText(string $path): bool
    {
        return in_array($path, self::TEXT, true);
    }
}
