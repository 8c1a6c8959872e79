<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Appointments;

use Ringo\Dialogue\CallState;
use Ringo\Dialogue\Ports\Appointments;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Values\PlainQuestion;
use Ringo\Diary\Diaries;
use Ringo\Diary\Negotiation;
use Ringo\Diary\Service;
use Ringo\Diary\Start;
use Ringo\Language\Token;
use Ringo\Language\Tokenizer;
use Ringo\Language\Vocabulary;
use Ringo\Script\Steps\Book\BookStep;
use Ringo\Sheet\Field;
use Ringo\Understanding\Asking;
use Ringo\Understanding\Context;
use Ringo\Understanding\When\Wishes\Series;
use Ringo\Understanding\When\Wishes\SeriesReader;
use Ringo\Understanding\When\Wishes\Wish;
use Ringo\Value\ValueType;

/**
 * A time that is being agreed, as it stands in one turn: the step, the book, and what has been wished, offered and held.
 *
 * @phpstan-import-type Going from CallState
 */
final readonly class Matter
{
    /** What callers said before that may hold a wish, and what goes with a booking as its note. */
    private const LATELY = 12;

    private const FRESH = ['service' => '', 'area' => null, 'wish' => [], 'offered' => [], 'refused' => [], 'held' => null, 'all' => [], 'series' => null, 'reference' => null, 'which' => [], 'finds' => ['name' => null, 'date' => null, 'tries' => 0], 'asks' => 'wish', 'tries' => 0, 'question' => ''];

    /** Stands in the place of what told something else, so that what is said about it keeps its shape. */
    private const SOMETHING = 'visit';

    /** Answers that count something, or name it by figures. */
    private const COUNTS = [ValueType::Number, ValueType::Money, ValueType::Duration, ValueType::Reference];

    private const OF_SOMEBODY = [ValueType::PersonName, ValueType::Phone, ValueType::Email, ValueType::PostalAddress];

    private const TODAY = 'today';

    private function __construct(public Turn $turn, public BookStep $step, public Appointments $book, public Diaries $diaries, public Negotiation $negotiation, private Vocabulary $words)
    {
    }

    public static function of(Turn $turn, BookStep $step, Appointments $book, Vocabulary $words): self
    {
        $diaries = $book->diaries($turn->state->id);
        $last = $book->last($turn->state->id, $turn->state->from, $turn->scope()->now)?->start;

        return new self($turn, $step, $book, $diaries, new Negotiation($diaries, $words, $last), $words);
    }

    public function begin(): void
    {
        $this->turn->state->booking = ['step' => $this->step->key(), 'wish' => (new Wish)->toArray()] + self::FRESH;
    }

    /** The same with the book as it stands by now. */
    public function again(): self
    {
        return self::of($this->turn, $this->step, $this->book, $this->words);
    }

    public function now(): int
    {
        return $this->turn->scope()->now->getTimestamp();
    }

    /** @return Going */
    public function going(): array
    {
        return $this->turn->state->booking ?? throw new \LogicException('Nothing is being booked.');
    }

    /** @param array<string, mixed> $changes */
    public function set(array $changes): void
    {
        /** @var Going $going */
        $going = $changes + $this->going();
        $this->turn->state->booking = $going;
    }

    /** Asks something of the caller: what is asked, and the words, so that they can be said again. */
    public function asked(string $what): void
    {
        $this->set(['asks' => $what, 'question' => $this->turn->state->lastQuestion]);
    }

    public function service(): ?Service
    {
        return $this->diaries->services[$this->going()['service']] ?? null;
    }

    public function wish(): Wish
    {
        return Wish::fromArray($this->going()['wish']);
    }

    /** @return list<Start> what the caller has just heard */
    public function offered(): array
    {
        return array_map(static fn (array $one): Start => new Start($one[0], $one[1]), $this->going()['offered']);
    }

    public function series(): ?Series
    {
        $series = $this->going()['series'];

        return $series === null || $series['times'] === null ? null : new Series($series['unit'], $series['every'], $series['times']);
    }

    /**
     * What was said with what it says of a series taken out of it, and kept.
     *
     * A number of times counts only beside how often: 'I rang three times' is no series.
     */
    public function withoutSeries(string $said): string
    {
        $read = $this->step->series === 0 || $this->going()['reference'] !== null ? null : (new SeriesReader($this->words))->read($said);
        $before = $this->going()['series'];
        $unit = $read['unit'] ?? $before['unit'] ?? null;
        if ($read === null || $unit === null) {
            return $said;
        }
        $times = $read['times'] ?? $before['times'] ?? null;
        $this->set(['series' => ['unit' => $unit, 'every' => $read['every'] ?? $before['every'] ?? 1, 'times' => $times === null ? null : min($times, $this->step->series)]]);

        return $read['rest'];
    }

    /**
     * What the caller said last, without what told who or where somebody is, how many and which: 'Jan Moss' wishes for no January, the
     * eighteen of eighteen holes for no hour, a day of birth for no day.
     *
     * @return list<string>
     */
    public function lately(): array
    {
        $told = [];
        foreach ($this->turn->state->values as $key => $held) {
            $field = $this->turn->script->sheet->field($key);
            if ($field !== null && $held->said !== '' && $this->tellsOfNoTime($field, $held->said)) {
                $told[] = '/(?<![\pL\pN])'.preg_quote($held->said, '/').'(?![\pL\pN])/iu';
            }
        }
        // Who opens with 'Morning!' greets.
        $greets = '/^(?:good )?(?:morning|afternoon|evening)(?: all| there)?[,.!] /i';
        $lately = array_map(static fn (string $said): string => trim((string) preg_replace($told, self::SOMETHING, (string) preg_replace($greets, '', $said))), array_slice($this->turn->state->said, -self::LATELY));

        return array_values(array_filter($lately, fn (string $said): bool => $said !== '' && $said !== self::SOMETHING && ! $this->asksWhatDayItIs($said)));
    }

    /** 'What day is it today' wishes for no today. */
    private function asksWhatDayItIs(string $said): bool
    {
        $asks = $this->words->phrases('talk', 'what_day');
        $tokens = (new Tokenizer)->tokens($said);
        $rest = $asks->without($tokens);

        return count($rest) < count($tokens) && array_filter($rest, fn (Token $token): bool => $token->text !== self::TODAY && ! isset($this->words->set('function_words')[$token->text])) === [];
    }

    private function tellsOfNoTime(Field $field, string $said): bool
    {
        if (in_array($field->type, self::OF_SOMEBODY, true) || in_array($field->type, self::COUNTS, true)) {
            return true;
        }
        if ($field->type === ValueType::Date) {
            // A day of birth, or of what has been.
            $step = $this->turn->asking($field->key);

            return preg_match('/\b(?:birth|born|dob)\b/i', str_replace('_', ' ', $field->key.' '.$field->title)) === 1
                || $step !== null && (new Asking($this->words))->in(new Context($this->turn->scope()->now), PlainQuestion::last($step->prompt->variants[0]), $field->title)->past;
        }

        // 'In the morning', one of several parts of a day, is a wish as well.
        $tokens = (new Tokenizer)->tokens($said);

        return in_array($field->type, [ValueType::Choice, ValueType::Several], true) && ! $this->words->phrases('calendar', 'day_parts')->in($tokens) && ! $this->words->phrases('calendar', 'of_days')->in($tokens);
    }

    /** @return array{name: ?string, number: ?string, area: ?string, note: string} */
    public function caller(): array
    {
        return ['name' => $this->name(), 'number' => $this->turn->state->from, 'area' => $this->going()['area'], 'note' => implode(' / ', array_slice($this->turn->state->said, 0, self::LATELY))];
    }

    public function over(): void
    {
        $this->book->release($this->turn->state->id);
        $this->turn->state->booking = null;
    }

    private function name(): ?string
    {
        foreach ($this->turn->script->sheet->fields as $field) {
            $value = ($this->turn->state->values[$field->key] ?? null)?->value;
            if ($field->type === ValueType::PersonName && is_string($value)) {
                return $value;
            }
        }
        $name = $this->turn->state->caller['name'] ?? null;

        return is_string($name) && $name !== '' ? $name : null;
    }
}
