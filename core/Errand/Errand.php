<?php

declare(strict_types=1);

namespace Ringo\Errand;

use Ringo\Document\InvalidDocument;
use Ringo\Document\Node;

/** A request to something outside the call, designed once and used by many steps (docs/formats/errands.md). */
final readonly class Errand
{
    /** Seconds a caller may be kept waiting at most; beyond it nobody holds the line. */
    public const MOST_SECONDS = 30.0;

    private const USUAL_SECONDS = 4.0;

    /**
     * @param string $about what it is for, in plain words
     * @param string $system what the other side is called: 'the yard system'
     * @param list<Parameter> $parameters
     * @param list<Sought> $values read from the answer
     * @param ?string $list where in the answer the list stands of which each row is one; null where the answer is one
     * @param ?array{path: string, is: list<scalar>} $found what must stand in the answer for anything to count as found
     * @param list<string> $apart values that tell several apart, the first first
     * @param float $seconds after which it counts as too slow
     * @param bool $changes whether it changes something over there: then it is sent once, with a key of its own
     * @param bool $keeps whether the same question is answered from the first answer for the rest of a call
     */
    public function __construct(
        public string $key,
        public string $label,
        public string $about,
        public string $system,
        public Reach $reach,
        public ?Request $request,
        public ?TableLookup $table,
        public array $parameters,
        public array $values,
        public ?string $list,
        public ?array $found,
        public array $apart,
        public float $seconds,
        public bool $changes,
        public bool $keeps,
        public ?Secret $secret,
    ) {
    }

    /**
     * @param array<array-key, mixed> $data
     *
     * @throws InvalidDocument
     */
    public static function fromArray(array $data): self
    {
        $node = Node::root($data);
        $errand = self::read($node);
        $node->settle();

        return $errand;
    }

    public static function read(Node $node): self
    {
        $key = Key::read($node);
        $reach = Reach::from($node->oneOf('reach', array_column(Reach::cases(), 'value'), $node->has('table') ? 'table' : 'request'));
        $answer = $node->child('answer');
        $parameters = array_map(Parameter::read(...), $node->children('parameters'));
        $changes = $node->flag('changes', false);
        $errand = new self(
            $key,
            $node->string('label', ucfirst(str_replace('_', ' ', $key))),
            $node->string('about', ''),
            $node->string('system', 'the other system'),
            $reach,
            $reach === Reach::Request ? Request::read($node->child('request')) : null,
            $reach === Reach::Request ? null : TableLookup::read($node->child('table')),
            $parameters,
            array_map(Sought::read(...), $answer->children('values')),
            $answer->optional('list'),
            self::whenFound($answer),
            $answer->strings('apart'),
            $node->number('seconds', self::USUAL_SECONDS, 0.2, self::MOST_SECONDS),
            $changes,
            $node->flag('keeps', ! $changes),
            $node->has('secret') ? Secret::read($node->child('secret')) : null,
        );
        $answer->noMore();
        $node->noMore();
        $errand->check($node, $answer);

        return $errand;
    }

    public function parameter(string $key): ?Parameter
    {
        foreach ($this->parameters as $parameter) {
            if ($parameter->key === $key) {
                return $parameter;
            }
        }

        return null;
    }

    public function sought(string $key): ?Sought
    {
        foreach ($this->values as $value) {
            if ($value->key === $key) {
                return $value;
            }
        }

        return null;
    }

    /** @return list<string> parts of the address or its query that look like a secret written in plain sight */
    public function secretsInSight(): array
    {
        $query = (string) parse_url($this->request->url ?? '', PHP_URL_QUERY);
        parse_str($query, $inUrl);
        $names = [...array_map(strval(...), array_keys($inUrl)), ...array_map(strval(...), array_keys($this->request->query ?? [])), ...array_map(strval(...), array_keys($this->request->headers ?? []))];

        return array_values(array_filter($names, static fn (string $name): bool => preg_match('/^(?:x-)?(?:api[-_]?key|key|token|access[-_]?token|secret|password|pass|authorization)$/i', $name) === 1));
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        $answer = ($this->list === null ? [] : ['list' => $this->list])
            + ($this->found === null ? [] : ['found' => $this->found])
            + ['values' => array_map(static fn (Sought $one): array => $one->toArray(), $this->values)]
            + ($this->apart === [] ? [] : ['apart' => $this->apart]);

        return ['key' => $this->key, 'label' => $this->label, 'about' => $this->about, 'system' => $this->system, 'reach' => $this->reach->value]
            + ($this->request === null ? [] : ['request' => $this->request->toArray()])
            + ($this->table === null ? [] : ['table' => $this->table->toArray()])
            + ['parameters' => array_map(static fn (Parameter $one): array => $one->toArray(), $this->parameters), 'answer' => $answer, 'seconds' => $this->seconds]
            + ($this->changes ? ['changes' => true] : [])
            + ($this->keeps === ! $this->changes ? [] : ['keeps' => $this->keeps])
            + ($this->secret === null ? [] : ['secret' => $this->secret->toArray()]);
    }

    /** @return ?array{path: string, is: list<scalar>} */
    private static function whenFound(Node $answer): ?array
    {
        if (! $answer->has('found')) {
            return null;
        }
        $node = $answer->child('found');
        $is = $node->raw('is');
        $is = is_array($is) ? array_values(array_filter($is, is_scalar(...))) : (is_scalar($is) ? [$is] : []);
        $path = $node->string('path');
        self::path($node, 'path', $path);
        $node->noMore();

        return ['path' => $path, 'is' => $is];
    }

    private static function path(Node $node, string $key, string $path): void
    {
        try {
            Path::of($path);
        } catch (\DomainException $problem) {
            $node->problem($key, $problem->getMessage());
        }
    }

    private function check(Node $node, Node $answer): void
    {
        foreach (['parameters' => $this->parameters, 'answer.values' => $this->values] as $where => $all) {
            foreach (array_count_values(array_column($all, 'key')) as $key => $times) {
                if ($times > 1) {
                    $node->problem($where, "“{$key}” stands twice");
                }
            }
        }
        foreach ($this->values as $i => $value) {
            self::path($answer, "values[{$i}].path", $this->reach === Reach::Request ? $value->path : '');
        }
        if ($this->list !== null) {
            self::path($answer, 'list', $this->list);
        }
        foreach ($this->apart as $i => $key) {
            if ($this->sought($key) === null) {
                $answer->problem("apart[{$i}]", "no value “{$key}” is read from the answer");
            }
        }
        foreach ([...($this->request?->blanks() ?? []), ...array_column($this->table->by ?? [], 'parameter')] as $blank) {
            if ($this->parameter($blank) === null) {
                $node->problem($this->request === null ? 'table.by' : 'request', "there is no parameter “{$blank}”");
            }
        }
        if ($this->changes && $this->request?->method === 'GET') {
            $node->problem('request.method', 'GET only reads; an errand that changes something is sent by POST, PUT, PATCH or DELETE');
        }
    }
}
