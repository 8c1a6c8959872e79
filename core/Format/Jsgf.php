<?php

declare(strict_types=1);

namespace Ringo\Format;

use Ringo\Language\Vocabulary;

/** Writes what a step waits for as a JSGF grammar (Java Speech Grammar Format 1.0, 1998), for recognisers that take one. */
final readonly class Jsgf
{
    /** Most sayings beside the rules of the kind. */
    private const MOST = 300;

    public function __construct(private Vocabulary $words)
    {
    }

    /**
     * @param string $for kind of answer that is waited for
     * @param list<string> $sayings whole sayings that are expected: options and their phrases
     * @param ?callable(string): bool $known whether a recogniser knows a word; a saying with one it does not know is left out
     *
     * @return ?string null where a grammar would only be in the way: anything may be said
     */
    public function of(string $for, array $sayings, ?callable $known = null): ?string
    {
        $kind = $this->words->section('recogniser', 'kinds')[$for] ?? null;
        $sayings = array_slice(array_values(array_unique(array_filter(array_map($this->plain(...), $sayings), static fn (string $one): bool => $one !== '' && ($known === null || array_filter(explode(' ', $one), static fn (string $word): bool => ! $known($word)) === [])))), 0, self::MOST);
        if (! is_string($kind) && ($for !== 'choice' || $sayings === [])) {
            return null;
        }
        $alternatives = [...(is_string($kind) ? ["<{$kind}>"] : []), ...$sayings];
        $grammar = "#JSGF V1.0;\ngrammar turn;\npublic <said> = ".implode(' | ', $alternatives).";\n";
        foreach (is_string($kind) ? $this->needed($kind) : [] as $name => $rule) {
            $grammar .= "<{$name}> = {$rule};\n";
        }

        return $grammar;
    }

    /** @return array<string, string> a rule and all that it names */
    private function needed(string $name): array
    {
        $rules = $this->words->section('recogniser', 'rules');
        $needed = [];
        $open = [$name];
        while (($next = array_shift($open)) !== null) {
            if (isset($needed[$next])) {
                continue;
            }
            $needed[$next] = implode(' | ', array_map(strval(...), (array) ($rules[$next] ?? [])));
            preg_match_all('/<(\w+)>/', $needed[$next], $named);
            array_push($open, ...$named[1]);
        }

        return $needed;
    }

    private function plain(string $saying): string
    {
        return trim((string) preg_replace('/\s+/', ' ', (string) preg_replace("/[^\p{L}' ]/u", ' ', mb_strtolower(str_replace('’', "'", $saying)))));
    }
}
