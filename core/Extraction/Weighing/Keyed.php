<?php

declare(strict_types=1);

namespace Ringo\Extraction\Weighing;

use Ringo\Extraction\FieldProfile;
use Ringo\Extraction\Options;
use Ringo\Extraction\Readings;
use Ringo\Language\Stemmer;
use Ringo\Understanding\Reading;
use Ringo\Value\ValueType;

/**
 * A key that was pressed means what the menu before it said it means: 'press one to confirm, two to move it', 'for sales press 1',
 * 'one confirms, two moves it'.
 */
final readonly class Keyed
{
    private const DIGITS = [
        'one' => '1',
        'two' => '2',
        'three' => '3',
        'four' => '4',
        'five' => '5',
        'six' => '6',
        'seven' => '7',
        'eight' => '8',
        'nine' => '9',
        'zero' => '0',
        'nought' => '0',
    ];

    public function __construct(private Readings $readings, private Options $options, private Stemmer $stemmer = new Stemmer)
    {
    }

    /** @return list<Candidate> */
    public function of(Scene $scene, Utterance $utterance): array
    {
        $menu = $utterance->theirs || $utterance->before === '' ? [] : $this->menu($utterance->before);
        if ($menu === []) {
            return [];
        }
        $key = trim($utterance->heard->original, " .#\t");
        $key = self::DIGITS[strtolower($key)] ?? $key;
        $agrees = preg_match('/^\d$/', $key) !== 1;
        if ($agrees && $this->readings->reaction($utterance->heard, $scene->hearing->now) !== true) {
            return [];
        }
        $found = [];
        foreach ($scene->fields as $field) {
            $option = $agrees ? $this->confirms($scene, $field, $menu) : $this->option($scene, $field, $menu[$key] ?? '');
            if ($option !== null) {
                $found[] = new Candidate(
                    $field,
                    $option,
                    $utterance->place,
                    $utterance->turn,
                    $utterance->heard->original,
                    Candidate::KEYED,
                    ['caller' => 1.0, 'agrees' => $agrees ? 1.0 : 0.0],
                );
            }
        }

        return $found;
    }

    /**
     * 'Yes, that's fine' to a menu whose first item confirms.
     *
     * @param array<string, string> $menu
     */
    private function confirms(Scene $scene, FieldProfile $field, array $menu): ?string
    {
        foreach ($field->type === ValueType::Choice ? $field->field->options : [] as $option) {
            if (preg_match('/^(?:confirm(?:ed)?|yes|accept(?:ed)?|agreed?|keep)\b/', $option['key']) === 1 && array_filter($menu, fn (string $means): bool => $this->option($scene, $field, $means) === $option['key']) !== []) {
                return $option['key'];
            }
        }

        return null;
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
            $parts = [
                ...$parts,
                ...(preg_match("/^[^,]+, {$press} {$digit}\W*$/i", $sentence) === 1 ? [$sentence] : (preg_split('/,\s+|\s+(?:and|or)\s+(?='.$digit.'\b|'.$press.'\b|for\b|to\b)/i', $sentence) ?: [])),
            ];
        }
        foreach ($parts as $part) {
            $part = (string) preg_replace('/^(?:and|or) /i', '', trim($part, ' .,;?!'));
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

    private function option(Scene $scene, FieldProfile $field, string $means): ?string
    {
        if ($field->type !== ValueType::Choice || $means === '') {
            return null;
        }
        $heard = $this->readings->hear($means);
        $reading = $this->readings->read($field, $heard, $scene->hearing->now, $scene->country(), false);
        $reading = $reading->found() ? $reading : ($this->options->loose($field, $heard) ?? $this->alike($field, $means));

        return is_string($reading->value) ? $reading->value : null;
    }

    /** 'Moves it' for the option “move”: the same word in another form. */
    private function alike(FieldProfile $field, string $means): Reading
    {
        $stems = array_flip($this->stemmer->stems($means));
        $found = [];
        foreach ($field->field->options as $option) {
            foreach ([$option['label'], str_replace('_', ' ', $option['key'])] as $name) {
                if (array_intersect_key($stems, array_flip($this->stemmer->stems($name))) !== []) {
                    $found[$option['key']] = true;
                }
            }
        }

        return count($found) === 1 ? Reading::of((string) array_key_first($found), 0.9, $means, 0, strlen($means)) : Reading::none();
    }
}
