<?php

declare(strict_types=1);

namespace Ringo\Extraction\Weighing;

use Ringo\Extraction\FieldProfile;
use Ringo\Extraction\Readings;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Reading;

/** What speaks for and against a value where it was said: the question before it, the words around it, the reply to it. */
final class Signs
{
    /** From here on a question points at a field at all. */
    private const POINTS = 0.3;

    /** Words before a value that may deny it. */
    private const CLOSE = 4;

    /** Words after a value that may say what it is. */
    private const AFTER = 3;

    /** @var \WeakMap<Utterance, array{?bool}> whether a reply agrees */
    private \WeakMap $reactions;

    /** Texts whose links to a field are remembered: several values of one text have the same. */
    private const REMEMBERED = 4_000;

    /** @var array<string, array<string, float>> */
    private array $linked = [];

    /** Words of a turn that something may be put right behind. */
    private const OPENS = 2;

    /** 'No' and 'sorry' may put something right, or not. */
    private const WEAKLY = 0.5;

    /** @var \WeakMap<Utterance, array<string, float>> */
    private \WeakMap $courses;

    public function __construct(private readonly Links $links, private readonly Readings $readings, private readonly Vocabulary $words)
    {
        $this->reactions = new \WeakMap;
        $this->courses = new \WeakMap;
    }

    /**
     * @param string $unit the sentence, or the whole turn, it was read from
     *
     * @return array<string, float>
     */
    public function of(Scene $scene, Utterance $utterance, FieldProfile $field, string $unit, Reading $reading, string $place): array
    {
        $signs = $this->link($scene, $field, $unit, 'own') + ['sure' => $reading->confidence, 'share' => min(1.0, strlen($reading->said) / max(1, strlen($unit))), 'at:'.$place => 1.0];
        $at = $reading->said === '' ? false : stripos($unit, $reading->said);
        $lead = $at === false ? $unit : substr($unit, 0, $at);
        $near = $this->near($unit, $at === false ? 0 : $at, $reading->said);
        $signs += $this->nearby($scene, $field, $near);
        // The 'no' of 'No, make it Thursday' is an answer and denies nothing of what follows.
        $close = implode(' ', array_slice(explode(' ', trim((string) preg_replace('/^\W*(?:oh |well )?no\b\W+/i', '', $lead))), -self::CLOSE));
        foreach ($this->words->section('weighing', 'around') as $name => $phrases) {
            $tokens = $this->readings->hear(match ($name) {
                'limit', 'either', 'hours' => $unit,
                'denied' => $close,
                default => $lead,
            })->all;
            if ($tokens !== [] && $this->words->phrases('weighing', 'around_'.$name)->in($tokens)) {
                $signs['word:'.$name] = 1.0;
            }
        }
        if (str_contains($unit, '?')) {
            $signs['asks'] = 1.0;
        }
        $signs['early'] = $utterance->turn <= 1 ? 1.0 : 0.0;

        return $utterance->theirs
            ? $signs + $this->offered($scene, $utterance)
            : $signs + $this->link($scene, $field, $utterance->before, 'to') + $this->course($scene, $utterance) + ['caller' => 1.0];
    }

    /** The words right around a value. */
    private function near(string $unit, int $at, string $said): string
    {
        $before = array_slice(explode(' ', trim(substr($unit, 0, $at))), -self::CLOSE);
        $after = array_slice(explode(' ', trim(substr($unit, $at + strlen($said)))), 0, self::AFTER);

        return trim(implode(' ', $before).' … '.implode(' ', $after));
    }

    /** @return array<string, float> whether the words right around a value name its field, and whether they name another of its kind more */
    private function nearby(Scene $scene, FieldProfile $field, string $near): array
    {
        $rival = 0.0;
        foreach ($scene->fields as $other) {
            $rival = $other->key() !== $field->key() && $other->kin() === $field->kin() ? max($rival, $this->links->named($near, $other)[0]) : $rival;
        }
        [$names, $about] = $this->links->named($near, $field);

        return ['near.names' => $names, 'near.about' => $about, 'near.names_lead' => $names - $rival];
    }

    /**
     * How a text points at a field, and whether it points more at another.
     *
     * @return array<string, float>
     */
    public function link(Scene $scene, FieldProfile $field, string $text, string $name): array
    {
        if (count($this->linked) > self::REMEMBERED) {
            $this->linked = [];
        }

        return $this->linked[$name.'|'.$field->key().'|'.spl_object_id($field).'|'.$text] ??= $this->linking($scene, $field, $text, $name);
    }

    /** @return array<string, float> */
    private function linking(Scene $scene, FieldProfile $field, string $text, string $name): array
    {
        $links = $this->links->of($text, $scene->fields);
        $own = $links[$field->key()];
        $most = ['last' => 0.0, 'names' => 0.0, 'like' => -1.0];
        $kin = $most;
        $alone = true;
        foreach ($scene->fields as $other) {
            if ($other->key() === $field->key()) {
                continue;
            }
            $link = $links[$other->key()];
            foreach ($most as $what => $value) {
                $most[$what] = max($value, $link[$what]);
                if ($other->kin() === $field->kin()) {
                    $kin[$what] = max($kin[$what], $link[$what]);
                    $alone = false;
                }
            }
        }
        $signs = [
            "{$name}.asks" => $own['asks'], "{$name}.last" => $own['last'], "{$name}.names" => $own['names'], "{$name}.about" => $own['about'], "{$name}.like" => $own['like'],
            "{$name}.last_lead" => $own['last'] - $kin['last'], "{$name}.last_most" => $own['last'] - $most['last'], "{$name}.names_lead" => $own['names'] - $kin['names'],
            "{$name}.like_lead" => $alone ? 0.0 : $own['like'] - $kin['like'], "{$name}.like_most" => $own['like'] - $most['like'],
            "{$name}.top" => $own['last'] > self::POINTS && $own['last'] >= $most['last'] ? 1.0 : 0.0,
            'alone' => $alone ? 1.0 : 0.0,
        ];
        if ($name === 'to') {
            $question = $this->links->question($text);
            $fits = $this->links->fits($question, $scene->fields);
            $signs['to.fits'] = $fits[$field->key()] ?? 0.0;
            $signs['to.fits_lead'] = $signs['to.fits'] - max([0.0, ...array_values(array_diff_key($fits, ['' => 0, $field->key() => 0]))]);
            $signs['to:polar'] = preg_match(
                '/^(?:\W*(?:and|so|but|ok|okay|right|now|great|lovely|thanks?|thank you)\b\W*)*(?:do|does|did|is|are|was|were|have|has|had|can|could|will|would|shall|should|may|any)\b/i',
                $question,
            ) === 1 ? 1.0 : 0.0;
            $sides = preg_match_all('/,|\bor\b/i', $question);
            if (preg_match('/\bor\b/i', $question) === 1) {
                // 'Is it about prices, fitting or an order?' is no question of yes or no.
                $signs[$sides > 1 ? 'to:menu' : 'to:either'] = 1.0;
            }
            if ($own['open'] !== '') {
                $signs['open:'.$own['open']] = 1.0;
            }
        }

        return $signs;
    }

    /** @return array<string, float> whether the caller puts something right, and what the other side made of it */
    public function course(Scene $scene, Utterance $utterance): array
    {
        $known = $this->courses[$utterance] ?? null;
        if ($known === null) {
            $tokens = $utterance->heard->tokens;
            $opens = $this->words->phrases('extraction', 'takes_back')->first($tokens);
            $strong = $this->words->phrases('extraction', 'strong_takes_back')->in($tokens);
            $known = [
                'takes_back' => $strong ? 1.0 : ($opens !== null && $opens[1] <= self::OPENS ? self::WEAKLY : 0.0),
                'says_no' => $this->reaction($scene, $utterance) === false ? 1.0 : 0.0,
            ];
            $reply = $utterance->reply?->heard->all ?? [];
            foreach ($reply === [] ? [] : ['denials', 'grants'] as $section) {
                $known["reply:{$section}"] = $this->words->phrases('extraction', $section)->in($reply) ? 1.0 : 0.0;
            }
            $this->courses[$utterance] = $known;
        }

        return $known;
    }

    /** @return array<string, float> what the caller made of what the other side said */
    private function offered(Scene $scene, Utterance $utterance): array
    {
        $reply = $utterance->reply;
        $signs = ['theirs' => 1.0];
        if ($reply === null) {
            return $signs + ['reply:none' => 1.0];
        }
        $reaction = $this->reaction($scene, $reply);
        $signs['reply:'.($reaction === null ? 'other' : ($reaction ? 'yes' : 'no'))] = 1.0;
        if ($this->readings->turnedDown($reply->heard)) {
            $signs['reply:down'] = 1.0;
        }
        if (str_contains($reply->heard->original, '?')) {
            $signs['reply:asks'] = 1.0;
        }

        return $signs;
    }

    /** Whether what was said before may ask for a field. */
    public function asked(Scene $scene, FieldProfile $field, string $before): bool
    {
        return $before !== '' && $this->links->of($before, $scene->fields)[$field->key()]['asks'] >= self::POINTS;
    }

    /** Whether what was said before asks for this field before all others. */
    public function leads(Scene $scene, FieldProfile $field, string $before): bool
    {
        return $before !== '' && $this->link($scene, $field, $before, 'to')['to.top'] === 1.0;
    }

    public function reaction(Scene $scene, Utterance $utterance): ?bool
    {
        $known = $this->reactions[$utterance] ?? null;
        if ($known === null) {
            $known = [$this->readings->reaction($utterance->heard, $scene->hearing->now)];
            $this->reactions[$utterance] = $known;
        }

        return $known[0];
    }
}
