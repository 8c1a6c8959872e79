<?php

declare(strict_types=1);

namespace Ringo\Advice;

/**
 * Reads what an adviser answered, and believes nothing that is not exactly what was asked for: one of the keys that were given, or
 * words that stand in the text that was given. Anything else is thrown away, with the reason.
 *
 * What passes here is still no value and no sentence: a key says which of Ringo's own readings counts, and quoted words are read by
 * Ringo's own readers.
 */
final readonly class Checker
{
    /** Characters that quoted words may have. */
    public const LONGEST_QUOTE = 200;

    /** Bytes of an answer that are looked at; a choice or a few words need less. */
    private const MOST_BYTES = 65_536;

    private const DEEPEST = 12;

    public function read(Doubt $doubt, int $status, string $body): Opinion
    {
        if ($status < 200 || $status > 299) {
            return Opinion::failed("it answered {$status}");
        }
        if (strlen($body) > self::MOST_BYTES) {
            return new Opinion(Opinion::THROWN_AWAY, '', 'an answer of more than '.intdiv(self::MOST_BYTES, 1024).' KB');
        }
        $data = json_decode($body, true, self::DEEPEST);
        $content = is_array($data) ? ($data['choices'][0]['message']['content'] ?? null) : null;
        $in = self::count($data, 'prompt_tokens');
        $out = self::count($data, 'completion_tokens');
        if (! is_string($content)) {
            return new Opinion(Opinion::THROWN_AWAY, '', 'no answer in the shape of a chat completion', $in, $out);
        }
        $said = json_decode(trim($content), true, self::DEEPEST);
        $name = $doubt->quotes() ? 'quote' : 'choice';
        if (! is_array($said) || array_keys($said) !== [$name] || ! is_string($said[$name])) {
            return new Opinion(Opinion::THROWN_AWAY, '', "something else than {$name} and nothing beside it", $in, $out);
        }
        [$result, $value, $why] = $doubt->quotes() ? $this->quoted($doubt, $said[$name]) : $this->chosen($doubt, $said[$name]);

        return new Opinion($result, $value, $why, $in, $out);
    }

    /** @return array{string, string, string} */
    private function chosen(Doubt $doubt, string $key): array
    {
        return match (true) {
            $key === Doubt::NONE => [Opinion::NONE, '', ''],
            isset($doubt->choices[$key]) => [Opinion::TAKEN, $key, ''],
            default => [Opinion::THROWN_AWAY, '', 'a choice that was not given'],
        };
    }

    /** @return array{string, string, string} */
    private function quoted(Doubt $doubt, string $words): array
    {
        $words = trim($words);
        if ($words === '') {
            return [Opinion::NONE, '', ''];
        }
        if (mb_strlen($words) > self::LONGEST_QUOTE || ! mb_check_encoding($words, 'UTF-8')) {
            return [Opinion::THROWN_AWAY, '', 'more words than a value has'];
        }

        // Whole words of one line, whatever their case and the spaces between them.
        $pattern = '/(?<![\pL\pN])'.implode('\h+', array_map(static fn (string $word): string => preg_quote($word, '/'), preg_split('/\s+/u', $words) ?: [])).'(?![\pL\pN])/iu';

        return preg_match($pattern, $doubt->text, $found) === 1 ? [Opinion::TAKEN, $found[0], ''] : [Opinion::THROWN_AWAY, '', 'words that do not stand there'];
    }

    private static function count(mixed $data, string $what): int
    {
        $count = is_array($data) ? ($data['usage'][$what] ?? 0) : 0;

        return is_int($count) && $count > 0 ? min($count, 10_000_000) : 0;
    }
}
