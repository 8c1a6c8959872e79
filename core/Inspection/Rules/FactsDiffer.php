<?php

declare(strict_types=1);

namespace Ringo\Inspection\Rules;

use Ringo\Brief\Brief;
use Ringo\Brief\Site;
use Ringo\Brief\WrittenHours;
use Ringo\Diary\Week;
use Ringo\Inspection\Design;
use Ringo\Inspection\Finding;
use Ringo\Inspection\Rule;
use Ringo\Inspection\Severity;
use Ringo\Numbering\NumberingPlan;

/** Finds facts of a script that say otherwise than the brief: a telephone number, an address, hours. */
final readonly class FactsDiffer implements Rule
{
    /** Digits with what stands between them in a telephone number, written within other words. */
    private const NUMBER = '/\+?\d[\d ()\/.-]{6,}\d/';

    private const ADDRESS_KEYS = '/(?:^|_)(?:address|street|where)(?:$|_)/';

    public function find(Design $design): iterable
    {
        $brief = $design->around->brief;
        if ($brief === null) {
            return;
        }
        foreach ($design->script->facts as $key => $value) {
            if (! is_string($value)) {
                continue;
            }
            foreach (array_filter([$this->number($value, $brief, $design->script->agent->country), $this->address($key, $value, $brief), $this->hours($value, $brief)]) as $says) {
                yield new Finding('facts_differ', Severity::Warning, null, "The fact “{$key}” says {$says}. Callers hear the script’s.");
            }
        }
    }

    private function number(string $value, Brief $brief, string $country): ?string
    {
        $plan = new NumberingPlan;
        $known = array_filter(array_map(static fn (Site $site): ?string => $plan->parse($site->phone, $country)?->e164, $brief->sites));
        preg_match_all(self::NUMBER, $value, $found);
        foreach ($known === [] ? [] : $found[0] as $written) {
            $number = $plan->parse($written, $country);
            if ($number !== null && $number->valid && ! in_array($number->e164, $known, true)) {
                return trim($written).', and no telephone of the brief is that: '.implode(', ', array_filter(array_map(static fn (Site $site): string => $site->phone, $brief->sites)));
            }
        }

        return null;
    }

    private function address(string $key, string $value, Brief $brief): ?string
    {
        $addresses = array_values(array_filter(array_map(static fn (Site $site): string => $site->address, $brief->sites)));
        if ($addresses === [] || preg_match(self::ADDRESS_KEYS, $key) !== 1) {
            return null;
        }
        $plain = static fn (string $text): string => (string) preg_replace('/[^\pL\pN]+/u', '', mb_strtolower($text));
        foreach ($addresses as $address) {
            if (str_contains($plain($value), $plain($address)) || $plain($value) !== '' && str_contains($plain($address), $plain($value))) {
                return null;
            }
        }

        return "“{$value}”, and the brief ".implode('; ', array_map(static fn (string $one): string => "“{$one}”", $addresses));
    }

    private function hours(string $value, Brief $brief): ?string
    {
        if (! $brief->hours->given()) {
            return null;
        }
        $usual = $brief->hours->week->toArray();
        foreach ((new WrittenHours)->week($value) as $day => $spans) {
            if ($spans !== ($usual[$day] ?? []) && in_array($day, Week::DAYS, true)) {
                return "“{$value}”, and the brief has ".(($usual[$day] ?? []) === [] ? 'nothing' : implode(', ', $usual[$day])).' on '.ucfirst($day);
            }
        }

        return null;
    }
}
