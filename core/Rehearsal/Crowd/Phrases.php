<?php

declare(strict_types=1);

namespace Ringo\Rehearsal\Crowd;

use Ringo\Language\Vocabulary;

/** What stand-in callers say around what they mean. */
final class Phrases
{
    /** @var array<string, list<string>> long lists of names, by list */
    private array $lists = [];

    public function __construct(private readonly Vocabulary $words)
    {
    }

    /** @param array<string, string> $with words for `[it]` and the like */
    public function one(Dice $dice, string $of, array $with = []): string
    {
        $all = array_values(array_map(strval(...), $this->words->section('crowd', $of)));
        $text = $all === [] ? '[it]' : $dice->one($all);
        foreach ($with as $name => $value) {
            $text = str_replace("[{$name}]", $value, $text);
        }

        return $text;
    }

    /** @return list<string> ways to put a value of a type; none where people do not put it so */
    public function ways(string $of, string $type): array
    {
        $ways = $this->words->section('crowd', $of)[$type] ?? [];

        return is_array($ways) ? array_values(array_map(strval(...), $ways)) : [];
    }

    /** @return array<array-key, string> */
    public function table(string $of): array
    {
        return array_map(strval(...), $this->words->section('crowd', $of));
    }

    /** @return array<array-key, mixed> */
    public function section(string $of): array
    {
        return $this->words->section('crowd', $of);
    }

    /** @return list<string> */
    public function names(string $list): array
    {
        return $this->lists[$list] ??= array_map(strval(...), array_keys($this->words->set($list)));
    }
}
