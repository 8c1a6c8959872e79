<?php

declare(strict_types=1);

namespace Ringo\Script;

use Ringo\Document\Node;

/**
 * What holds on every step: replies to side questions, words never said, and where a request for a person leads.
 *
 * @phpstan-type Objection array{key: string, means: string, like: ?string, when: list<string>, say: non-empty-list<string>}
 * @phpstan-type Reply array{key: string, when: list<string>, means: ?string, say: string|list<string>, about: ?string, otherwise: ?string, to: ?string}
 */
final readonly class Standing
{
    /** Kinds of objections of which it is known how people say them (core/Language/LANGUAGE/objections.php). */
    public const OBJECTIONS = ['price', 'has_supplier', 'no_time', 'not_mine', 'distrust', 'no_need', 'thinking', 'bad_experience'];

    /**
     * @param list<Reply> $replies answers to what callers ask anywhere; `about` names a choice field whose option the answer speaks of
     * @param ?string $person the step that a request for a person leads to
     * @param ?string $personKey the key that asks for a person anywhere
     * @param list<string> $neverSay words that must not leave the agent's mouth
     * @param array<string, string> $words own words for built-in replies: who, machine, off_topic, no_answer, goodbye, recording; voicemail is left on a machine, whence says where the number is from
     * @param list<string> $mustSay what the business requires the opening to tell: machine (that no person speaks), recording
     * @param ?string $newSpeaker the field that takes the name of somebody else who comes to the telephone; null: the name is not asked
     * @param list<Objection> $objections what people have against it, told in plain words and sayings, and what is answered the first and the second time
     * @param ?string $letGo the step it leads to when somebody objects a third time; null: a goodbye
     * @param int $patience signs of frustration before the call goes to a person
     */
    public function __construct(
        public array $replies,
        public ?string $person,
        public ?string $personKey,
        public array $neverSay,
        public array $words,
        public int $patience,
        public array $mustSay = [],
        public ?string $newSpeaker = null,
        public array $objections = [],
        public ?string $letGo = null,
    ) {
    }

    public static function read(Node $node): self
    {
        $replies = [];
        foreach ($node->children('replies') as $one) {
            $replies[] = [
                'key' => $one->string('key'),
                'when' => $one->strings('when'),
                'means' => $one->optional('means'),
                'say' => $one->text('say'),
                'about' => $one->optional('about'),
                'otherwise' => $one->optional('otherwise'),
                'to' => $one->optional('to'),
            ];
            $one->noMore();
        }
        $words = [];
        if ($node->has('words')) {
            $child = $node->child('words');
            foreach (['who', 'machine', 'off_topic', 'no_answer', 'goodbye', 'recording', 'voicemail', 'whence'] as $key) {
                if ($child->has($key)) {
                    $words[$key] = $child->string($key);
                }
            }
            $child->noMore();
        }
        $standing = new self(
            replies: $replies,
            person: $node->optional('person'),
            personKey: $node->optional('person_key'),
            neverSay: $node->strings('never_say'),
            words: $words,
            patience: (int) $node->number('patience', 3, 1, 20),
            mustSay: self::mustSayOf($node),
            newSpeaker: $node->optional('new_speaker'),
            objections: self::objectionsOf($node),
            letGo: $node->optional('let_go'),
        );
        $node->noMore();

        return $standing;
    }

    /** @return list<Objection> */
    private static function objectionsOf(Node $node): array
    {
        $objections = [];
        foreach ($node->children('objections') as $one) {
            $means = $one->string('means', '');
            $when = $one->strings('when');
            $say = $one->text('say');
            $like = $one->optional('like');
            if ($like !== null && ! in_array($like, self::OBJECTIONS, true)) {
                $one->problem('like', "“{$like}” is not one of ".implode(', ', self::OBJECTIONS));
            }
            if ($means === '' && $when === [] && $like === null) {
                $one->problem('means', 'needs plain words for what they have against it, sayings in “when”, or one of the usual kinds in “like”');
            }
            $objections[] = ['key' => $one->string('key'), 'means' => $means, 'like' => $like, 'when' => $when, 'say' => is_array($say) && $say !== [] ? array_values($say) : [(string) (is_array($say) ? '' : $say)]];
            $one->noMore();
        }

        return $objections;
    }

    /** @return list<string> */
    private static function mustSayOf(Node $node): array
    {
        $must = $node->strings('must_say');
        foreach ($must as $i => $one) {
            if (! in_array($one, ['machine', 'recording'], true)) {
                $node->problem("must_say[{$i}]", "“{$one}” is not one of machine, recording");
            }
        }

        return array_values(array_intersect($must, ['machine', 'recording']));
    }
}
