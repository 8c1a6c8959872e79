<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Values\Moments;

use Ringo\Dialogue\Turn;
use Ringo\Language\Phrases;
use Ringo\Language\Vocabulary;
use Ringo\Sheet\Field;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Reading;
use Ringo\Value\ValueType;

/** 'Now', 'as soon as you can': the moment of the call, where a moment is asked for. */
final readonly class AtOnce
{
    private const SURE = 0.82;

    /** @var Phrases<mixed> */
    private Phrases $phrases;

    /** @var Phrases<mixed> another day or hour, or none yet */
    private Phrases $otherwise;

    /** @var Phrases<mixed> denials: 'I can't right now' */
    private Phrases $against;

    public function __construct(Vocabulary $words)
    {
        $this->phrases = $words->phrases('calendar', 'at_once');
        $this->against = $words->phrases('acts', 'against');
        $this->otherwise = $words->phrases('calendar', 'not_at_once');
    }

    public function reading(Turn $turn, Field $field, Heard $heard): ?Reading
    {
        $pattern = [ValueType::DateTime->value => 'Y-m-d\TH:i', ValueType::Time->value => 'H:i'][$field->type->value] ?? null;
        if ($pattern === null || ! $this->phrases->in($heard->tokens) || $this->otherwise->in($heard->tokens) || $this->against->in($heard->tokens)) {
            return null;
        }

        return Reading::of($turn->scope()->now->format($pattern), self::SURE, $heard->original, 0, strlen($heard->original));
    }
}
