<?php

declare(strict_types=1);

namespace App\Support\Book;

use Ringo\Script\WayOut;

/** A form as it was sent: texts, rows and lists, whatever was left out or mistyped. */
final readonly class Form
{
    /** @param array<array-key, mixed> $values */
    public function __construct(private array $values)
    {
    }

    public function text(string $name, string $default = ''): string
    {
        $value = $this->values[$name] ?? $default;

        return is_string($value) ? $value : (is_scalar($value) ? (string) $value : $default);
    }

    public function trimmed(string $name): string
    {
        return trim($this->text($name));
    }

    public function flag(string $name, bool $default = false): bool
    {
        return filter_var($this->values[$name] ?? $default, FILTER_VALIDATE_BOOLEAN);
    }

    public function number(string $name, int $default, int $least, int $most): int
    {
        return max($least, min($most, (int) $this->text($name, (string) $default)));
    }

    public function part(string $name): self
    {
        $value = $this->values[$name] ?? [];

        return new self(is_array($value) ? $value : []);
    }

    public function has(string $name): bool
    {
        return array_key_exists($name, $this->values);
    }

    /** @return list<self> */
    public function rows(string $name): array
    {
        $value = $this->values[$name] ?? null;

        return array_values(array_map(static fn (array $row): self => new self($row), array_filter(is_array($value) ? $value : [], is_array(...))));
    }

    /** @return list<string> each on one line */
    public function texts(string $name): array
    {
        $value = $this->values[$name] ?? [];
        $texts = is_array($value) ? array_filter($value, is_string(...)) : [is_string($value) ? $value : ''];

        return array_values(array_filter(array_map(static fn (string $text): string => trim((string) preg_replace('/\s+/u', ' ', $text)), $texts), static fn (string $text): bool => $text !== ''));
    }

    /** @return string|list<string> a prompt: one text, or its variants */
    public function variants(string $name): string|array
    {
        $texts = $this->texts($name);

        return count($texts) === 1 ? $texts[0] : ($texts === [] ? '' : $texts);
    }

    /** @return list<string> words set apart by commas */
    public function words(string $name): array
    {
        return self::split($this->text($name));
    }

    /** @return list<string> */
    public static function split(string $text): array
    {
        return array_values(array_unique(array_filter(array_map(trim(...), preg_split('/[,\n]/', $text) ?: []), static fn (string $word): bool => $word !== '')));
    }

    /** @return array<string, mixed> tries and way out, where they are not the usual ones */
    public function leaving(): array
    {
        $tries = $this->number('tries', 3, 1, 9);
        $way = $this->part('way_out');

        return ($tries === 3 ? [] : ['tries' => $tries]) + match ($way->text('then', WayOut::LEAVE)) {
            WayOut::GO => ['way_out' => ['then' => WayOut::GO, 'step' => $way->text('step')]],
            WayOut::FINISH => ['way_out' => ['then' => WayOut::FINISH, 'outcome' => $way->trimmed('outcome') ?: 'gave up']],
            default => [],
        };
    }

    /**
     * @param array<string, mixed> $values
     *
     * @return array<string, mixed> those that hold something
     */
    public static function filled(array $values): array
    {
        return array_filter(array_map(static fn (mixed $value): mixed => is_string($value) ? trim($value) : $value, $values), static fn (mixed $value): bool => $value !== '' && $value !== []);
    }

    /**
     * The key of a row: as written, else made from its label, and none twice.
     *
     * @param list<string> $taken
     */
    public function itemKey(string $label, array $taken, string $fallback): string
    {
        $key = $this->trimmed('key');
        $key = $key === '' ? FieldType::key($label) : $key;
        $key = $key === '' ? $fallback : $key;
        for ($base = $key, $n = 2; in_array($key, $taken, true); $n++) {
            $key = $base.'_'.$n;
        }

        return $key;
    }
}
