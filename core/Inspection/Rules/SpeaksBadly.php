<?php

declare(strict_types=1);

namespace Ringo\Inspection\Rules;

use Ringo\Design\ScriptDocument;
use Ringo\Inspection\Design;
use Ringo\Inspection\Finding;
use Ringo\Inspection\Fix;
use Ringo\Inspection\Rule;
use Ringo\Inspection\Severity;

/** Finds abbreviations and signs that a voice stumbles over. */
final readonly class SpeaksBadly implements Rule
{
    public function find(Design $design): iterable
    {
        $table = $design->words->section('inspection', 'spoken_as');
        foreach ($design->lines() as $line) {
            foreach ($table as $pattern => $instead) {
                if (preg_match($pattern, $line->bare(), $m) !== 1) {
                    continue;
                }
                $words = trim($m[0]);
                yield new Finding(
                    'speaks_badly',
                    Severity::Warning,
                    $line->step,
                    "“{$words}” in the {$line->what} speaks badly".($instead === null ? '; write it as it is said.' : '; write “'.trim((string) preg_replace($pattern, $instead, $m[0])).'”.'),
                    $instead === null ? null : $this->fix($pattern, $instead, $line->text, trim((string) preg_replace($pattern, $instead, $m[0]))),
                );
            }
        }
    }

    private function fix(string $pattern, string $instead, string $text, string $words): Fix
    {
        return new Fix("Write “{$words}”", static function (ScriptDocument $document) use ($pattern, $instead, $text): ScriptDocument {
            $mend = static function (mixed $value) use (&$mend, $pattern, $instead, $text): mixed {
                if (is_array($value)) {
                    return array_map($mend, $value);
                }

                return $value === $text ? preg_replace($pattern, $instead, $text) : $value;
            };
            /** @var array<string, mixed> $data */
            $data = [...$document->toArray(), ...array_map($mend, array_intersect_key($document->toArray(), ['agent' => 1, 'standing' => 1, 'steps' => 1]))];

            return ScriptDocument::fromArray($data);
        });
    }
}
