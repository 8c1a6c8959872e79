<?php

declare(strict_types=1);

namespace App\Support;

use Symfony\Component\Yaml\Exception\ParseException;
use Symfony\Component\Yaml\Yaml;

/** A description written as YAML, as JSON: without objects, tags of a language or references that grow. */
final readonly class YamlText
{
    private const MOST_BYTES = 2_000_000;

    /** References to a part written once; a few are a convenience, many are a bomb. */
    private const MOST_REFERENCES = 50;

    /**
     * @return string the same text where it is JSON already
     *
     * @throws \DomainException saying what is wrong and on which line
     */
    public static function json(string $text): string
    {
        $start = ltrim($text, "\xEF\xBB\xBF \t\r\n");
        if ($start === '' || $start[0] === '{' || $start[0] === '[' || $start[0] === '<') {
            return $start === '' ? $text : $start;
        }
        if (strlen($text) > self::MOST_BYTES) {
            throw new \DomainException('This YAML is longer than 2 MB. Save it as JSON first.');
        }
        if (preg_match_all('/(?:^|[\s,\[{:-])\*[A-Za-z0-9_-]+/m', $text) > self::MOST_REFERENCES) {
            throw new \DomainException('This YAML refers to itself more than '.self::MOST_REFERENCES.' times (*name). Save it as JSON first.');
        }
        try {
            $data = Yaml::parse($text, Yaml::PARSE_EXCEPTION_ON_INVALID_TYPE | Yaml::PARSE_OBJECT_FOR_MAP);
        } catch (ParseException $problem) {
            throw new \DomainException('This is neither JSON nor YAML: '.($problem->getParsedLine() > 0 ? "line {$problem->getParsedLine()}, " : '').lcfirst((string) preg_replace('/ at line \d+.*$/s', '', $problem->getMessage())).'.');
        }
        if (! is_object($data)) {
            throw new \DomainException('This is neither JSON nor YAML that describes a system.');
        }

        return (string) json_encode($data, JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_INVALID_UTF8_SUBSTITUTE | JSON_PARTIAL_OUTPUT_ON_ERROR);
    }
}
