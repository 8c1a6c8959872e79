<?php

declare(strict_types=1);

namespace App\Actions\Contacts;

use App\Models\ContactColumn;
use Illuminate\Support\Str;
use Ringo\Numbering\NumberingPlan;

/** One row of somebody else's table as a contact: what goes where is told by the mapping, and what is wrong is said. */
final readonly class ContactRow
{
    /** Where a column can go, beside columns of the business's own and nowhere. */
    public const TARGETS = ['name' => 'name', 'first_name' => 'first name', 'last_name' => 'last name', 'organisation' => 'organisation', 'email' => 'e-mail', 'phone' => 'telephone', 'tags' => 'tags', 'notes' => 'notes', 'language' => 'language', 'kind' => 'person or organisation', 'consent_on' => 'consent given on', 'do_not_call' => 'do not call', 'pin' => 'PIN', 'uid' => 'identifier of a card'];

    private const GUESSES = [
        'phone' => '/phone|tel|mobile|cell|number|handy|gsm/i', 'email' => '/e-?mail/i', 'first_name' => '/^(?:first|given|fore)\s?_?name$/i', 'last_name' => '/^(?:last|family|sur)\s?_?name$/i',
        'organisation' => '/company|organi[sz]ation|firm|account name|business/i', 'name' => '/^(?:full\s?_?)?name$|contact/i', 'tags' => '/^tags?$|labels?|groups?/i', 'notes' => '/notes?|comments?|remarks?/i',
        'language' => '/^lang/i', 'consent_on' => '/consent|opt.?in/i', 'do_not_call' => '/do.?not.?call|dnc|opt.?out/i', 'kind' => '/^(?:kind|type)$/i', 'pin' => '/^pin$/i',
    ];

    /**
     * @param array<string, string> $mapping heading => target
     * @param array<string, ContactColumn> $columns by key
     */
    public function __construct(private array $mapping, private array $columns, private NumberingPlan $plan, private string $country)
    {
    }

    /** A heading without what people write differently: 'Post code', 'postcode' and 'post_code' are one. */
    public static function bare(string $heading): string
    {
        return (string) preg_replace('/[^a-z0-9]+/', '', Str::lower(Str::ascii($heading)));
    }

    /**
     * @param list<string> $header
     * @param array<string, ContactColumn> $columns
     *
     * @return array<string, string> heading => target, '' for nowhere
     */
    public static function guess(array $header, array $columns): array
    {
        $mapping = [];
        $once = [];
        foreach ($header as $heading) {
            $mapping[$heading] = '';
            foreach ($columns as $key => $column) {
                if (self::bare($heading) === self::bare($key) || self::bare($heading) === self::bare($column->title)) {
                    $mapping[$heading] = 'column:'.$key;
                }
            }
            foreach ($mapping[$heading] === '' ? self::GUESSES : [] as $target => $pattern) {
                if (preg_match($pattern, $heading) === 1 && ($target === 'phone' || ! isset($once[$target]))) {
                    $mapping[$heading] = $target;
                    $once[$target] = true;

                    break;
                }
            }
        }

        return $mapping;
    }

    /**
     * @param array<string, string> $row
     *
     * @return array{contact: array<string, mixed>, numbers: list<string>, problems: list<string>, refused: ?string} problems tell what was left out, refused why the row is none
     */
    public function read(array $row): array
    {
        /** @var array{name: string, organisation: string, email: string, kind: string, tags: list<string>, notes: string, language: string, consent_on: ?string, do_not_call: bool, pin: ?string, facts: array<string, string>} $contact */
        $contact = ['name' => '', 'organisation' => '', 'email' => '', 'kind' => 'person', 'tags' => [], 'notes' => '', 'language' => 'en', 'consent_on' => null, 'do_not_call' => false, 'pin' => null, 'facts' => []];
        $numbers = [];
        $problems = [];
        $facts = [];
        $first = $last = '';
        foreach ($this->mapping as $heading => $target) {
            $value = trim(mb_substr((string) ($row[$heading] ?? ''), 0, 2000));
            if ($value === '' || $target === '') {
                continue;
            }
            if (str_starts_with($target, 'column:')) {
                $column = $this->columns[substr($target, 7)] ?? null;
                $typed = $column === null ? null : $this->typed($column, $value);
                $typed === null ? $problems[] = "“{$value}” in {$heading} is not ".(ContactColumn::TYPES[$column->type ?? 'text'] ?? 'a value') : $facts[substr($target, 7)] = $typed;

                continue;
            }
            match ($target) {
                'first_name' => $first = $value,
                'last_name' => $last = $value,
                'phone' => $this->numbers($value, $heading, $numbers, $problems),
                'email' => filter_var($value, FILTER_VALIDATE_EMAIL) !== false ? $contact['email'] = Str::lower($value) : $problems[] = "“{$value}” in {$heading} is no e-mail address",
                'tags' => $contact['tags'] = array_values(array_unique(array_filter(array_map(trim(...), preg_split('/[,;|]/', $value) ?: [])))),
                'kind' => $contact['kind'] = preg_match('/org|comp|firm|bus/i', $value) === 1 ? 'organisation' : 'person',
                'consent_on' => ($day = date_create_immutable(str_replace('/', '-', $value))) !== false ? $contact['consent_on'] = $day->format('Y-m-d') : $problems[] = "“{$value}” in {$heading} is no date",
                'do_not_call' => $contact['do_not_call'] = preg_match('/^(?:1|y|yes|true|x|ja|oui)$/i', $value) === 1,
                'pin' => preg_match('/^\d{4,8}$/', $value) === 1 ? $contact['pin'] = $value : $problems[] = "the PIN in {$heading} is not 4 to 8 digits",
                'language' => $contact['language'] = Str::lower(substr($value, 0, 2)),
                default => $contact[$target] = $value,
            };
        }
        $contact['facts'] = $facts;
        $contact['name'] = $contact['name'] !== '' ? $contact['name'] : trim("{$first} {$last}");
        if ($contact['name'] === '' && $contact['organisation'] !== '') {
            [$contact['name'], $contact['kind']] = [$contact['organisation'], 'organisation'];
        }
        $refused = match (true) {
            $contact['name'] === '' && $numbers === [] && $contact['email'] === '' => 'there is no name, number or e-mail address in it',
            $contact['name'] === '' => 'there is no name in it',
            default => null,
        };

        return ['contact' => $contact, 'numbers' => array_values(array_unique($numbers)), 'problems' => $problems, 'refused' => $refused];
    }

    /**
     * @param list<string> $numbers
     * @param list<string> $problems
     */
    private function numbers(string $value, string $heading, array &$numbers, array &$problems): void
    {
        foreach (preg_split('/[;|]|,(?=\s*[+0(])/', $value) ?: [] as $one) {
            // A spreadsheet may have written a long number as 4.47701E+11, or taken its zero.
            $written = trim($one);
            $parsed = $this->plan->parse($written, $this->country) ?? $this->plan->parse('0'.$written, $this->country);
            if ($parsed === null || ! $parsed->valid) {
                $again = preg_match('/^[1-9]\d{8,10}$/', $written) === 1 ? $this->plan->parse('0'.$written, $this->country) : null;
                $parsed = $again !== null && $again->valid ? $again : null;
            }
            $parsed === null ? $problems[] = "“{$written}” in {$heading} is no telephone number" : $numbers[] = $parsed->e164;
        }
    }

    private function typed(ContactColumn $column, string $value): ?string
    {
        return match ($column->type) {
            'number' => is_numeric(str_replace([',', ' '], '', $value)) ? str_replace([',', ' '], '', $value) : null,
            'date' => ($day = date_create_immutable(str_replace('/', '-', $value))) !== false ? $day->format('Y-m-d') : null,
            'yes_no' => preg_match('/^(?:1|y|yes|true|x|0|n|no|false)$/i', $value) === 1 ? (preg_match('/^(?:1|y|yes|true|x)$/i', $value) === 1 ? 'yes' : 'no') : null,
            default => $value,
        };
    }
}
