<?php

declare(strict_types=1);

namespace App\Actions\Outreach;

use App\Actions\Contacts\FindContacts;
use App\Models\Campaign;
use App\Models\CampaignPerson;
use App\Models\Contact;
use App\Models\ContactNumber;
use Illuminate\Support\Facades\DB;
use Ringo\Format\CsvTable;
use Ringo\Numbering\NumberingPlan;
use Ringo\Outreach\Listed;

/** Puts people on a campaign's list: callers of the business, or a list brought in. Each number once. */
final readonly class AddPeople
{
    /** Columns that decide about ringing; all others are facts for the agent. */
    private const DECIDE = ['id', 'phone', 'name', 'tz', 'consent', 'consent_purpose', 'do_not_call', 'asked_for', 'complaint', 'done', 'priority'];

    private const MOST = 100_000;

    private const TOLD = 20;

    /** The priority of those who are rung first. */
    private const FIRST = 9;

    public function __construct(private NumberingPlan $plan, private FindContacts $find)
    {
    }

    /**
     * Callers of the business, with what is known of them; their consent is to the campaign's purpose.
     *
     * @param array<string, string> $filter which of them, as the list of callers finds them
     *
     * @return array{added: int, there: int}
     */
    public function callers(Campaign $campaign, array $filter): array
    {
        $counts = ['added' => 0, 'there' => 0];
        $query = $this->find->by($campaign->business, $filter)->with('numbers');
        $query->whereNull('erased_at');
        foreach ($query->lazyById() as $contact) {
            if (! $contact instanceof Contact) {
                continue;
            }
            $number = $contact->numbers->first();
            if ($number === null) {
                continue;
            }
            $row = ['consent' => $contact->consent_on?->format('Y-m-d') ?? '', 'consent_purpose' => $contact->consent_on === null ? '' : $campaign->design()->purpose];
            $counts[$this->add($campaign, $contact->name, $number->e164, $number->e164, array_filter($row), $contact->callerFacts(), $contact->id) ? 'added' : 'there']++;
        }

        return $counts;
    }

    /**
     * @return array{added: int, there: int, refused: int, problems: list<string>}
     *
     * @throws \DomainException where the file is no list
     */
    public function csv(Campaign $campaign, string $path): array
    {
        $table = CsvTable::of($path);
        if (! in_array('phone', $table->header, true)) {
            throw new \DomainException('Line 1: a list has a column “phone”; this one has '.implode(', ', array_slice($table->header, 0, 12)).'.');
        }
        $counts = ['added' => 0, 'there' => 0, 'refused' => 0, 'problems' => []];
        DB::transaction(function () use ($campaign, $table, &$counts): void {
            foreach ($table->rows() as $line => $row) {
                if ($counts['added'] + $counts['there'] + $counts['refused'] >= self::MOST) {
                    throw new \DomainException('The list has more than '.number_format(self::MOST).' people. Nothing was taken.');
                }
                try {
                    $known = array_filter(array_intersect_key($row, array_flip(self::DECIDE)), static fn (string $one): bool => $one !== '');
                    Listed::of(['id' => (string) $line] + $known + ['phone' => '']);
                    $number = $this->plan->parse($row['phone'], $campaign->design()->country);
                    $facts = array_filter(array_diff_key($row, array_flip(self::DECIDE)), static fn (string $one): bool => $one !== '');
                    $name = $row['name'] ?? '';
                    $counts[$this->add($campaign, $name, $row['phone'], $number !== null && $number->valid ? $number->e164 : null, array_diff_key($known, ['id' => 1, 'phone' => 1, 'name' => 1]), $facts + ($name === '' ? [] : ['name' => $name, 'first_name' => explode(' ', $name)[0]]), null) ? 'added' : 'there']++;
                } catch (\DomainException $problem) {
                    $counts['refused']++;
                    if (count($counts['problems']) < self::TOLD) {
                        $counts['problems'][] = "Line {$line}: {$problem->getMessage()}";
                    }
                }
            }
        });

        return $counts;
    }

    /**
     * Somebody another system wants rung.
     *
     * @param array<string, mixed> $given phone, and where known name, tz, consent (to the campaign's purpose, since when), asked_for and facts
     *
     * @throws \DomainException where the number is none, or on the list already
     */
    public function one(Campaign $campaign, array $given): CampaignPerson
    {
        $text = static fn (string $key): string => is_string($given[$key] ?? null) ? trim($given[$key]) : '';
        $number = $this->plan->parse($text('phone'), $campaign->design()->country);
        if ($number === null || ! $number->valid) {
            throw new \DomainException('“'.$text('phone').'” is no telephone number.');
        }
        $row = array_filter(['tz' => $text('tz'), 'consent' => $text('consent'), 'consent_purpose' => $text('consent') === '' ? '' : $campaign->design()->purpose, 'asked_for' => $text('asked_for')]);
        $facts = array_filter(is_array($given['facts'] ?? null) ? $given['facts'] : [], is_scalar(...)) + ($text('name') === '' ? [] : ['name' => $text('name'), 'first_name' => explode(' ', $text('name'))[0]]);
        if (! $this->add($campaign, $text('name'), $text('phone'), $number->e164, $row, $facts, null)) {
            throw new \DomainException("{$number->e164} is on the list of {$campaign->name} already.");
        }

        return CampaignPerson::query()->where('campaign_id', $campaign->id)->where('e164', $number->e164)->firstOrFail();
    }

    /**
     * @param array<string, string> $row
     * @param array<string, mixed> $facts
     */
    private function add(Campaign $campaign, string $name, string $phone, ?string $e164, array $row, array $facts, ?int $contact): bool
    {
        if ($e164 !== null && CampaignPerson::query()->where('campaign_id', $campaign->id)->where('e164', $e164)->exists()) {
            return false;
        }
        $contact ??= $e164 === null ? null : ContactNumber::query()->where('business_id', $campaign->business_id)->where('e164', $e164)->value('contact_id');
        CampaignPerson::query()->create(['campaign_id' => $campaign->id, 'contact_id' => $contact, 'name' => mb_substr($name, 0, 200), 'phone' => mb_substr($phone, 0, 40), 'e164' => $e164, 'row' => $row, 'facts' => array_filter($facts, is_scalar(...)), 'state' => CampaignPerson::WAITING, 'priority' => max(0, min(self::FIRST, (int) ($row['priority'] ?? 0)))]);

        return true;
    }
}
