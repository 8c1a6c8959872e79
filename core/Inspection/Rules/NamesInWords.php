<?php

declare(strict_types=1);

namespace Ringo\Inspection\Rules;

use Ringo\Design\ScriptDocument;
use Ringo\Inspection\Design;
use Ringo\Inspection\Finding;
use Ringo\Inspection\Fix;
use Ringo\Inspection\Line;
use Ringo\Inspection\Rule;
use Ringo\Inspection\Severity;

/** Finds names of businesses that stand in the words: another one's is left over, the own one is better named by its placeholder. */
final readonly class NamesInWords implements Rule
{
    public function find(Design $design): iterable
    {
        $own = $design->script->agent->business;
        foreach ($design->lines() as $line) {
            $words = (string) preg_replace('/\[[^\]]*\]/', ' ', $line->text);
            foreach ($design->around->otherBusinesses as $other) {
                if ($other !== $own && $this->stands($other, $words)) {
                    yield new Finding('other_business', Severity::Error, $line->step, "The {$line->what} names {$other}, which is another business.");
                }
            }
            if ($line->step !== null && $this->stands($own, $words)) {
                yield new Finding('business_in_words', Severity::Note, $line->step, "The {$line->what} holds the business's name as plain words; [business] follows when it changes.", $this->fix($line, $own));
            }
        }
    }

    private function stands(string $name, string $words): bool
    {
        return trim($name) !== '' && preg_match('/(?<![\p{L}\p{N}])'.preg_quote($name, '/').'(?![\p{L}\p{N}])/u', $words) === 1;
    }

    private function fix(Line $line, string $own): Fix
    {
        $step = (string) $line->step;
        $mend = static function (mixed $value) use (&$mend, $own): mixed {
            if (is_array($value)) {
                return array_map($mend, $value);
            }

            return is_string($value) ? preg_replace('/(?<![\p{L}\p{N}\[])'.preg_quote($own, '/').'(?![\p{L}\p{N}])/u', '[business]', $value) : $value;
        };

        return new Fix('Put [business] in its place', static function (ScriptDocument $document) use ($step, $mend): ScriptDocument {
            $data = $document->step($step);
            foreach (['prompt', 'again', 'after_detour', 'second_visit', 'reprompts', 'help', 'why', 'voicemail'] as $key) {
                if (isset($data[$key])) {
                    $data[$key] = $mend($data[$key]);
                }
            }

            return $document->withStep($step, $data);
        });
    }
}
