<?php

declare(strict_types=1);

namespace Ringo\Extraction\Weighing;

use Ringo\Extraction\Claim;
use Ringo\Extraction\Exchanges;
use Ringo\Extraction\FieldProfile;
use Ringo\Extraction\Hearing;
use Ringo\Extraction\Readings;
use Ringo\Extraction\Score;
use Ringo\Value\ValueType;

/**
 * Settles each field of a call once all of it has been heard: every value the field might have is weighed against all others and against
 * none, and the likeliest stands.
 */
final readonly class Settler
{
    /** A value of a field that neither a question nor the words themselves speak of wants more to be believed. */
    private const UNASKED = 0.55;

    /** From here on words speak of a field. */
    private const SPEAKS = 0.3;

    /** Values of these types are told from other words by their form. */
    private const PLAIN = [ValueType::Date, ValueType::DateTime, ValueType::Time, ValueType::Phone, ValueType::Email, ValueType::Reference];

    /** From here on what stands in place of a value that was overturned is taken for it. */
    private const PUT_RIGHT = 0.1;

    /** Two values of which each is this likely, and neither likely enough, are a doubt that is told. */
    private const DOUBTED = 0.3;

    /** A key that was pressed is what the menu says; a yes to a menu that confirms is nearly so. */
    private const KEYED = 0.95;

    private const AGREED_TO_MENU = 0.82;

    /** How sure a value is that was said back and agreed to, and how sure any can be. */
    private const CONFIRMED = 0.96;

    private const SUREST = 0.97;

    public function __construct(
        private Candidates $candidates,
        private Chooser $chooser,
        private Assignment $assignment,
        private Readings $readings,
        private Signs $signs,
        private Exchanges $exchanges,
    ) {
    }

    public function settle(Hearing $hearing): void
    {
        $scene = $this->scene($hearing);
        $candidates = $this->candidates->of($scene);
        $ranked = $this->assignment->of(array_map($this->chooser->ranked(...), $candidates));
        $refusals = $this->refusals($scene);
        foreach ($scene->fields as $field) {
            $keyed = array_values(array_filter($candidates[$field->key()] ?? [], static fn (Candidate $one): bool => $one->told === Candidate::KEYED));
            $best = $this->putRight($ranked[$field->key()] ?? []);
            if ($keyed !== []) {
                $last = $keyed[count($keyed) - 1];
                $this->claim($hearing, new Choice($last, $last->signs['agrees'] === 1.0 ? self::AGREED_TO_MENU : self::KEYED), $candidates[$field->key()]);
            } elseif (
                $best !== null
                && ! $this->oneOfTwo($best->candidate)
                && $best->likelihood >= ($this->spokenOf($best->candidate) ? $this->chooser->least() : self::UNASKED)
            ) {
                $this->claim($hearing, $best, $candidates[$field->key()]);
            } else {
                $this->unsettled($scene, $field, $ranked[$field->key()] ?? [], $refusals);
            }
        }
    }

    /**
     * The likeliest; where the caller put it right in so many words when it was said back, what they put in its place, as likely as both.
     *
     * @param list<Choice> $ranked
     */
    private function putRight(array $ranked): ?Choice
    {
        $best = $ranked[0] ?? null;
        if ($best === null || ! isset($best->candidate->signs['overturned']) || ! in_array($best->candidate->field->type, self::PLAIN, true)) {
            return $best;
        }
        foreach ($ranked as $choice) {
            $signs = $choice->candidate->signs;
            if (isset($signs['overturns']) && ($signs['takes_back'] ?? 0.0) === 1.0 && $choice->likelihood >= self::PUT_RIGHT) {
                return new Choice($choice->candidate, $choice->likelihood + $best->likelihood);
            }
        }

        return $best;
    }

    public function scene(Hearing $hearing): Scene
    {
        return Scene::of($hearing, $this->readings, $this->exchanges);
    }

    /** @param list<Candidate> $candidates of the field */
    private function claim(Hearing $hearing, Choice $choice, array $candidates): void
    {
        $told = $this->ownWords($choice->candidate, $candidates);
        $first = null;
        $confirmed = false;
        $other = false;
        foreach ($candidates as $one) {
            $same = Score::same($one->value, $told->value);
            if ($same && $one->told !== Candidate::OFFER) {
                $first ??= $one;
            } elseif ($same && $first !== null && $one->place > $first->place && ($one->signs['reply:yes'] ?? 0.0) === 1.0) {
                $confirmed = true;
            }
            $other = $other || ! $same && $one->place < $told->place && $one->told !== Candidate::MEANT;
        }
        $origin = match (true) {
            isset($told->signs['this:asked']) => Claim::CALLER_ID,
            $told->told === Candidate::OFFER => Claim::AGREED,
            $other && ($told->told === Candidate::MENDED || ($told->signs['takes_back'] ?? 0.0) === 1.0) => Claim::CORRECTED,
            max($told->signs['to.asks'] ?? 0.0, $told->signs['to.top'] ?? 0.0) >= self::SPEAKS || $told->told === Candidate::KEYED => Claim::ANSWERED,
            default => Claim::VOLUNTEERED,
        };
        $sure = min(self::SUREST, $confirmed ? max(self::CONFIRMED, $choice->likelihood) : $choice->likelihood);
        $hearing->ledger->take(
            $told->field->key(),
            new Claim($told->value, round($sure, 2), $told->turn, $hearing->evidence($told->turn, $told->said), $origin, $confirmed),
        );
    }

    /**
     * Where the caller said themselves what the other side said too, their words are the evidence.
     *
     * @param list<Candidate> $candidates
     */
    private function ownWords(Candidate $told, array $candidates): Candidate
    {
        foreach ($told->told === Candidate::OFFER ? array_reverse($candidates) : [] as $one) {
            if (in_array($one->told, [Candidate::ANSWER, Candidate::MENDED], true) && Score::same($one->value, $told->value)) {
                return $one;
            }
        }

        return $told;
    }

    /**
     * Why there is no value: the caller would not say, or said two.
     *
     * @param list<Choice> $ranked
     * @param list<Utterance> $refusals
     */
    private function unsettled(Scene $scene, FieldProfile $field, array $ranked, array $refusals): void
    {
        $ledger = $scene->hearing->ledger;
        foreach ($refusals as $utterance) {
            if ($this->signs->leads($scene, $field, $utterance->before)) {
                $ledger->decline($field->key());
            }
        }
        $asked = ($ranked[0]->candidate->signs['to.top'] ?? 0.0) === 1.0;
        if ($asked && count($ranked) > 1 && ($ranked[1]->likelihood >= self::DOUBTED || $this->oneOfTwo($ranked[0]->candidate))) {
            $ledger->doubt($field->key(), 'two were named, and which was meant is not clear');
        }
    }

    /** @return list<Utterance> what the caller said that will not or cannot tell */
    private function refusals(Scene $scene): array
    {
        $refuses = fn (Utterance $one): bool => ! $one->theirs && $one->heard->tokens !== [] && $this->readings->refuses($one->heard);

        return array_values(array_filter($scene->utterances, $refuses));
    }

    /** 'Tuesday or Wednesday', and neither was named again: no value, whichever comes first. */
    private function oneOfTwo(Candidate $candidate): bool
    {
        return ($candidate->signs['sides:or'] ?? 0.0) === 1.0 && ($candidate->signs['again'] ?? 0.0) <= 0.0;
    }

    private function spokenOf(Candidate $candidate): bool
    {
        return max(
            $candidate->signs['to.asks'] ?? 0.0,
            $candidate->signs['to.fits'] ?? 0.0,
            $candidate->signs['own.asks'] ?? 0.0,
            $candidate->signs['own.names'] ?? 0.0,
        ) >= self::SPEAKS;
    }
}
