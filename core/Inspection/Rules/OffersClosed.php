<?php

declare(strict_types=1);

namespace Ringo\Inspection\Rules;

use Ringo\Diary\Diaries;
use Ringo\Diary\Diary;
use Ringo\Diary\Service;
use Ringo\Inspection\Design;
use Ringo\Inspection\Finding;
use Ringo\Inspection\Rule;
use Ringo\Inspection\Severity;
use Ringo\Language\Tokenizer;
use Ringo\Language\Vocabulary;
use Ringo\Script\Steps\Book\BookStep;

/** Finds words of a step that books which offer a weekday on which nobody who could do it is in. */
final readonly class OffersClosed implements Rule
{
    /** Words before a day in which a 'not' or 'except' takes it out. */
    private const DENIED_WITHIN = 3;

    public function find(Design $design): iterable
    {
        $diaries = $design->around->diaries;
        foreach ($diaries === null ? [] : $design->script->steps as $key => $step) {
            if (! $step instanceof BookStep || $step->does !== 'book' || $diaries === null) {
                continue;
            }
            $services = array_values(array_intersect_key($diaries->services, array_flip($step->services($design->script->sheet))));
            foreach ($services === [] ? [] : $this->weekdays($step, $design->words) as $weekday => $name) {
                if (array_filter($services, fn (Service $service): bool => $this->open($diaries, $service, $weekday)) === []) {
                    yield new Finding('offers_closed', Severity::Warning, (string) $key, "The words offer {$name}, and on that day nobody who could do it is in: nothing is ever free then.");
                }
            }
        }
    }

    private function open(Diaries $diaries, Service $service, int $weekday): bool
    {
        return array_filter($diaries->taking($service), static fn (Diary $diary): bool => ($diary->hours ?? $diaries->hours)->on($weekday) !== []) !== [];
    }

    /** @return array<int, string> weekdays that the words name, ISO from 1; not those they rule out */
    private function weekdays(BookStep $step, Vocabulary $words): array
    {
        $named = [];
        foreach ((array) $step->prompt->toScript() as $text) {
            $said = (new Tokenizer)->words((string) preg_replace('/\[[^\]]*\]/', ' ', (string) $text));
            foreach ($said as $n => $word) {
                $weekday = $words->section('calendar', 'weekdays')[mb_strtolower($word)] ?? null;
                $before = array_slice($said, max(0, $n - self::DENIED_WITHIN), min(self::DENIED_WITHIN, $n));
                if (is_int($weekday) && array_intersect(array_map(mb_strtolower(...), $before), $words->section('wishes', 'denying')) === []) {
                    $named[$weekday] = ucfirst($word);
                }
            }
        }

        return $named;
    }
}
