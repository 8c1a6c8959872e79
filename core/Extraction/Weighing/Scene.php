<?php

declare(strict_types=1);

namespace Ringo\Extraction\Weighing;

use Ringo\Extraction\FieldProfile;
use Ringo\Extraction\Hearing;
use Ringo\Extraction\Readings;
use Ringo\Transcript\Transcript;

/** A call as it is weighed: its utterances in order, its fields, and what the reading turn by turn made of it. */
final readonly class Scene
{
    /**
     * @param list<Utterance> $utterances
     * @param list<FieldProfile> $fields all of the sheet
     * @param list<FieldProfile> $weighed those whose value is still to be chosen
     */
    private function __construct(public Hearing $hearing, public array $utterances, public array $fields, public array $weighed)
    {
    }

    public static function of(Hearing $hearing, Readings $readings): self
    {
        $turns = [];
        foreach ($hearing->transcript->turns as $n => $turn) {
            if (trim($turn->text) !== '') {
                $turns[] = [$n, $turn->by !== 'caller', $turn->text, $turn->keys];
            }
        }
        $utterances = [];
        for ($i = count($turns) - 1; $i >= 0; $i--) {
            [$n, $theirs, $text, $keyed] = $turns[$i];
            $before = '';
            for ($k = $i - 1; $k >= 0 && $turns[$k][1] !== $theirs; $k--) {
                $before = trim($turns[$k][2].' '.$before);
            }
            $reply = null;
            foreach ($utterances as $later) {
                if ($later->theirs !== $theirs) {
                    $reply = $later;

                    break;
                }
            }
            $heard = $readings->hear($text);
            array_unshift($utterances, new Utterance($i, $n, $theirs, $heard, $before, $reply, array_map($heard->only(...), $readings->clauses($heard)), $keyed));
        }

        return new self($hearing, $utterances, $hearing->fields, $hearing->fields);
    }

    /** @param list<string> $settled */
    public function without(array $settled): self
    {
        return new self($this->hearing, $this->utterances, $this->fields, array_values(array_filter($this->fields, static fn (FieldProfile $field): bool => ! in_array($field->key(), $settled, true))));
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
