<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Walk;

/** What follows from a turn or a step; the walker does it. Whoever decides says where to, and never walks there itself. */
final readonly class Move
{
    private function __construct(public MoveKind $kind, public ?string $step = null)
    {
    }

    /** All that was to be said is said: the caller is waited for. */
    public static function stay(): self
    {
        return new self(MoveKind::Stay);
    }

    /** On to a step. */
    public static function to(string $step): self
    {
        return new self(MoveKind::To, $step);
    }

    /** On to a step, once what waits for a yes has had it. */
    public static function on(string $step): self
    {
        return new self(MoveKind::On, $step);
    }

    /** To a step, and back here afterwards. */
    public static function aside(string $step): self
    {
        return new self(MoveKind::Aside, $step);
    }

    /** The open question again, in a short form. */
    public static function again(): self
    {
        return new self(MoveKind::Again);
    }

    /** The open question again, after a question of the caller's was answered. */
    public static function backToIt(): self
    {
        return new self(MoveKind::BackToIt);
    }

    /** The open question again, with help. */
    public static function help(): self
    {
        return new self(MoveKind::Help);
    }

    /** The way out of the step the call stands at. */
    public static function out(): self
    {
        return new self(MoveKind::Out);
    }

    /** Back to the question before this one. */
    public static function back(): self
    {
        return new self(MoveKind::Back);
    }

    /** The script's first question, which the same words are taken to answer. */
    public static function first(): self
    {
        return new self(MoveKind::First);
    }

    /** Reads back what waits for a yes. */
    public static function confirm(): self
    {
        return new self(MoveKind::Confirm);
    }
}
