<?php

declare(strict_types=1);

namespace Ringo\Language;

/** Cuts a line of speech, as recognisers and people write it, into tokens. */
final class Tokenizer
{
    private const PATTERN = <<<'RE'
        ~(?:[\w.+%-]+@[\w-]+(?:\.[\w-]+)+)
        |\d+(?:st|nd|rd|th)\b
        |\d{1,3}(?:,\d{3})+(?:\.\d+)?(?!\d)
        |\d{4}-\d{2}-\d{2}(?!\d)
        |\d{1,2}:\d{2}(?!\d)
        |\d{1,4}(?:/\d{1,4}){1,2}(?!\d)
        |\d+(?:\.\d+)+
        |\d+
        |(?<!\w)[ap]\.\s?m\b\.?
        |\p{L}+(?:'\p{L}+)*
        |[£$€¥₹¢@\#*&%+_/½¼¾]~xui
        RE;

    /** Letters and marks that are nothing but what stands between words: most labels and phrases hold no others. */
    private const PLAIN = 'abcdefghijklmnopqrstuvwxyzABCDEFGHIJKLMNOPQRSTUVWXYZ ,;!?()"-';

    /** Lines whose words are remembered: labels and phrases of a design are looked at again and again. */
    private const KEPT = 5_000;

    /** @var array<array-key, list<string>> */
    private array $words = [];

    /** @return list<Token> */
    public function tokens(string $line): array
    {
        $line = str_replace(['’', '‘', '`'], "'", $line);
        if (! mb_check_encoding($line, 'UTF-8')) {
            $line = mb_convert_encoding($line, 'UTF-8', 'ISO-8859-1');
        }
        preg_match_all(self::PATTERN, $line, $found, PREG_OFFSET_CAPTURE);
        $tokens = [];
        $last = 0;
        foreach ($found[0] as [$piece, $at]) {
            $text = self::plain(mb_strtolower($piece));
            $end = $at + strlen($piece);
            $tokens[] = new Token($text, $piece, $at, $end, substr($line, $last, $at - $last));
            $last = $end;
        }

        return $tokens;
    }

    /** Most words are what they are: only a stop or an apostrophe asks for a closer look. */
    private static function plain(string $text): string
    {
        if (str_contains($text, '.') && preg_match('/^[ap]\.\s?m\.?$/', $text) === 1) {
            return $text[0].'m';
        }
        if (! str_contains($text, "'")) {
            return $text;
        }
        // 'A week'll do': the unit is what counts.
        $text = (string) preg_replace("/^(minutes?|hours?|days?|nights?|weeks?|fortnight|months?|years?|weekend|today|tonight|tomorrow|morning|afternoon|evening|noon|\\w+day)'(?:ll|d)$/", '$1', $text);

        // 'Eleven fifteen's great': so does the number.
        return (string) preg_replace("/^(two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|\\w+teen|twenty|thirty|forty|fifty|sixty|seventy|eighty|ninety|half|quarter)'(?:s|ll|d)$/", '$1', $text);
    }

    /** @return list<string> the token texts of a line */
    public function words(string $line): array
    {
        if (count($this->words) > self::KEPT) {
            $this->words = [];
        }

        return $this->words[$line] ??= strspn($line, self::PLAIN) === strlen($line)
            ? preg_split('/[^a-z]+/', strtolower($line), -1, PREG_SPLIT_NO_EMPTY) ?: []
            : array_map(static fn (Token $token): string => $token->text, $this->tokens($line));
    }
}
