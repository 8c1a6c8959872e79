<?php

declare(strict_types=1);

namespace Ringo\Knowledge;

/**
 * Questions with what their answers must and must not hold, a line of JSON each (data/corpora/README.md): `must` are alternatives parted
 * by a bar, a star stands for the rest of a word; figures, times and small numbers are compared as values.
 *
 * @phpstan-type Labelled array{id: string, q: string, answerable: bool, doc: ?string, heading: ?string, must: list<string>, mustnot: list<string>, kind: string}
 */
final readonly class LabelledQuestions
{
    /** Folders of businesses that the ranking is trained on (training/answers.php), from the top of the project. */
    public const TRAINED_ON = ['data/corpora/knowledge', 'data/corpora/knowledge_everyday', 'tests/Core/Knowledge/cases'];

    private const SMALL = ['one' => 1, 'two' => 2, 'three' => 3, 'four' => 4, 'five' => 5, 'six' => 6, 'seven' => 7, 'eight' => 8, 'nine' => 9, 'ten' => 10, 'eleven' => 11, 'twelve' => 12, 'fourteen' => 14, 'fifteen' => 15, 'sixteen' => 16, 'eighteen' => 18, 'twenty' => 20, 'thirty' => 30, 'forty' => 40, 'fifty' => 50, 'noon' => '12pm'];

    /**
     * @return list<Labelled>
     *
     * @throws \UnexpectedValueException naming the line
     */
    public function read(string $text): array
    {
        $all = [];
        foreach (explode("\n", $text) as $n => $line) {
            if (trim($line) === '') {
                continue;
            }
            $one = json_decode($line, true);
            if (! is_array($one) || ! is_string($one['q'] ?? null) || ! is_bool($one['answerable'] ?? null) || ! is_array($one['must'] ?? null)) {
                throw new \UnexpectedValueException('line '.($n + 1).': write id, q, answerable, doc, heading, must, mustnot and kind');
            }
            /** @var Labelled $one */
            $all[] = $one;
        }

        return $all;
    }

    /**
     * What a training was made from: the questions and checks of all businesses in the folders.
     *
     * @param list<string> $folders
     */
    public static function fingerprint(array $folders): string
    {
        $hash = hash_init('sha256');
        foreach ($folders as $folder) {
            foreach ([...(glob("{$folder}/*/questions.jsonl") ?: []), ...(glob("{$folder}/*/checks.txt") ?: [])] as $file) {
                hash_update($hash, (string) file_get_contents($file));
            }
        }

        return hash_final($hash);
    }

    /**
     * Whether words are a right answer.
     *
     * @param Labelled $question
     */
    public function right(array $question, string $text): bool
    {
        $said = $this->plain($text);
        foreach ($question['must'] as $alternatives) {
            if (array_filter(explode('|', $alternatives), fn (string $one): bool => $this->holds($said, $one)) === []) {
                return false;
            }
        }

        return array_filter($question['mustnot'], fn (string $alternatives): bool => array_filter(explode('|', $alternatives), fn (string $one): bool => $this->holds($said, $one)) !== []) === [];
    }

    private function holds(string $said, string $words): bool
    {
        // 'No.' is the bare word an answer begins with.
        if (rtrim(mb_strtolower($words), '.') !== mb_strtolower($words)) {
            return preg_match('/^'.preg_quote(rtrim($this->plain($words), '. '), '/').'\b/', $said) === 1;
        }
        $wanted = $this->plain($words);

        return preg_match('/(?<![\p{L}\p{N}£$€.])'.str_replace('\*', '\w*', preg_quote($wanted, '/')).(preg_match('/\d$/', $wanted) === 1 ? '(?![\d]|[.,]\d)' : 's?(?![\p{L}\p{N}])').'/u', $said) === 1;
    }

    /** Lower case, figures for small numbers, times as 9:30pm, money without needless pence. */
    private function plain(string $text): string
    {
        $text = mb_strtolower(str_replace(['’', '–', '—', "\u{a0}"], ["'", '-', '-', ' '], $text));
        $text = (string) preg_replace_callback('/\b('.implode('|', array_keys(self::SMALL)).')\b/', static fn (array $m): string => (string) self::SMALL[$m[1]], $text);
        $text = (string) preg_replace_callback('/\b(\d{1,2})(?:[.:](\d\d))?\s?([ap])\.?m\b\.?/', static fn (array $m): string => $m[1].($m[2] === '' || $m[2] === '00' ? '' : ':'.$m[2]).$m[3].'m', $text);
        $text = (string) preg_replace(['/(\d),(\d{3})\b/', '/\s?%/', '/(?<=\d)-(?=[a-z])/'], ['$1$2', ' per cent', ' '], $text);
        $text = (string) preg_replace('/([£$€]\s?\d+)\.00\b/u', '$1', $text);
        $text = (string) preg_replace('/([£$€])\s+(?=\d)/u', '$1', $text);

        return trim((string) preg_replace('/\s+/', ' ', $text));
    }
}
