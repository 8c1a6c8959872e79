<?php

declare(strict_types=1);

namespace Ringo\Extraction\Weighing;

use Ringo\Extraction\FieldProfile;
use Ringo\Extraction\Readings;
use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Heard;
use Ringo\Value\ValueType;

/** Parts of a sentence that may hold a value of their own: its clauses, both ends of 'from … to …', both sides of an 'or', names in the midst of it. */
final readonly class Stretches
{
    public const START = 'start';

    public const END = 'end';

    public const SIDE = 'side';

    public const CLAUSE = 'clause';

    public const NAME = 'name';

    /** Several of these may stand in one sentence: its clauses are read as well. */
    private const CLAUSES = [ValueType::PersonName, ValueType::Number, ValueType::Money, ValueType::Duration, ValueType::PostalAddress, ValueType::Choice];

    /** These are told in groups, which are none of their own. */
    private const CODES = [ValueType::Phone, ValueType::Reference];

    /** Of these a sentence may hold two, with no more than a word between them. */
    private const ENDS = [ValueType::Date, ValueType::Time, ValueType::DateTime, ValueType::PostalAddress];

    private const UNTIL = ['to', 'until', 'till', 'through'];

    private const BETWEEN = ['or', 'and', 'not'];

    /** Words of a name. */
    private const NAME_WORDS = 3;

    public function __construct(private Readings $readings, private Vocabulary $words)
    {
    }

    /**
     * @param bool $two whether the sentence may hold two values: it holds no single one
     *
     * @return list<array{Heard, string}> each with what it is
     */
    public function of(FieldProfile $field, Heard $part, bool $two): array
    {
        $found = [];
        $clauses = in_array($field->type, self::CLAUSES, true) || $two && in_array($field->type, self::CODES, true)
            ? $this->readings->clauses($part, true)
            : [];
        foreach (count($clauses) > 1 ? $clauses : [] as $clause) {
            $found[] = [$part->only($clause), self::CLAUSE];
        }
        if ($two && in_array($field->type, self::ENDS, true)) {
            array_push($found, ...$this->sides($part));
        }

        return $field->type === ValueType::PersonName ? [...$found, ...$this->names($part)] : $found;
    }

    /** @return list<array{Heard, string}> */
    private function sides(Heard $part): array
    {
        $found = [];
        $from = 0;
        $last = null;
        foreach ($part->tokens as $i => $token) {
            $until = in_array($token->text, self::UNTIL, true);
            if (! $until && ! in_array($token->text, self::BETWEEN, true) || $i === $from) {
                continue;
            }
            $side = array_slice($part->tokens, $from, $i - $from);
            // 'From one till five' begins at one.
            $begins = $until ? array_search('from', array_map(static fn (Token $one): string => $one->text, $side), true) : false;
            $found[] = [$part->only($begins === false ? $side : array_slice($side, $begins + 1)), $until ? self::START : ($last ?? self::SIDE)];
            $last = $until ? self::END : self::SIDE;
            $from = $i + 1;
        }
        if ($last !== null && $from < count($part->tokens)) {
            $found[] = [$part->only(array_slice($part->tokens, $from)), $last];
        }

        return $found;
    }

    /** @return list<array{Heard, string}> words with capitals that stand together, or names everybody has */
    private function names(Heard $part): array
    {
        $given = $this->words->set('given_names');
        $found = [];
        $run = [];
        foreach ([...$part->tokens, null] as $i => $token) {
            $capital = $token !== null && preg_match('/^\p{Lu}\p{Ll}/u', $token->original) === 1 && ! ($i === 0 && ! isset($given[$token->text]));
            $goesOn = $token !== null
                && ($capital || isset($given[$token->text]) && $run === [])
                && ($run === [] || ! $token->afterBreak())
                && count($run) < self::NAME_WORDS;
            if ($goesOn) {
                $run[] = $token;

                continue;
            }
            if ($run !== [] && count($run) < count($part->tokens)) {
                $found[] = [$part->only($run), self::NAME];
            }
            $run = $capital ? [$token] : [];
        }

        return $found;
    }
}
