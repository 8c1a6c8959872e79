<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Order;

use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Mode;
use Ringo\Dialogue\Steps\ChooseRunner;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Values\Corrections;
use Ringo\Dialogue\Walk\Move;
use Ringo\Script\Steps\Choose\ChooseStep;
use Ringo\Script\Steps\Step;
use Ringo\Understanding\Understanding;
use Ringo\Value\ValueType;

/** 'No, just cancel it' a step or two behind the menu where 'move' was chosen: another of its options, where the words answer nothing. */
final readonly class MenuCorrection implements Consideration
{
    /** Questions behind the menu up to which it is thought of. */
    private const SINCE = 3;

    /** From here on an option was named. */
    private const NAMED = 0.9;

    public function __construct(private Corrections $corrections, private ChooseRunner $menus, private Understanding $understanding)
    {
    }

    public function weigh(Turn $turn, Hearing $hearing): ?Move
    {
        if ($turn->state->mode !== Mode::Answer || $turn->step() instanceof ChooseStep || $hearing->asks() || ! $this->corrections->sounded($hearing->heard)) {
            return null;
        }
        $menu = $this->menu($turn);
        if ($menu === null) {
            return null;
        }
        $named = $this->understanding->read(ValueType::Choice, $hearing->heard, $turn->plain()->withOptions($menu->options));
        $next = $menu->option((string) $named->value)['next'] ?? null;
        if (! $named->found() || $named->confidence < self::NAMED || $next === null || in_array($next, array_slice($turn->state->path, -self::SINCE), true)) {
            return null;
        }
        $turn->trace->rule("{$menu->key()}: {$named->value} after all");

        return $this->menus->chosen($turn, $menu, (string) $named->value, $hearing->heard);
    }

    /** The menu that was passed last, where that is not long ago. */
    private function menu(Turn $turn): ?ChooseStep
    {
        $passed = array_map(static fn (string $key): ?Step => $turn->script->steps[$key] ?? null, array_slice($turn->state->path, -self::SINCE - 1));
        $menus = array_values(array_filter($passed, static fn (?Step $step): bool => $step instanceof ChooseStep));
        $last = $menus[count($menus) - 1] ?? null;

        return $last instanceof ChooseStep ? $last : null;
    }
}
