<?php

declare(strict_types=1);

namespace Ringo\Dialogue;

/**
 * All that a call must remember between turns. It can be written down after any turn and taken up again elsewhere.
 *
 * The engine never changes the state it is given; it works on a copy.
 *
 * A time that is being agreed: the step, what was wished, offered and refused, what is held (and all of a series), and which booking it
 * is about or how that is being found.
 *
 * An errand: the step it belongs to, its id, what is asked (the answer of the other system, a field, or which of several rows), since when,
 * when a phrase was last said, and what the caller said meanwhile.
 *
 * @phpstan-type Out array{step: string, key: string, id: string, values: array<string, mixed>, asks: string, field: ?string, rows: list<array<string, mixed>>, by: ?string, questions: int, since: float, told: ?float, meanwhile: list<string>, question: string}
 * @phpstan-type Going array{step: string, service: string, area: ?string, wish: array<string, mixed>, offered: list<array{int, string}>, refused: list<int>, held: ?array{int, string}, all: list<array{int, string}>, series: ?array{unit: string, every: int, times: ?int}, reference: ?string, which: list<string>, finds: array{name: ?string, date: ?string, tries: int}, asks: string, tries: int, question: string, pressed?: bool}
 */
final class CallState
{
    /** Step the caller is being asked at. */
    public ?string $step = null;

    /** What the next words are taken as. */
    public Mode $mode = Mode::Answer;

    /** Step to go on to after a confirmation. */
    public ?string $resume = null;

    /** @var array<string, Held> */
    public array $values = [];

    /** When they want to be rung again, a local date and time; empty: it was asked; null: they do not. */
    public ?string $ringAgain = null;

    /** @var list<string> keys of what they had against it, in order */
    public array $objections = [];

    /** @var list<string> fields waiting for a yes */
    public array $pending = [];

    /** @var list<string> fields the caller would not give */
    public array $declined = [];

    /** @var array<string, string> the step at which each field was last asked for */
    public array $askedAt = [];

    /** @var array<string, string> what was heard of a value so far, where only part of it was given */
    public array $parts = [];

    /** @var array<string, Held> values held earlier in the call, for 'the same' */
    public array $former = [];

    /** @var list<string> topics that have been brought to an outcome */
    public array $finished = [];

    /** @var array<string, int> how often each question was put again */
    public array $again = [];

    /** The topic that the caller's last question was about, for 'put me down for one then'. */
    public ?string $leaning = null;

    /** @var Going|null a time that is being agreed */
    public ?array $booking = null;

    /** @var Out|null an errand that is on its way, or for which something is asked */
    public ?array $errand = null;

    /** @var ?array{id: string, event: array{kind: string, at: float, text: string, seconds: float}, doubt: array<string, mixed>} a second opinion that is asked for, and the words it is about */
    public ?array $advising = null;

    /** Second opinions this call has asked for. */
    public int $advices = 0;

    /** Errands this call has sent on their way. */
    public int $errands = 0;

    /** @var list<string> errands of the script's own accord that this call has sent, or will not */
    public array $ownErrands = [];

    /** @var array<string, array{status: string, values: array<string, mixed>, row: array<string, array{type: string, value: mixed}>, at: float, seconds: float}> what errands came back with, by errand */
    public array $looked = [];

    /** @var list<string> what the caller said while an errand was on its way, until it is weighed */
    public array $heardMeanwhile = [];

    /** @var list<array{reference: string, service: string, at: int, diary: string}> what this call has booked or moved */
    public array $booked = [];

    /** How the caller's matter is met: neutral, sorry or glad. */
    public string $tone = 'neutral';

    /** Whether a person was offered to a caller whose patience had gone. */
    public bool $personOffered = false;

    /** @var list<string> words of the caller that no question and no rule has used, for a field that takes the rest */
    public array $unused = [];

    /** @var list<string> topics between which the caller is asked */
    public array $candidates = [];

    /** @var ?array{words: string, turn: ?int} what was said that might be meant by one of the candidates, and the turn it was said in */
    public ?array $unsorted = null;

    /** @var list<string> topics that were asked about and are not meant */
    public array $refused = [];

    public int $failures = 0;

    public int $silences = 0;

    /** Silences in a row, whatever the step. */
    public int $quiet = 0;

    public int $offTopic = 0;

    /** @var array<string, int> failed confirmations by field */
    public array $unconfirmed = [];

    /** @var array<string, int> how often each step was put to the caller */
    public array $visits = [];

    /** @var list<string> the questions put, in order */
    public array $path = [];

    /** @var list<string> steps to come back to after a detour */
    public array $returns = [];

    public string $lastSpoken = '';

    /** How much of the last words was heard before the caller broke in. */
    public string $lastHeard = '';

    public string $lastQuestion = '';

    /** @var array<string, int> the variant each prompt was last said in */
    public array $variants = [];

    public int $frustration = 0;

    /** Transcript turns so far. */
    public int $turns = 0;

    /** Caller turns so far. */
    public int $heard = 0;

    public float $clock = 0.0;

    public bool $holding = false;

    public float $pace = 1.0;

    /** @var list<string> */
    public array $tags = [];

    /** @var list<array{by: string, to: string, subject: ?string, text: string, file: ?string, step: string, turn: int}> messages the call has caused, in order */
    public array $sent = [];

    /** @var list<string> keys of the transfer rules that decided, in order; `default` where none held */
    public array $fired = [];

    /** How early among others who wait this caller is taken, 0 to 9. */
    public int $priority = 0;

    /** @var list<string> what the caller said, last twelve turns; words that were checked are not among them */
    public array $said = [];

    /** @var ?array{step: string, rule: string, why: string, how: string, targets: list<string>, target: string, groups: list<list<string>>, group: int, since: float, asked: int, silences: int, opening: bool, told: bool, tried: list<string>, offered?: string} a transfer under way; offered: the time offered for a call-back */
    public ?array $transfer = null;

    /** @var ?array{target: string, rings: list<array{people: list<string>, seconds: int}>, group: int, then: string, words: string, outcome?: string} staff whose telephones ring before the agent answers, and what comes where they do not: the agent, or words and an outcome */
    public ?array $first = null;

    /** Step the agent begins with, where it is not the script's first. */
    public ?string $opening = null;

    /** @var ?array{person: string, name: string, after: float, target: string} who has taken the call */
    public ?array $connected = null;

    /** @var list<array<string, scalar|null>> the people one of whom is calling from a shared number */
    public array $people = [];

    /** @var array<string, int> tries at each verify step */
    public array $verifying = [];

    /** @var list<string> facts that were given rightly, where any two are asked for */
    public array $proved = [];

    public bool $verified = false;

    public ?string $topic = null;

    /** The standing reply given last, for 'and for the other one?'. */
    public ?string $lastReply = null;

    /** @var ?array{text: string, source: string, name: string, more: list<string>, offers?: list<array{source: string, label: string, text: string, more: list<string>}>, turn?: int, question?: string} the last answer from knowledge */
    public ?array $known = null;

    public ?string $outcome = null;

    public bool $doNotCall = false;

    public bool $ended = false;

    /**
     * @param string $startedAt ISO 8601 with offset
     * @param ?string $from the caller's number as E.164, null where withheld
     * @param array<string, scalar|null> $caller what is known of the caller: kind, known, first_name, name, organisation …
     */
    public function __construct(
        public readonly string $id,
        public readonly string $startedAt,
        public readonly string $seed,
        public readonly ?string $from,
        public readonly ?string $to,
        public array $caller,
    ) {
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        $data = get_object_vars($this);
        foreach (['values', 'former'] as $held) {
            $data[$held] = array_map(static fn (Held $one): array => $one->toArray(), $this->{$held});
        }
        $data['mode'] = $this->mode->value;

        return $data;
    }

    /** @param array<string, mixed> $data as toArray() wrote it */
    public static function fromArray(array $data): self
    {
        $state = new self($data['id'], $data['startedAt'], $data['seed'], $data['from'], $data['to'], $data['caller']);
        foreach ($data as $name => $value) {
            if (in_array($name, ['id', 'startedAt', 'seed', 'from', 'to', 'caller'], true) || ! property_exists($state, $name)) {
                continue;
            }
            $state->{$name} = match ($name) {
                'values', 'former' => array_map(Held::fromArray(...), $value),
                'mode' => Mode::from($value),
                'clock', 'pace' => (float) $value,
                default => $value,
            };
        }

        return $state;
    }
}
