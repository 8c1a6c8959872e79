<?php

declare(strict_types=1);

namespace Ringo\Extraction;

use Ringo\Understanding\Reading;
use Ringo\Value\ValueType;

/**
 * A key that was pressed means what the menu before it said it means: 'press one to confirm, two to move it', 'for sales press 1',
 * 'one confirms, two moves it'.
 */
final readonly class KeyedChoice
{
    private const DIGITS = ['one' => '1', 'two' => '2', 'three' => '3', 'four' => '4', 'five' => '5', 'six' => '6', 'seven' => '7', 'eight' => '8', 'nine' => '9', 'zero' => '0', 'nought' => '0'];

    public function __construct(private Readings $readings, private Options $options)
    {
    }

    /** @return list<string> fields filled */
    public function read(Hearing $hearing, Exchange $exchange, ?bool $reaction): array
    {
        $key = trim($exchange->heard->original, " .#\t");
        $key = self::DIGITS[strtolower($key)] ?? $key;
        if ($exchange->asked === '') {
            return [];
        }
        if (preg_match('/^\d$/', $key) !== 1) {
            return $reaction === true ? $this->confirmed($hearing, $exchange) : [];
        }
        $means = $this->menu($exchange->asked)[$key] ?? null;
        if ($means === null) {
            return [];
        }
        $filled = [];
        foreach ($hearing->fields as $field) {
            $reading = $this->option($hearing, $field, $means);
            if ($reading !== null) {
                $hearing->claim($field, $reading, 0.95, $exchange, $exchange->heard->original, Claim::ANSWERED);
                $filled[] = $field->key();
            }
        }

        return $filled;
    }

    /**
     * 'Yes, that's fine' to a menu whose first item confirms.
     *
     * @return list<string>
     */
    private function confirmed(Hearing $hearing, Exchange $exchange): array
    {
        $menu = $this->menu($exchange->asked);
        foreach ($menu === [] ? [] : $hearing->fields as $field) {
            foreach ($field->type === ValueType::Choice && $hearing->unanswered($field->key()) ? $field->field->options : [] as $option) {
                if (preg_match('/^(?:confirm(?:ed)?|yes|accept(?:ed)?|agreed?|keep)\b/', $option['key']) === 1 && array_filter($menu, fn (string $means): bool => $this->option($hearing, $field, $means) === $option['key']) !== []) {
                    $hearing->claim($field, $option['key'], 0.82, $exchange, '', Claim::AGREED);

                    return [];
                }
            }
        }

        return [];
    }

    /**
     * What each key stands for.
     *
     * @return array<string, string> words by key
     */
    public function menu(string $asked): array
    {
        $digit = '(?:\d|one|two|three|four|five|six|seven|eight|nine|zero|nought)';
        $press = '(?:press|push|dial|key|enter|hit|say|choose)';
        $menu = [];
        $parts = [];
        foreach (preg_split('/[.;?!]\s+/', $asked) ?: [] as $sentence) {
            // 'Confirm, press one' stays whole; 'one confirms, two moves it' falls into its items.
            $parts = [...$parts, ...(preg_match("/^[^,]+, {$press} {$digit}\W*$/i", $sentence) === 1 ? [$sentence] : (preg_split('/,\s+|\s+(?:and|or)\s+(?='.$digit.'\b|'.$press.'\b|for\b|to\b)/i', $sentence) ?: []))];
        }
        foreach ($parts as $part) {
            $part = trim($part, ' .,;?!');
            $found = match (true) {
                preg_match("/^(?:please )?(?:{$press} )?({$digit})(?: if you(?:'d| would)?(?: like| want)?(?: to)?| to| for| and we| is| means)? (.+)$/i", $part, $m) === 1 => [$m[1], $m[2]],
                preg_match("/^(?:for |to )?([^,]+), {$press} ({$digit})$/i", $part, $m) === 1 => [$m[2], $m[1]],
                preg_match("/^(?:for|to|if you(?:'d| would)?(?: like| want)?(?: to)?) (.+?),? {$press} ({$digit})$/i", $part, $m) === 1 => [$m[2], $m[1]],
                default => null,
            };
            if ($found !== null) {
                $key = self::DIGITS[strtolower($found[0])] ?? $found[0];
                $menu[$key] ??= $found[1];
            }
        }

        // One item alone is no menu: 'one moment', 'two of us'.
        return count($menu) >= 2 || preg_match("/\\b{$press} {$digit}\\b/i", $asked) === 1 ? $menu : [];
    }

    private function option(Hearing $hearing, FieldProfile $field, string $means): mixed
    {
        if ($field->type !== ValueType::Choice) {
            return null;
        }
        $heard = $this->readings->hear($means);
        $reading = $this->readings->read($field, $heard, $hearing->now, $hearing->transcript->country, false);
        $reading = $reading->found() ? $reading : ($this->options->loose($field, $heard) ?? $this->alike($field, $means));

        return $reading->found() ? $reading->value : null;
    }

    /** 'Moves it' for the option “move”: the same word in another form. */
    private function alike(FieldProfile $field, string $means): Reading
    {
        $stems = array_flip((new \Ringo\Language\Stemmer)->stems($means));
        $found = [];
        foreach ($field->field->options as $option) {
            foreach ([$option['label'], str_replace('_', ' ', $option['key'])] as $name) {
                if (array_intersect_key($stems, array_flip((new \Ringo\Language\Stemmer)->stems($name))) !== []) {
                    $found[$option['key']] = true;
                }
            }
        }

        return count($found) === 1 ? Reading::of((string) array_key_first($found), 0.9, $means, 0, strlen($means)) : Reading::none();
    }
}
