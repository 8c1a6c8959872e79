<?php

declare(strict_types=1);

namespace Ringo\Line;

use Ringo\Document\InvalidDocument;
use Ringo\Document\Node;

/** A number of a business, or a button on its page: who answers it when, how many at once, and what callers hear otherwise. */
final readonly class Line
{
    public const FORMAT = 'ringo-line/1';

    /** Calls a line takes at once, unless it says otherwise. */
    private const USUAL_AT_ONCE = 3;

    private const MOST_AT_ONCE = 500;

    /** What callers hear where the line says nothing of its own: all taken, nobody, nothing works. */
    public const WORDS = [
        'full' => 'All our lines are taken just now. Please ring again in a few minutes.',
        'nobody' => 'Nobody can take your call at this hour. Please ring again in our opening hours.',
        'failed' => 'We cannot take your call just now. Please ring again a little later.',
    ];

    /**
     * @param ?string $number E.164; null for a button
     * @param string $agent key of the agent whose release it runs
     * @param array{full: string, nobody: string, failed: string} $words
     * @param ?Button $button how it looks on a web page, where it is one
     */
    public function __construct(public string $key, public string $name, public ?string $number, public string $agent, public int $atOnce, public Answering $answering, public array $words = self::WORDS, public ?Button $button = null)
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
        $node->oneOf('format', [self::FORMAT], self::FORMAT);
        $line = self::read($node);
        $node->noMore();
        $node->settle();

        return $line;
    }

    public static function read(Node $node): self
    {
        $answers = $node->child('answers');
        $answering = Answering::read($answers);
        $answers->noMore();
        $hears = $node->child('hears');
        $words = [];
        foreach (self::WORDS as $when => $usual) {
            $words[$when] = trim($hears->string($when, '')) ?: $usual;
        }
        $hears->noMore();
        $button = null;
        if ($node->has('button')) {
            $child = $node->child('button');
            $button = Button::read($child);
            $child->noMore();
        }
        $key = $node->string('key');
        if (preg_match('/^[a-z][a-z0-9_-]{0,39}$/', $key) !== 1) {
            $node->problem('key', "“{$key}” is no key; write small letters, digits, - and _");
        }

        return new self($key, $node->string('name'), $node->optional('number'), $node->string('agent'), (int) $node->number('at_once', self::USUAL_AT_ONCE, 1, self::MOST_AT_ONCE), $answering, $words, $button);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        $words = array_diff_assoc($this->words, self::WORDS);

        return ['format' => self::FORMAT, 'key' => $this->key, 'name' => $this->name] + ($this->number === null ? [] : ['number' => $this->number]) + ['agent' => $this->agent, 'at_once' => $this->atOnce, 'answers' => $this->answering->toArray()] + ($words === [] ? [] : ['hears' => $words]) + ($this->button === null ? [] : ['button' => $this->button->toArray()]);
    }
}
