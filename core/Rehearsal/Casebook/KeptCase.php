<?php

declare(strict_types=1);

namespace Ringo\Rehearsal\Casebook;

use Ringo\Advice\Purpose;
use Ringo\Document\InvalidDocument;
use Ringo\Document\Node;

/** A rehearsal kept, with what must come out (docs/formats/casebook.md). */
final readonly class KeptCase
{
    /**
     * @param bool $must whether a release waits until it passes
     * @param ?string $from number calling, E.164; null is withheld
     * @param array<string, scalar|null> $caller what is known of the caller before the first word
     * @param string $at local date-time at which the call is placed
     * @param list<Line> $lines what the caller does
     * @param list<array{errand: string, values: array<string, mixed>, reply: array<string, mixed>, seconds: float}> $errands what other systems answered
     * @param list<array{purpose: string, doubt: string, choice: string, seconds: float}> $advice second opinions that were given
     * @param list<Earlier> $booked what the caller has booked before the call
     */
    public function __construct(public string $key, public string $title, public bool $must, public ?string $from, public array $caller, public string $at, public string $seed, public array $lines, public array $errands, public Expectations $expect, public array $advice = [], public array $booked = [])
    {
    }

    /**
     * @param array<array-key, mixed> $data
     *
     * @throws InvalidDocument
     */
    public static function fromArray(array $data): self
    {
        $node = Node::root($data);
        $case = self::read($node);
        $node->settle();

        return $case;
    }

    public static function read(Node $node): self
    {
        $key = $node->string('key');
        if (preg_match('/^[a-z0-9][a-z0-9_-]*$/', $key) !== 1) {
            $node->problem('key', "“{$key}” is no key; use lower-case letters, digits, - and _");
        }
        $at = $node->string('at', '2026-03-10T09:14');
        if (preg_match('/^\d{4}-\d\d-\d\dT\d\d:\d\d$/', $at) !== 1) {
            $node->problem('at', "“{$at}” is no local time; write 2026-03-10T09:14");
            $at = '2026-03-10T09:14';
        }
        $caller = [];
        foreach ($node->child('caller')->all() as $name => $value) {
            if (is_scalar($value) || $value === null) {
                $caller[(string) $name] = $value;
            } else {
                $node->problem("caller.{$name}", 'must be a text, a number, or true or false');
            }
        }
        $errands = [];
        foreach ($node->children('errands') as $one) {
            $errands[] = ['errand' => $one->string('errand'), 'values' => $one->child('values')->all(), 'reply' => $one->child('reply')->all(), 'seconds' => $one->number('seconds', 0.3, 0, 60)];
            $one->noMore();
        }
        $advice = [];
        foreach ($node->children('advice') as $one) {
            $advice[] = ['purpose' => $one->oneOf('purpose', array_column(Purpose::cases(), 'value'), Purpose::Topic->value), 'doubt' => $one->string('doubt'), 'choice' => $one->string('choice', ''), 'seconds' => $one->number('seconds', 0.0, 0, 60)];
            $one->noMore();
        }
        $case = new self($key, $node->string('title', str_replace(['_', '-'], ' ', $key)), $node->flag('must', false), $node->optional('from'), $caller, $at, $node->string('seed', '1'), Line::read($node, 'lines'), $errands, Expectations::read($node->child('expect')), $advice, array_map(Earlier::read(...), $node->children('booked')));
        $node->noMore();

        return $case;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['key' => $this->key, 'title' => $this->title] + ($this->must ? ['must' => true] : []) + ($this->from === null ? [] : ['from' => $this->from])
            + ($this->caller === [] ? [] : ['caller' => $this->caller]) + ['at' => $this->at, 'seed' => $this->seed, 'lines' => array_map(static fn (Line $line): string|array => $line->toArray(), $this->lines)]
            + ($this->errands === [] ? [] : ['errands' => $this->errands])
            + ($this->advice === [] ? [] : ['advice' => $this->advice])
            + ($this->booked === [] ? [] : ['booked' => array_map(static fn (Earlier $one): array => $one->toArray(), $this->booked)])
            + ['expect' => $this->expect->toArray() === [] ? new \stdClass : $this->expect->toArray()];
    }

    public function with(Expectations $expect): self
    {
        return new self($this->key, $this->title, $this->must, $this->from, $this->caller, $this->at, $this->seed, $this->lines, $this->errands, $expect, $this->advice, $this->booked);
    }
}
