<?php

declare(strict_types=1);

namespace Ringo\Brief;

use Ringo\Diary\Week;
use Ringo\Document\InvalidDocument;
use Ringo\Document\Node;

/** What is true of a business, written once: who it is, where it is, when it is open. Agents, knowledge, transfers, diary and lines read it. */
final readonly class Brief
{
    public const FORMAT = 'ringo-brief/1';

    /**
     * @param string $spoken the name as callers hear it
     * @param string $pronounced the spoken name respelled for the voice, where it says it wrongly
     * @param string $profile what the business does, in its own words
     * @param list<Site> $sites
     */
    public function __construct(public string $spoken, public string $pronounced, public string $profile, public array $sites, public OpeningHours $hours)
    {
    }

    public static function blank(): self
    {
        return new self('', '', '', [], new OpeningHours(new Week([])));
    }

    /**
     * @param array<string, mixed> $data
     *
     * @throws InvalidDocument
     */
    public static function fromArray(array $data): self
    {
        $node = Node::root($data);
        $node->oneOf('format', [self::FORMAT], self::FORMAT);
        $sites = [];
        foreach ($node->children('sites') as $one) {
            $sites[] = self::site($one, array_column(array_map(static fn (Site $site): array => ['key' => $site->key], $sites), 'key'));
        }
        $brief = new self($node->string('spoken', ''), $node->string('pronounced', ''), $node->string('profile', ''), $sites, OpeningHours::read($node));
        $node->noMore();
        $node->settle();

        return $brief;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['format' => self::FORMAT] + array_filter([
            'spoken' => $this->spoken, 'pronounced' => $this->pronounced, 'profile' => $this->profile,
            'sites' => array_map(static fn (Site $site): array => array_filter(['key' => $site->key, 'name' => $site->name, 'address' => $site->address, 'area' => $site->area, 'phone' => $site->phone, 'hours' => $site->week->toArray()]), $this->sites),
        ]) + $this->hours->toArray();
    }

    /** @param list<string> $taken keys of the sites before it */
    private static function site(Node $node, array $taken): Site
    {
        $site = new Site($node->string('key'), $node->string('name'), $node->string('address', ''), $node->string('area', ''), $node->string('phone', ''), Week::read($node, 'hours'));
        if (preg_match('/^[a-z][a-z0-9_]{0,39}$/', $site->key) !== 1) {
            $node->problem('key', "“{$site->key}” is no key; write small letters, digits and _");
        }
        if (in_array($site->key, $taken, true)) {
            $node->problem('key', "there are two sites “{$site->key}”");
        }
        $node->noMore();

        return $site;
    }
}
