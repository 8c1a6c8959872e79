<?php

declare(strict_types=1);

namespace Tests\Fuzz;

use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;

/** Spoils what is sound, by a seed: documents by place, texts by byte. The same seed spoils the same. */
final class Mutator
{
    private Randomizer $dice;

    public function __construct(string $seed)
    {
        $this->dice = new Randomizer(new Xoshiro256StarStar(hash('sha256', $seed, true)));
    }

    /**
     * @param array<array-key, mixed> $document
     *
     * @return array<array-key, mixed>
     */
    public function document(array $document): array
    {
        for ($n = $this->dice->getInt(1, 3); $n > 0; $n--) {
            $document = $this->spoil($document, $this->dice->getInt(0, 6));
        }

        return $document;
    }

    public function text(string $text): string
    {
        for ($n = $this->dice->getInt(1, 3); $n > 0; $n--) {
            $at = $this->dice->getInt(0, max(0, strlen($text) - 1));
            $long = $this->dice->getInt(0, 200);
            $text = match ($this->dice->getInt(0, 9)) {
                0 => substr($text, 0, $at),
                1 => substr($text, $at),
                2 => substr($text, 0, $at).chr($this->dice->getInt(0, 255)).substr($text, $at + 1),
                3 => substr($text, 0, $at).$this->one(["\0", "\xff\xfe", "\xc3\x28", '"', '""', "'", '<', '<table>', '&#0;', '&#x110000;', "\r", "\n\n", ';', ',,,,', '|', '---', "\u{202e}", '${7*7}', '=cmd()', '%s%n', '\\', '[', ']', '{', '}', 'END:VCARD', 'BEGIN:VEVENT', '%PDF', '<!--', '-->', '<script>']).substr($text, $at),
                4 => substr($text, 0, $at).str_repeat(substr($text, $at, $this->dice->getInt(1, 30)), $long).substr($text, $at),
                5 => substr($text, 0, $at).substr($text, $at + $long),
                6 => "\xef\xbb\xbf".$text,
                7 => str_replace("\n", "\r\n", $text),
                8 => substr($text, 0, $at).str_repeat($this->one(['<div>', '[', '(', '- ', '> ', '#', '{']), 3000).substr($text, $at),
                default => substr($text, 0, $at).$this->dice->getBytes(40).substr($text, $at),
            };
        }

        return $text;
    }

    /**
     * @param array<array-key, mixed> $part
     *
     * @return array<array-key, mixed>
     */
    private function spoil(array $part, int $depth): array
    {
        $keys = array_keys($part);
        if ($keys === []) {
            return [$this->odd()];
        }
        $key = $keys[$this->dice->getInt(0, count($keys) - 1)];
        if ($depth > 0 && is_array($part[$key]) && $part[$key] !== []) {
            $part[$key] = $this->spoil($part[$key], $depth - 1);

            return $part;
        }
        switch ($this->dice->getInt(0, 5)) {
            case 0:
                unset($part[$key]);

                break;
            case 1:
                $part[$this->one(['unknown', '', '0', "\0", 'type', 'key', '$ref', '__proto__', 'ключ'])] = $this->odd();

                break;
            case 2:
                $part[$key] = [$part[$key], [$part[$key]]];

                break;
            default:
                $part[$key] = $this->odd();
        }

        return $part;
    }

    private function odd(): mixed
    {
        return $this->one([
            null, true, false, 0, -1, 1.5, 1e308, PHP_INT_MAX, '', ' ', '0', "\0", "a\nb", 'null', str_repeat('x', 5000), str_repeat('[', 400), '0000-00-00', '9999-99-99T99:99', '-P1D', 'P999999999Y', '+44', '../../x', 'http://[::1]/', '[caller.name|', '(((((((a*)*)*)*)*)*)*)*$', '~', 'Europe/Nowhere', '🜚', "\u{0}\u{202e}",
            [], [[]], [[[[[[]]]]]], ['x' => ['y' => ['z' => null]]], [null], [1, 'a', [2]], ['a', 'a'], array_fill(0, 300, 'x'), ['key' => ['key']], [['key' => 'a'], 'b'],
        ]);
    }

    /**
     * @template T
     *
     * @param non-empty-list<T> $list
     *
     * @return T
     */
    private function one(array $list): mixed
    {
        return $list[$this->dice->getInt(0, count($list) - 1)];
    }
}
