<?php

declare(strict_types=1);

namespace Ringo\Trade;

use Ringo\Document\InvalidDocument;
use Ringo\Document\Node;

/**
 * A kind of business: how such a business may be cut into teams, what its callers say and ask, and what it wants from a call.
 *
 * @phpstan-type TeamRow array{key: string, name: string, description: string}
 * @phpstan-type SayingRow array{said: string, fit: list<string|list<string>|null>, then?: array{said: string, fit: list<string|list<string>|null>}}
 * @phpstan-type QuestionRow array{q: string, about: string}
 * @phpstan-type FieldRow array{name: string, type: string, ask: string, say: list<string>, options?: list<array{key: string, label: string}>}
 */
final readonly class Trade
{
    private const TEAMS_MOST = 20;

    private const ROWS_MOST = 1_000;

    private const TEXT_MOST = 400;

    private const KEY_MOST = 40;

    /**
     * @param list<list<TeamRow>> $splits ways to cut the business into teams
     * @param list<SayingRow> $sayings each with the team it fits in every split: its key, several where one would have to ask, null for none
     * @param list<QuestionRow> $questions
     * @param list<FieldRow> $fields
     */
    private function __construct(public string $key, public string $label, public string $about, public array $splits, public array $sayings, public array $questions, public array $fields)
    {
    }

    /**
     * @param array<array-key, mixed> $data docs/formats/trade.md
     *
     * @throws InvalidDocument naming every place that is wrong
     */
    public static function read(array $data): self
    {
        $node = Node::root($data);
        $key = $node->string('trade');
        if (preg_match('/^[a-z][a-z0-9_-]*$/', $key) !== 1 || strlen($key) > self::KEY_MOST) {
            $node->problem('trade', 'must be a key of small letters, figures and hyphens, such as dog-groomer');
        }
        $label = self::text($node, 'label');
        $about = self::text($node, 'about');
        $splits = self::splits($node);
        $sayings = array_map(static fn (Node $one): array => self::saying($one, $splits), self::rows($node, 'sayings'));
        $questions = array_map(static function (Node $one): array {
            $row = ['q' => self::text($one, 'q'), 'about' => $one->string('about', 'other')];
            $one->noMore();

            return $row;
        }, self::rows($node, 'questions'));
        $fields = array_map(self::field(...), self::rows($node, 'fields'));
        $node->noMore();
        if ($sayings === [] && $questions === []) {
            $node->problem('sayings', 'must hold something callers say');
        }
        $node->settle();

        return new self($key, $label, $about, $splits, $sayings, $questions, $fields);
    }

    /** @return array<string, mixed> as it is written to a file */
    public function toArray(): array
    {
        return ['trade' => $this->key, 'label' => $this->label, 'about' => $this->about, 'splits' => $this->splits, 'sayings' => $this->sayings, 'questions' => $this->questions, 'fields' => $this->fields];
    }

    /** What tells of the trade, in one text: by this a business is matched to it. */
    public function described(): string
    {
        $parts = [$this->label, $this->about];
        foreach ($this->splits as $teams) {
            foreach ($teams as $team) {
                array_push($parts, $team['name'], $team['description']);
            }
        }

        return implode('. ', $parts);
    }

    /** @return list<list<TeamRow>> */
    private static function splits(Node $node): array
    {
        $raw = $node->raw('splits') ?? [];
        if (! is_array($raw) || ! array_is_list($raw)) {
            $node->problem('splits', 'must be a list of lists of teams');

            return [];
        }
        $splits = [];
        foreach ($raw as $n => $teams) {
            $list = Node::root(['teams' => $teams]);
            $rows = [];
            foreach (array_slice($list->children('teams'), 0, self::TEAMS_MOST) as $team) {
                $rows[] = ['key' => self::text($team, 'key'), 'name' => self::text($team, 'name'), 'description' => self::text($team, 'description')];
                $team->noMore();
            }
            try {
                $list->settle();
            } catch (InvalidDocument $e) {
                foreach ($e->problems as $problem) {
                    $node->problem((string) preg_replace('/^teams/', "splits[{$n}]", $problem['path']), $problem['message']);
                }
            }
            $splits[] = $rows;
        }

        return $splits;
    }

    /**
     * @param list<list<TeamRow>> $splits
     *
     * @return SayingRow
     */
    private static function saying(Node $node, array $splits): array
    {
        $row = ['said' => self::text($node, 'said'), 'fit' => []];
        $fit = $node->raw('fit') ?? [];
        if (! is_array($fit) || ! array_is_list($fit) || count($fit) > count($splits)) {
            $node->problem('fit', 'must be a list with one team, several, or null for each split');
            $fit = [];
        }
        foreach ($fit as $n => $teams) {
            $known = array_column($splits[$n], 'key');
            foreach ((array) $teams as $team) {
                if (! in_array($team, $known, true)) {
                    $node->problem("fit[{$n}]", (is_string($team) ? "“{$team}”" : 'this').' is no team of that split; '.implode(', ', $known).' are');
                }
            }
            $row['fit'][] = is_array($teams) ? array_values(array_filter($teams, is_string(...))) : (is_string($teams) ? $teams : null);
        }
        if ($node->has('then')) {
            $reply = self::saying($node->child('then'), $splits);
            $row['then'] = ['said' => $reply['said'], 'fit' => $reply['fit']];
        }
        $node->noMore();

        return $row;
    }

    /** @return FieldRow */
    private static function field(Node $node): array
    {
        $row = ['name' => self::text($node, 'name'), 'type' => $node->string('type', 'text'), 'ask' => self::text($node, 'ask'), 'say' => $node->strings('say')];
        if ($node->has('options')) {
            $row['options'] = [];
            foreach ($node->children('options') as $option) {
                $row['options'][] = ['key' => self::text($option, 'key'), 'label' => self::text($option, 'label')];
                $option->noMore();
            }
        }
        $node->noMore();

        return $row;
    }

    /** @return list<Node> */
    private static function rows(Node $node, string $key): array
    {
        $rows = $node->children($key);
        if (count($rows) > self::ROWS_MOST) {
            $node->problem($key, 'holds '.count($rows).' rows; '.self::ROWS_MOST.' are the most');
        }

        return array_slice($rows, 0, self::ROWS_MOST);
    }

    private static function text(Node $node, string $key): string
    {
        $text = trim($node->string($key));
        if ($text === '' || mb_strlen($text) > self::TEXT_MOST) {
            $node->problem($key, $text === '' ? 'must not be empty' : 'is longer than '.self::TEXT_MOST.' characters');
        }

        return $text;
    }
}
