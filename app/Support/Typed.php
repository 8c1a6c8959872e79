<?php

declare(strict_types=1);

namespace App\Support;

/** What somebody had typed into a form before it came back with an error; without one, what is kept. */
final readonly class Typed
{
    /** Name of the field by which a page with several forms tells which one came back. */
    public const FORM = '_form';

    /** @param array<array-key, mixed>|null $old */
    private function __construct(private ?array $old)
    {
    }

    /** What was typed into the form of that name; nothing where another form of the page came back. */
    public static function into(string $form): self
    {
        $old = session()->getOldInput();

        return new self(is_array($old) && $old !== [] && ($old[self::FORM] ?? null) === $form ? $old : null);
    }

    public function back(): bool
    {
        return $this->old !== null;
    }

    public function text(string $name, string|int|float|null $kept): string
    {
        $value = $this->old === null ? $kept : data_get($this->old, $name);

        return is_scalar($value) ? (string) $value : '';
    }

    public function ticked(string $name, string $value, bool $kept): bool
    {
        return $this->old === null ? $kept : in_array($value, (array) data_get($this->old, $name, []), true);
    }

    /**
     * @param array<array-key, mixed> $kept
     *
     * @return list<mixed>
     */
    public function rows(string $name, array $kept): array
    {
        return array_values($this->old === null ? $kept : array_filter((array) data_get($this->old, $name, []), is_array(...)));
    }
}
