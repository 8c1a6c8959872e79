<?php

declare(strict_types=1);

namespace Ringo\Understanding;

use Ringo\Language\Vocabulary;
use Ringo\Numbering\NumberingPlan;
use Ringo\Value\ValueType;

/** Turns what was heard into values: one reader for each type, over the word tables of one language. */
final class Understanding
{
    /** @var array<string, Reader> */
    private array $readers = [];

    /** @var \WeakMap<Heard, array<string, Reading>> what was already read from an utterance, as long as it is looked at */
    private \WeakMap $read;

    public function __construct(public readonly Vocabulary $words, private readonly NumberingPlan $plan)
    {
        $this->read = new \WeakMap;
    }

    public static function in(string $language = 'en'): self
    {
        return new self(Vocabulary::of($language), new NumberingPlan);
    }

    public function hear(string $words): Heard
    {
        return Heard::of($words, $this->words);
    }

    public function read(ValueType $type, Heard|string $heard, Context $context): Reading
    {
        $heard = is_string($heard) ? $this->hear($heard) : $heard;

        $key = implode(
            '|',
            [$type->value, $context->asked, $context->country, $context->now->format('U e'), $context->pattern, $context->people, $context->past, $context->unit, $context->most, $context->thing, $context->nth, $context->lack, $context->least, ...array_column($context->options, 'key')],
        );
        $known = $this->read[$heard] ?? [];
        if (! isset($known[$key])) {
            $reading = $this->reader($type)->read($heard, $context);
            $known[$key] = $type === ValueType::Text && $context->pattern !== null ? $this->matching($heard, $context, $reading) : $reading;
            $this->read[$heard] = $known;
        }

        return $known[$key];
    }

    /** A text that must match a pattern: as it was said, or put together as a reference is. */
    private function matching(Heard $heard, Context $context, Reading $text): Reading
    {
        $pattern = '~'.str_replace('~', '\~', (string) $context->pattern).'~u';
        if (is_string($text->value) && preg_match($pattern, $text->value) === 1) {
            return $text;
        }
        $reference = $this->reader(ValueType::Reference)->read($heard, $context);

        return is_string($reference->value) && preg_match($pattern, $reference->value) === 1 ? $reference : Reading::none('it is not written as it must be');
    }

    private function reader(ValueType $type): Reader
    {
        return $this->readers[$type->value] ??= match ($type) {
            ValueType::PersonName => new Readers\PersonNameReader($this->words),
            ValueType::Phone => new Readers\PhoneReader($this->words, $this->plan),
            ValueType::Email => new Readers\EmailReader($this->words),
            ValueType::Date, ValueType::Time, ValueType::DateTime => new Readers\WhenReader($this->words, $type),
            ValueType::Number => new Readers\NumberReader($this->words),
            ValueType::Money => new Readers\MoneyReader($this->words),
            ValueType::Duration => new Readers\DurationReader($this->words),
            ValueType::Reference => new Readers\ReferenceReader($this->words),
            ValueType::YesNo => new Readers\YesNoReader($this->words),
            ValueType::Choice => new Readers\ChoiceReader($this->words),
            ValueType::Several => new Readers\SeveralReader($this->words),
            ValueType::PostalAddress => new Readers\PostalAddressReader($this->words),
            ValueType::Text => new Readers\TextReader($this->words),
            ValueType::Items => new Readers\NothingReader,
        };
    }
}
