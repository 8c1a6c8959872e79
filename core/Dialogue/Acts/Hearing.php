<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Acts;

use Ringo\Understanding\Heard;

/**
 * One utterance with all the acts found in it, weighed before anything is done; who deals with an act marks it.
 *
 * What nobody dealt with is told in the trace, so that nothing said is dropped in silence.
 */
final class Hearing
{
    /** @var array<string, true> */
    private array $done = [];

    /**
     * @param list<Act> $acts
     * @param list<Heard> $questions what is asked in the words, each on its own
     * @param Heard $statement the words without the questions
     */
    public function __construct(public readonly Heard $heard, public readonly array $acts, public readonly array $questions, public readonly Heard $statement)
    {
    }

    public function act(ActKind ...$kinds): ?Act
    {
        foreach ($this->acts as $act) {
            if (in_array($act->kind, $kinds, true)) {
                return $act;
            }
        }

        return null;
    }

    /** The act, where there is little else in the words. */
    public function alone(ActKind ...$kinds): ?Act
    {
        foreach ($this->acts as $act) {
            if ($act->alone && in_array($act->kind, $kinds, true)) {
                return $act;
            }
        }

        return null;
    }

    /**
     * Whether the words are about something other than the matter in hand: a person is wanted, or all they do is of another kind.
     *
     * @param list<ActKind> $ofTheMatter what they may do and still be about it
     */
    public function elsewhere(array $ofTheMatter): bool
    {
        foreach ($this->acts as $act) {
            if ($act->kind === ActKind::Person || $act->alone && ! in_array($act->kind, $ofTheMatter, true)) {
                return true;
            }
        }

        return false;
    }

    public function asks(): bool
    {
        return $this->questions !== [];
    }

    public function dealtWith(ActKind ...$kinds): void
    {
        foreach ($kinds as $kind) {
            $this->done[$kind->value] = true;
        }
    }

    /** @return list<array{act: string, words: string, confidence: float, done: bool}> for the trace */
    public function rows(): array
    {
        return array_map(fn (Act $act): array => ['act' => $act->kind->value, 'words' => $act->words->cleaned(), 'confidence' => $act->confidence, 'done' => isset($this->done[$act->kind->value])], $this->acts);
    }
}
