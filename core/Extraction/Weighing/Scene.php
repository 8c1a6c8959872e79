<?php

declare(strict_types=1);

namespace Ringo\Extraction\Weighing;

use Ringo\Extraction\Exchanges;
use Ringo\Extraction\FieldProfile;
use Ringo\Extraction\Hearing;
use Ringo\Extraction\Readings;
use Ringo\Transcript\Transcript;

/** A call as it is weighed: its utterances in order, with what was said before each and what was said to it. */
final readonly class Scene
{
    /**
     * @param list<Utterance> $utterances
     * @param list<FieldProfile> $fields all of the sheet
     * @param Talk $talk what the talk has come to, utterance by utterance
     */
    private function __construct(public Hearing $hearing, public array $utterances, public array $fields, public Talk $talk)
    {
    }

    public static function of(Hearing $hearing, Readings $readings, Exchanges $exchanges): self
    {
        $turns = [];
        $pieces = '';
        foreach ($hearing->transcript->turns as $n => $turn) {
            if (trim($turn->text) === '') {
                continue;
            }
            $theirs = $turn->by !== 'caller';
            $i = count($turns);
            $before = '';
            for ($k = $i - 1; $k >= 0 && $turns[$k]['theirs'] !== $theirs; $k--) {
                $before = trim($turns[$k]['text'].' '.$before);
            }
            // Over 'mm hm' and 'go on' the question stays open.
            $goesOn = ! $theirs && $k >= 0 && $before !== '' && $exchanges->listens($before);
            $pieces = $theirs ? $pieces : ($goesOn ? trim($pieces.' '.$turn->text) : $turn->text);
            $turns[] = [
                'n' => $n,
                'theirs' => $theirs,
                'text' => $turn->text,
                'keyed' => $turn->keys,
                'before' => $goesOn ? $turns[$k]['before'] : $before,
                'pieces' => $goesOn ? $pieces : '',
            ];
        }

        return new self($hearing, $utterances = self::utterances($turns, $readings), $hearing->fields, Talk::of($hearing, $utterances, $readings));
    }

    /**
     * @param list<array{n: int, theirs: bool, text: string, keyed: bool, before: string, pieces: string}> $turns
     *
     * @return list<Utterance>
     */
    private static function utterances(array $turns, Readings $readings): array
    {
        $utterances = [];
        /** @var array<int, Utterance> $next what each side says next */
        $next = [];
        foreach (array_reverse($turns, true) as $place => $turn) {
            $heard = $readings->hear($turn['text']);
            $one = new Utterance(
                $place,
                $turn['n'],
                $turn['theirs'],
                $heard,
                $turn['before'],
                $next[(int) ! $turn['theirs']] ?? null,
                array_map($heard->only(...), $readings->clauses($heard)),
                $turn['keyed'],
                $turn['pieces'],
            );
            $next[(int) $turn['theirs']] = $one;
            $utterances[] = $one;
        }

        return array_reverse($utterances);
    }

    public function transcript(): Transcript
    {
        return $this->hearing->transcript;
    }

    public function country(): string
    {
        return $this->hearing->transcript->country;
    }
}
