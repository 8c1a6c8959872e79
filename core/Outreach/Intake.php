<?php

declare(strict_types=1);

namespace Ringo\Outreach;

use Ringo\Document\InvalidDocument;
use Ringo\Document\Node;
use Ringo\Numbering\NumberingPlan;

/** What a form on a client's page brings: which of its fields is what, and whether somebody is to be rung for it. */
final readonly class Intake
{
    public const ROLES = ['phone' => 'the telephone', 'name' => 'the name', 'consent' => 'their consent', 'trap' => 'must stay empty', 'leave' => 'not taken'];

    /** Characters taken of one field. */
    public const LONGEST = 500;

    /** Fields taken of one form. */
    public const MOST_FIELDS = 40;

    /** Links in one form beyond which nobody wrote it who wants to be rung. */
    private const MOST_LINKS = 1;

    /** What fields are called that nobody has mapped yet. */
    private const USUAL = ['phone' => '/phone|^tel|mobile|^number$/', 'consent' => '/consent|agree|accept|opt_?in/', 'name' => '/^(?:your_?|full_?)?name$/', 'trap' => '/^(?:website|url|homepage|fax)$/'];

    /** What a ticked box sends. */
    private const TICKED = ['1', 'on', 'yes', 'true', 'y'];

    /**
     * @param array<string, string> $map what a field of the form is: one of the roles, or `fact:KEY` for what the agent knows from the start
     * @param list<string> $origins pages that may send it; empty: any
     */
    public function __construct(public array $map = [], public array $origins = [])
    {
    }

    /**
     * @param array<string, mixed> $data
     *
     * @throws InvalidDocument
     */
    public static function fromArray(array $data): self
    {
        $node = Node::root($data);
        $map = [];
        $child = $node->child('map');
        foreach ($child->all() as $field => $role) {
            if (! is_string($role) || ! isset(self::ROLES[$role]) && preg_match('/^fact:[a-z][a-z0-9_]{0,39}$/', $role) !== 1) {
                $child->problem((string) $field, 'must be one of '.implode(', ', array_keys(self::ROLES)).' or fact:key');

                continue;
            }
            $map[(string) $field] = $role;
        }
        foreach (['phone', 'name', 'consent'] as $once) {
            if (count(array_keys($map, $once, true)) > 1) {
                $child->problem('', "two fields are “{$once}”; it can be but one");
            }
        }
        $origins = $node->strings('origins');
        foreach ($origins as $i => $origin) {
            if (preg_match('~^https?://[a-z0-9.-]+(?::\d{1,5})?$~', $origin) !== 1) {
                $node->problem("origins[{$i}]", "“{$origin}” is no origin; write https://www.example.com, without a path");
            }
        }
        $node->noMore();
        $node->settle();

        return new self($map, $origins);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return array_filter(['map' => $this->map, 'origins' => $this->origins]);
    }

    /** @return string what a field is: as mapped, else as its name says, else a fact of that name */
    public function role(string $field): string
    {
        $plain = self::plain($field);
        if (isset($this->map[$field])) {
            return $this->map[$field];
        }
        foreach (self::USUAL as $role => $names) {
            if (preg_match($names, $plain) === 1 && ! in_array($role, $this->map, true)) {
                return $role;
            }
        }

        return $plain === '' ? 'leave' : "fact:{$plain}";
    }

    /** @return string the field of the form that is this: as mapped, else of that name */
    public function field(string $role): string
    {
        return (string) (array_search($role, $this->map, true) ?: preg_replace('/^fact:/', '', $role));
    }

    /**
     * @param array<string, string> $fields of the form, by name
     * @param bool $consent whether consent is asked for at all
     */
    public function read(array $fields, string $country, bool $consent): Entry
    {
        [$by, $facts] = [['phone' => '', 'name' => '', 'consent' => '', 'trap' => ''], []];
        foreach ($fields as $field => $value) {
            $value = trim($value);
            $role = $this->role((string) $field);
            if (str_starts_with($role, 'fact:')) {
                $facts[substr($role, 5)] = $value;
            } elseif (isset($by[$role]) && $value !== '') {
                $by[$role] = $value;
            }
        }
        $number = (new NumberingPlan)->parse($by['phone'], $country);
        $consented = in_array(mb_strtolower($by['consent']), self::TICKED, true);
        $why = match (true) {
            $by['trap'] !== '' => Held::Trap,
            preg_match_all('~https?://(?:www\.)?|www\.~i', implode(' ', $fields)) > self::MOST_LINKS => Held::Links,
            $by['phone'] === '' => Held::NoPhone,
            $number === null || ! $number->valid => Held::BadNumber,
            $consent && ! $consented => Held::NoConsent,
            default => null,
        };
        $name = mb_substr($by['name'], 0, 80);

        return new Entry($by['phone'], $number?->valid === true ? $number->e164 : null, $name, array_filter($facts, static fn (string $one): bool => $one !== '') + ($name === '' ? [] : ['name' => $name, 'first_name' => explode(' ', $name)[0]]), $why, $consented);
    }

    private static function plain(string $field): string
    {
        return substr(trim((string) preg_replace('/[^a-z0-9]+/', '_', mb_strtolower($field)), '_'), 0, 40);
    }
}
