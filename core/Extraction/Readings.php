<?php

declare(strict_types=1);

namespace Ringo\Extraction;

use Ringo\Language\Phrases;
use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Asking;
use Ringo\Understanding\Context;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Reading;
use Ringo\Understanding\Understanding;
use Ringo\Value\ValueType;

/**
 * Reads values for the fields of a sheet, with what the field says of them besides its type: past days lie behind the call,
 * first names are one word, numbers of others are not the caller's.
 */
final class Readings
{
    /** Texts that stay cut into words: those of a long call. */
    private const HEARD = 1_000;

    /** @var array<string, Phrases<string>> */
    private array $phrases = [];

    /** @var array<string, Heard> */
    private array $heard = [];

    /** @var array<string, Reading> */
    private array $read = [];

    /** @var \WeakMap<Heard, bool> */
    private \WeakMap $timely;

    private readonly Asking $asking;

    public function __construct(private readonly Understanding $understanding, private readonly Vocabulary $words)
    {
        $this->asking = new Asking($words);
        $this->timely = new \WeakMap;
    }

    /** The same words are cut once, so that what is read from them is kept as well. */
    public function hear(string $text): Heard
    {
        if (count($this->heard) > self::HEARD) {
            $this->heard = [];
        }

        return $this->heard['='.$text] ??= $this->understanding->hear($text);
    }

    public function read(FieldProfile $field, Heard|string $heard, \DateTimeImmutable $now, string $country, bool $asked): Reading
    {
        $heard = is_string($heard) ? $this->hear($heard) : $heard;
        if (in_array($field->type, [ValueType::Date, ValueType::Time, ValueType::DateTime], true) && ! $this->timely($heard)) {
            return Reading::none();
        }
        $reading = $this->once($field, $heard, $now, $country, $asked);
        if (! $reading->found()) {
            return $reading;
        }
        $value = $reading->value;
        // 'Oh, that's kind' is no nought.
        if (in_array($field->type, [ValueType::Money, ValueType::Number], true) && in_array(strtolower((string) $reading->said), ['oh', 'o'], true)) {
            return Reading::none();
        }
        if ($field->type === ValueType::PostalAddress && is_string($value) && preg_match("/\\b(?:I|I'm|we|we're|we've|my|you|need|want|there's|is|quote|moving|live|calling|please|get|can)\\b.*?\\b(?:from|at|is|to|on|in)\\s+(?=(?:flat|unit|apartment|apt|suite|plot|number|\\d))/i", $value) === 1) {
            // The way to the address is no part of it.
            foreach ($heard->tokens as $i => $token) {
                if ($i > 0 && ($token->isDigits() || in_array($token->text, ['flat', 'unit', 'apartment', 'apt', 'plot', 'suite'], true)) && in_array($heard->tokens[$i - 1]->text, ['from', 'at', 'is', 'to', 'on', 'in', "it's", "i'm"], true)) {
                    return $this->read($field, $heard->only(array_slice($heard->tokens, $i)), $now, $country, $asked);
                }
            }
        }
        if ($field->type === ValueType::Date && is_string($value) && $field->tense === 'past') {
            return $this->with($reading, $this->behind($value, $reading->said, $now));
        }
        if ($field->type === ValueType::PersonName && $field->namePart !== null && is_string($value)) {
            $parts = explode(' ', $value);

            return $this->with($reading, $field->namePart === 'first' ? $parts[0] : end($parts));
        }
        if ($field->type === ValueType::Time && ! $asked && ! $this->clock($heard, $reading)) {
            return Reading::none();
        }
        if ($field->type === ValueType::Phone && $this->somebodyElses($heard, $reading)) {
            return Reading::none('the number of somebody else');
        }
        if ($field->type === ValueType::Reference && ! $asked && $this->understanding->read(ValueType::Phone, $heard, new Context($now, $country, [], false))->overlaps($reading)) {
            return Reading::none();
        }
        if ($field->type === ValueType::Reference && is_string($value)) {
            return $this->with($reading, $this->spaced($field, $value, $country));
        }

        return $reading;
    }

    /** With the space that the sheet's own pattern wants, or that a British postcode is written with. */
    private function spaced(FieldProfile $field, string $value, string $country): string
    {
        $pattern = $field->field->pattern;
        $fits = static fn (string $one): bool => $pattern === null || preg_match('~'.str_replace('~', '\~', $pattern).'~u', $one) === 1;
        if ($field->field->type === ValueType::Text && $country === 'GB' && preg_match('/^([A-Z]{1,2}\d[A-Z\d]?)(\d[A-Z]{2})$/', $value, $m) === 1 && $fits($m[1].' '.$m[2])) {
            return $m[1].' '.$m[2];
        }
        for ($i = 1; ! $fits($value) && $i < strlen($value); $i++) {
            $one = substr($value, 0, $i).' '.substr($value, $i);
            if ($fits($one)) {
                return $one;
            }
        }

        return $value;
    }

    /** A number of days, weeks or nights, whatever unit it was said in: 'about a week' is seven days. */
    public function inUnit(FieldProfile $field, Heard $heard, \DateTimeImmutable $now, string $country): ?Reading
    {
        if ($field->type !== ValueType::Number || $field->unit === null || preg_match('/\b(minute|hour|day|night|week|fortnight|month|year)s?\b/i', $heard->cleaned()) !== 1) {
            return null;
        }
        $reading = $this->understanding->read(ValueType::Duration, $heard, new Context($now, $country, [], false));
        if (! $reading->found() || ! is_string($reading->value)) {
            return null;
        }
        $span = new \DateInterval($reading->value);
        $seconds = ((($span->y * 365 + $span->m * 30 + $span->d) * 24 + $span->h) * 60 + $span->i) * 60;
        $units = $this->words->section('extraction', 'units');
        $value = $seconds / (int) $units[$field->unit];

        // Half an hour is no number of years.
        return $value < 0.5 || abs($value - round($value)) > 0.01
            ? null
            : Reading::of((int) round($value), $reading->confidence, $reading->said, $reading->start, $reading->end);
    }

    /** The number that stands right before a word of the field's name: 'a thousand litres' among other numbers. */
    public function before(FieldProfile $field, Heard $heard, Questions $questions, \DateTimeImmutable $now, string $country): Reading
    {
        $stems = array_map(strval(...), array_keys(array_filter($field->names, static fn (float $weight, string|int $stem): bool => $weight >= 0.9 && (isset($field->own[$stem]) || ! isset($field->names['pric']) && ! isset($field->names['cost']) && ! isset($field->names['rat'])), ARRAY_FILTER_USE_BOTH)));
        foreach ($heard->tokens as $i => $token) {
            if (! $questions->naming->kindred($token->text, $stems, true)) {
                continue;
            }
            for ($length = min(6, $i); $length >= 1; $length--) {
                $window = array_slice($heard->tokens, $i - $length, $length);
                $reading = preg_match('/^(?:\d|a$|an$|\w+)/', $window[0]->text) === 1 ? $this->read($field, $heard->only($window), $now, $country, true) : Reading::none();
                if ($reading->found() && $reading->end >= $window[$length - 1]->start) {
                    return $reading;
                }
            }
        }

        return Reading::none();
    }

    /** The same words are looked at for several fields and in several lights; they are read once. */
    private function once(FieldProfile $field, Heard $heard, \DateTimeImmutable $now, string $country, bool $asked): Reading
    {
        $said = '';
        foreach ($heard->tokens as $token) {
            $said .= $token->original.$token->start.' ';
        }
        $own = $field->field->options === [] && $field->pattern === null ? '' : $field->key();
        $of = $field->field;
        $context = $this->asking->in(new Context($now, $country, $of->options, $asked, $field->pattern), '', "{$of->title} {$of->description}");
        $own .= ($context->people ? '+' : '').($context->most ? '<' : '').$context->unit;
        $key = $field->type->value.$own.($asked ? '!' : '.').$country.$now->getTimestamp().'|'.$said.'|'.$heard->original.count($heard->all);
        if (count($this->read) > 3000) {
            $this->read = [];
        }

        return $this->read[$key] ??= $this->understanding->read($field->type, $heard, $context);
    }

    /** Reads a type without regard to any field. */
    public function plain(ValueType $type, Heard $heard, \DateTimeImmutable $now, string $country, bool $asked): Reading
    {
        if (in_array($type, [ValueType::Date, ValueType::Time, ValueType::DateTime], true) && ! $this->timely($heard)) {
            return Reading::none();
        }

        // Days and hours of the same words are asked for in many lights.
        $said = '';
        foreach ($heard->tokens as $token) {
            $said .= $token->start.' ';
        }
        $key = '*'.$type->value.($asked ? '!' : '.').$country.$now->getTimestamp().'|'.$said.'|'.$heard->original.count($heard->all);
        if (count($this->read) > 3000) {
            $this->read = [];
        }

        return $this->read[$key] ??= $this->understanding->read($type, $heard, new Context($now, $country, [], $asked));
    }

    /**
     * @param list<string> $list
     *
     * @return Phrases<string>
     */
    public function phrases(string $name, array $list): Phrases
    {
        return $this->phrases[$name] ??= Phrases::listed($list);
    }

    public function named(string $section, Heard $heard): bool
    {
        return $this->words->phrases('extraction', $section)->in($heard->tokens === [] ? $heard->all : $heard->tokens);
    }

    /**
     * A yes or no given outright before anything else is told: 'go on then, it hasn't had one since Christmas'.
     *
     * None where more is said to it later, such as 'no, sorry, yes'.
     */
    public function outright(Heard $heard, \DateTimeImmutable $now): ?Reading
    {
        $clauses = $this->clauses($heard, true);
        if (count($clauses) < 2 || count($clauses[0]) > 4) {
            return null;
        }
        foreach (array_slice($clauses, 1) as $later) {
            $words = array_map(static fn (Token $token): string => $token->text, $later);
            if (in_array($words[0], ['yes', 'yeah', 'yep', 'no', 'nope', 'but'], true) || array_intersect($words, ['actually', 'sorry', 'wait', 'yes', 'yeah']) !== []) {
                return null;
            }
        }
        $first = $clauses[0][0];
        if (count($clauses[0]) === 1 && in_array($first->text, ['very', 'extremely', 'totally', 'completely', 'hugely', 'incredibly', 'absolutely', 'entirely'], true)) {
            return Reading::of(true, 0.85, $first->original, $first->start, $first->end);
        }
        $reading = $this->understanding->read(ValueType::YesNo, $heard->only($clauses[0]), new Context($now));

        return $reading->found() ? $reading : null;
    }

    /** A yes or no, or taking a proposal; null where neither. */
    public function reaction(Heard $heard, \DateTimeImmutable $now): ?bool
    {
        if ($heard->all === []) {
            return null;
        }
        $reading = $this->outright($heard, $now) ?? $this->understanding->read(ValueType::YesNo, $heard, new Context($now));
        if ($reading->found()) {
            return $reading->value === true;
        }
        $hit = $this->words->phrases('extraction', 'agrees')->first($heard->all);

        return $hit !== null && $hit[1] < 4 && ! $this->turnedDown($heard) ? true : null;
    }

    /** Whether the caller turns something down: 'Tuesday is no good'. */
    public function turnedDown(Heard $heard): bool
    {
        return $this->words->phrases('extraction', 'rejects')->in($heard->all);
    }

    /** The utterance without what is turned down, and without questions about the business ('what time do you close?'). */
    public function wanted(Heard $heard): Heard
    {
        $clauses = $this->clauses($heard, true);
        $rejects = $this->words->phrases('extraction', 'rejects');
        $asks = $this->words->phrases('extraction', 'side_questions');
        $kept = [];
        $line = ' '.$heard->cleaned().' ';
        $over = preg_match('/ (?:it|that|we|there|they) (?:was|were|used to be) .* (?:but|now) /', $line) === 1;
        foreach ($clauses as $tokens) {
            // 'It was eight, but it's nine now.'
            if ($over && count($clauses) > 1 && in_array($tokens[0]->text, ['it', 'that', 'we', 'there', 'they'], true) && isset($tokens[1]) && in_array($tokens[1]->text, ['was', 'were', 'used'], true)) {
                continue;
            }
            if ($rejects->in($tokens) || ($hit = $asks->first($tokens)) !== null && $hit[1] < 4) {
                continue;
            }
            array_push($kept, ...$tokens);
        }

        return count($kept) === count($heard->tokens) ? $heard : $heard->only($kept);
    }

    /**
     * Sentences, or clauses, of an utterance. What takes back the words before it stays with them.
     *
     * @return list<list<Token>>
     */
    public function clauses(Heard $heard, bool $fine = false): array
    {
        $marks = $this->words->phrases('talk', 'corrections');
        $clauses = [];
        $current = [];
        foreach ($heard->tokens as $i => $token) {
            $break = $fine
                ? $token->afterBreak() || in_array($token->text, ['but', 'though', 'although'], true)
                : preg_match('/[.?!…;]\s|\s[—–-]\s/u', $token->gap) === 1;
            $next = $marks->at($heard->tokens, $i);
            $takesBack = $next !== null && ! ($next[1] === 1 && in_array($token->text, ['no', 'sorry'], true) && $fine && ! $this->values(array_slice($heard->tokens, $i, 6)));
            if ($break && $current !== [] && ! $takesBack) {
                $clauses[] = $current;
                $current = [];
            }
            $current[] = $token;
        }
        if ($current !== []) {
            $clauses[] = $current;
        }

        return $clauses;
    }

    /** @param list<Token> $tokens */
    private function values(array $tokens): bool
    {
        foreach ($tokens as $token) {
            if (preg_match('/\d/', $token->text) === 1) {
                return true;
            }
        }

        return false;
    }

    private function with(Reading $reading, mixed $value): Reading
    {
        return $value === $reading->value ? $reading : Reading::of($value, $reading->confidence, $reading->said, $reading->start, $reading->end);
    }

    /** 'On Tuesday' of something that has happened is the last one. */
    private function behind(string $date, string $said, \DateTimeImmutable $now): string
    {
        $today = $now->format('Y-m-d');
        if ($date <= $today) {
            return $date;
        }
        $days = (int) (new \DateTimeImmutable($today))->diff(new \DateTimeImmutable($date))->days;
        if ($days <= 14 && preg_match('/\b(mon|tues?|wed(?:nes)?|thu(?:rs?)?|fri|sat(?:ur)?|sun)(?:day)?\b/i', $said) === 1) {
            return (new \DateTimeImmutable($date))->modify($days > 7 ? '-14 days' : '-7 days')->format('Y-m-d');
        }
        if ($days < 400 && preg_match('/\b(19|20)\d\d\b|tomorrow|next/i', $said) !== 1) {
            $shorter = preg_match('/\b(?:jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec)|\d[\/.]\d/i', $said) === 1 ? '-1 year' : '-1 month';

            return (new \DateTimeImmutable($date))->modify($shorter)->format('Y-m-d');
        }

        return $date;
    }

    /** Whether there is any word of time in what was said; most sentences have none, and need not be looked at. */
    private function timely(Heard $heard): bool
    {
        if (isset($this->timely[$heard])) {
            return $this->timely[$heard];
        }
        $timely = false;
        foreach ($heard->tokens as $token) {
            if (preg_match("/\\d|^(?:to|on|\\w*day(?:s|'s)?|\\w*night|weeks?|weekend|months?|years?|tomorrow|today|now|\\w*noon|morning|evening|jan|feb|mar|apr|may|june?|july?|aug|sept?|oct|nov|dec|\\w+uary|march|april|august|\\w+ber|mon|tues?|wed|thurs?|fri|sat|sun|half|quarter|past|oh|zero|one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|\\w+teen|twenty|thirty|forty|fifty|first|second|third|\\w+th|christmas|easter|eve|\\w+ish|ago|hours?|minutes?|fortnight|asap|straight|right|lunch|lunchtime|midday|midnight|o'clock|pm|am|dinner|tea|soon|later)$/", $token->text) === 1) {
                $timely = true;

                break;
            }
        }

        return $this->timely[$heard] = $timely;
    }

    /** Whether unasked words are an hour indeed: 'at eight', 'half seven', '3 pm', not 'tomorrow, just one night'. */
    private function clock(Heard $heard, Reading $reading): bool
    {
        if (preg_match("/[ap]\\.?m\\b|\\d[:.]\\d\\d|o'?clock|half|quarter|noon|midday|midnight|first thing|lunch|past|fifteen|thirty|forty|twenty|in (?:an?|two|three) hours?/i", $reading->said) === 1) {
            return true;
        }
        $before = array_values(array_filter($heard->tokens, static fn (Token $token): bool => $token->start < $reading->end && $token->end > $reading->start - 12));

        return array_filter($before, static fn (Token $token): bool => in_array($token->text, ['at', 'by', 'around', 'about', 'say', 'from', 'morning', 'afternoon', 'evening', 'tonight'], true)) !== [];
    }

    private function somebodyElses(Heard $heard, Reading $reading): bool
    {
        $before = array_values(array_filter($heard->tokens, static fn (Token $token): bool => $token->end <= $reading->start && $token->start > $reading->start - 42));
        $own = $this->words->phrases('extraction', 'my_number')->first($before);
        $other = $this->words->phrases('extraction', 'not_my_number')->first($before);

        return $other !== null && ($own === null || $own[1] < $other[1]);
    }

    /** Whether the caller will not or cannot say. */
    public function refuses(Heard $heard): bool
    {
        return $this->words->phrases('talk', 'refusals')->in($heard->all)
            || $this->words->phrases('talk', 'doubt')->in($heard->all)
            || $this->words->phrases('extraction', 'declines')->in($heard->all);
    }
}
