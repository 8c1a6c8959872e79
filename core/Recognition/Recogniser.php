<?php

declare(strict_types=1);

namespace Ringo\Recognition;

use Ringo\Numbering\NumberingPlan;

/** Tells, before the first word, who is calling: from the number alone, with the reason for it. */
final readonly class Recogniser
{
    public function __construct(private NumberingPlan $plan, private Directory $directory, private string $country)
    {
    }

    public function of(?string $number): Recognised
    {
        $written = trim((string) $number);
        if ($written === '' || preg_match('/^(?:anonymous|private|withheld|unknown|restricted|unavailable|blocked|no ?caller ?id|\+?0{3,})$/i', $written) === 1) {
            return new Recognised('withheld', null, ['known' => false, 'kind' => 'withheld'], [], ['the number is withheld']);
        }
        $parsed = $this->plan->parse((string) preg_replace('/^sips?:|^tel:|@.*$|;.*$/i', '', $written), $this->country);
        if ($parsed === null || ! $parsed->valid) {
            return new Recognised('unparseable', null, ['known' => false, 'kind' => 'withheld'], [], ["“{$written}” is no telephone number, so it counts as withheld"]);
        }
        $why = ["read as {$parsed->e164}".($written === $parsed->e164 ? '' : ", written {$written}")];
        $found = $this->directory->at($parsed->e164);
        if (array_filter($found, static fn (array $one): bool => (bool) ($one['blocked'] ?? false)) !== []) {
            return new Recognised('blocked', $parsed->e164, ['known' => false, 'kind' => 'blocked'], [], [...$why, 'the number is blocked']);
        }
        $people = array_values(array_filter($found, static fn (array $one): bool => ($one['contact_kind'] ?? 'person') === 'person'));
        $organisations = array_values(array_filter($found, static fn (array $one): bool => ($one['contact_kind'] ?? 'person') === 'organisation'));
        if (count($people) > 1) {
            return new Recognised('shared', $parsed->e164, ['known' => false, 'kind' => 'shared', 'shared' => true], array_map(fn (array $one): array => $this->facts($one, $parsed->e164), $people), [...$why, count($people).' people share the number, so the caller is asked who it is']);
        }
        if (count($people) === 1) {
            return new Recognised('known', $parsed->e164, $this->facts($people[0], $parsed->e164), [], [...$why, 'the number of '.($people[0]['name'] ?? 'a contact')]);
        }
        if ($organisations !== []) {
            return new Recognised('organisation', $parsed->e164, ['known' => false, 'kind' => 'organisation', 'organisation' => (string) ($organisations[0]['name'] ?? '')], [], [...$why, 'the switchboard of '.($organisations[0]['name'] ?? 'an organisation').', so who is calling is not known']);
        }

        return new Recognised('unknown', $parsed->e164, ['known' => false, 'kind' => 'unknown'], [], [...$why, 'the number is in nobody’s record']);
    }

    /**
     * @param array<string, scalar|null> $contact
     *
     * @return array<string, scalar|null> what is missing or broken is left out, so that it only means 'ask'
     */
    private function facts(array $contact, string $number): array
    {
        $texts = array_map(static fn (mixed $value): string => is_scalar($value) ? (string) $value : '', array_diff_key($contact, ['contact_kind' => 1, 'blocked' => 1, 'locked' => 1, 'last_hours' => 1]));
        $facts = [...CallerFacts::of([$texts]), 'kind' => 'known', 'phone_on_file' => $number];
        foreach (['locked', 'last_hours'] as $key) {
            if (isset($contact[$key])) {
                $facts[$key] = $contact[$key];
            }
        }

        return $facts;
    }
}
