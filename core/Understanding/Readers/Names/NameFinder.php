<?php

declare(strict_types=1);

namespace Ringo\Understanding\Readers\Names;

use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Context;
use Ringo\Understanding\Spelling;

/** Where a name stands in words: behind what leads up to it, before 'speaking', or at their beginning. */
final readonly class NameFinder
{
    private Spelling $spelling;

    public function __construct(private Vocabulary $words, private NameWords $word, private NameSpelling $spelled)
    {
        $this->spelling = new Spelling($words);
    }

    /**
     * @param list<Token> $t
     *
     * @return array{first: ?string, last: ?string, from: int, to: int, known: bool, cued: bool, strong: bool, spelled: bool}|null
     */
    public function stretch(array $t, Context $context, bool $repair): ?array
    {
        $labelled = $this->labelled($t);
        if ($labelled !== null) {
            return $labelled;
        }
        $best = null;
        foreach ($this->starts($t, $context) as [$start, $cue]) {
            if ($cue === 'weak' && $start > 2 && $this->spelling->run($t, $start) !== null) {
                // A spelling belongs to the name before it.
                continue;
            }
            $words = $this->nameAt($t, $start, $cue, $context, $repair);
            // A whole name is better than half of one; else the first cue counts.
            if ($words !== null && ($best === null || $words['last'] !== null && $words['first'] !== null && ($best['last'] === null || $best['first'] === null) && ! $best['spelled'])) {
                $best = $words;
            } elseif ($words !== null && $best['last'] === null && $words['first'] !== null && $words['last'] !== null && $words['known']) {
                $best = $words;
            }
        }
        if ($best !== null) {
            return $best;
        }

        return $context->asked || $repair ? $this->spelled->spelledOnly($t) : null;
    }

    /**
     * @param list<Token> $t 'first name John, surname Smith'
     *
     * @return array{first: ?string, last: ?string, from: int, to: int, known: bool, cued: bool, strong: bool, spelled: bool}|null
     */
    private function labelled(array $t): ?array
    {
        $first = $this->words->phrases('names', 'first_cues')->first($t);
        $last = $this->words->phrases('names', 'last_cues')->first($t);
        if ($first === null && $last === null) {
            return null;
        }
        $names = ['first' => null, 'last' => null];
        $from = PHP_INT_MAX;
        $to = 0;
        $spelled = false;
        $known = true;
        foreach (['first' => $first, 'last' => $last] as $part => $cue) {
            if ($cue === null) {
                continue;
            }
            $word = $this->partAt($t, $cue[1] + $cue[2], $part === 'last');
            if ($word === null) {
                continue;
            }
            $names[$part] = $word[0];
            $known = $known && $word[3];
            $from = min($from, $t[$word[4]]->start);
            $to = max($to, $t[$word[4] + $word[1] - 1]->end);
            $spelled = $spelled || $word[2];
        }
        if ($names['first'] === null && $names['last'] === null) {
            return null;
        }
        // 'Dara, surname Whitcombe'
        if ($names['first'] === null && $last !== null && $last[1] > 0) {
            foreach ($this->starts(array_slice($t, 0, $last[1]), new Context(new \DateTimeImmutable('@0'))) as [$start]) {
                $word = $this->partAt(array_slice($t, 0, $last[1]), $start, false);
                if ($word !== null && $this->word->plausible($t[$start]->text, true)) {
                    $names['first'] = $word[0];
                    $from = min($from, $t[$start]->start);

                    break;
                }
            }
        }

        // 'O'Rourke, first name Declan'
        if ($names['last'] === null && $first !== null && $first[1] > 0 && $t[$first[1]]->afterBreak()) {
            $word = $this->partAt(array_slice($t, 0, $first[1]), $first[1] - 1, true);
            if ($word !== null && ($this->word->known($t[$first[1] - 1]->text) || preg_match('/^\p{Lu}/u', $t[$first[1] - 1]->original) === 1)) {
                $names['last'] = $word[0];
                $from = min($from, $t[$first[1] - 1]->start);
            }
        }

        return [...$names, 'from' => $from, 'to' => $to, 'known' => $known, 'cued' => true, 'strong' => true, 'spelled' => $spelled];
    }

    /**
     * @param list<Token> $t one name, said or spelled or both
     *
     * @return array{string, int, bool, bool, int}|null name, tokens, spelled, known, place
     */
    private function partAt(array $t, int $i, bool $last): ?array
    {
        while (in_array($t[$i]->text ?? '', ['is', "it's", 'its', "that's", 'of', 'so', 'just', 'a', 'the'], true) && $this->spelling->run($t, $i) === null) {
            $i++;
        }
        if (! isset($t[$i])) {
            return null;
        }
        $run = $this->spelling->run($t, $i);
        if ($run !== null) {
            return [$this->word->cased($run[0]), $run[1], true, true, $i];
        }
        if (! $this->word->plausible($t[$i]->text, true)) {
            return null;
        }
        $length = 1;
        $word = $this->word->joinedWord($t, $i, $length);
        $spelled = $this->spelled->spellingAfter($t, $i + $length, $word);
        if ($spelled !== null) {
            return [$this->word->cased($spelled[0]), $length + $spelled[1], true, true, $i];
        }

        return [$this->word->cased($word), $length, false, $this->word->known($t[$i]->text), $i];
    }

    /**
     * Where a name may begin: after a cue, before 'speaking', or at the start of the answer.
     *
     * @param list<Token> $t
     *
     * @return list<array{int, string}> place and kind of cue: strong, weak, after, none
     */
    private function starts(array $t, Context $context): array
    {
        $starts = [];
        foreach ($this->words->phrases('names', 'strong_cues')->all($t) as [, $place, $length]) {
            $starts[] = [$place + $length, 'strong'];
        }
        foreach ($t as $i => $token) {
            if (in_array($token->text, ['speaking', 'here', 'calling'], true) && $i > 0) {
                for ($back = min(3, $i); $back >= 1; $back--) {
                    // 'Hi Shane, Kylie Nowak here': the name stands behind the last comma.
                    if (array_filter(array_slice($t, $i - $back + 1, $back), static fn (Token $one): bool => $one->afterBreak()) !== []) {
                        continue;
                    }
                    if ($this->word->plausible($t[$i - $back]->text, false) && isset($this->words->set('given_names')[$t[$i - $back]->text])) {
                        $starts[] = [$i - $back, 'strong'];

                        break;
                    }
                }
            }
        }
        foreach ($t as $i => $token) {
            if (in_array($token->text, ["it's", 'its'], true) && $this->wholeName($t, $i + 1)) {
                $starts[] = [$i + 1, 'strong'];
            }
        }
        if ($context->asked) {
            foreach ($this->words->phrases('names', 'cues')->all($t) as [, $place, $length]) {
                $starts[] = [$place + $length, 'weak'];
            }
            foreach ($this->words->phrases('names', 'kin_cues')->all($t) as [, $place, $length]) {
                // 'My dad Albert Ashdown', and not 'my wife rang earlier'.
                $named = isset($this->words->set('given_names')[$t[$place + $length]->text ?? '']);
                $then = $t[$place + $length + 2] ?? null;
                if ($named && ($then === null || $then->afterBreak())) {
                    $starts[] = [$place + $length, 'weak'];
                }
            }
            $soft = $this->words->phrases('talk', 'soft');
            $i = 0;
            while (isset($t[$i]) && ($hit = $soft->at($t, $i)) !== null) {
                $i += $hit[1];
            }
            $starts[] = [$i, 'none'];
        }

        return $starts;
    }

    /**
     * The 'Joyce Pemberton' of 'hello, it's Joyce Pemberton, I need my tablets', and nothing more before the next pause.
     *
     * @param list<Token> $t
     */
    private function wholeName(array $t, int $i): bool
    {
        $last = $t[$i + 1] ?? null;
        $next = $t[$i + 2] ?? null;
        if ($last === null || $last->afterBreak() || ! isset($this->words->set('given_names')[$t[$i]->text]) || $this->word->everyday($t[$i]->text)) {
            return false;
        }
        $capitals = preg_match('/^\p{Lu}/u', $t[$i]->original) === 1 && preg_match('/^\p{Lu}/u', $last->original) === 1;
        $surname = isset($this->words->set('surnames')[$last->text]) || $capitals && $this->word->plausible($last->text, false) && ! $this->word->everyday($last->text);

        return $surname && ! in_array($last->text, $this->words->section('address', 'streets'), true) && ! isset($this->words->set('function_words')[$last->text]) && ($next === null || $next->afterBreak() || in_array($next->text, ['from', 'and', 'i', "i'm", "i've", "i'd", 'again'], true));
    }

    /**
     * @param list<Token> $t
     *
     * @return array{first: ?string, last: ?string, from: int, to: int, known: bool, cued: bool, strong: bool, spelled: bool}|null
     */
    private function nameAt(array $t, int $i, string $cue, Context $context, bool $repair): ?array
    {
        $start = $i;
        $titles = array_fill_keys($this->words->section('names', 'titles'), true);
        $titled = false;
        while (isset($t[$i]) && (isset($titles[$t[$i]->text]) || in_array($t[$i]->text, ['the', 'just', "it's", 'is', 'called', 'yeah', 'yes', 'a'], true) && $this->spelling->run($t, $i) === null && $cue !== 'none')) {
            $titled = $titled || isset($titles[$t[$i]->text]);
            $i++;
        }
        if ($this->spelling->run($t, $i) !== null) {
            return $this->spelled->spelledOnly(array_slice($t, $i));
        }
        $names = [];
        $spelled = false;
        $end = $i;
        $ends = $this->words->phrases('names', 'after');
        $known = false;
        $from = $i;
        while (isset($t[$i]) && count($names) < 4) {
            $word = $t[$i]->text;
            if ($i > $from && $t[$i]->afterBreak()) {
                // 'Smith, John Smith' and 'Smythe, that's S M Y T H E'
                $tail = $this->spelled->spellingAfter($t, $i, (string) end($names));
                if ($tail !== null) {
                    $names[$this->spelled->spelledPart($names, $tail[0])] = $tail[0];
                    $spelled = true;
                    $i += $tail[1];
                    $end = $i;

                    continue;
                }
                // 'Steven, that's S T E P H E N, Brookes'
                if ($spelled && count($names) === 1 && $this->word->plausible($word, true) && $this->rest($t, $i + 1) && ($this->word->known($word) || ! $this->word->everyday($word))) {
                    $length = 1;
                    $names[] = $this->word->joinedWord($t, $i, $length);
                    $i += $length;
                    $end = $i;

                    break;
                }
                if (count($names) === 1 && isset($t[$i + 1]) && $t[$i + 1]->text === mb_strtolower(explode(' ', (string) $names[0])[0]) && $this->word->plausible($word, true)) {
                    $names = [];
                    $from = $i;
                } else {
                    break;
                }
            }
            $tail = $names === [] ? null : $this->spelled->spellingAfter($t, $i, (string) end($names));
            if ($tail !== null) {
                $names[$this->spelled->spelledPart($names, $tail[0])] = $tail[0];
                $spelled = true;
                $i += $tail[1];
                $end = $i;

                continue;
            }
            if ($names !== [] && $ends->at($t, $i) !== null && ! in_array($word, ['de', 'la'], true)) {
                break;
            }
            $particle = in_array($word, $this->words->section('names', 'particles'), true) && isset($t[$i + 1]) && $names !== [];
            if (! $particle && ! $this->word->plausible($word, $cue === 'strong' || $titled || $names !== [])) {
                break;
            }
            if ($names === [] && ! $titled && ! $this->believable($t, $i, $cue, $repair)) {
                break;
            }
            $length = 1;
            $said = $particle ? $word : $this->word->joinedWord($t, $i, $length);
            $known = $known || $this->word->known($word);
            $names[] = $said;
            $i += $length;
            $end = $i;
            $mended = $this->spelled->withLetter($t, $i, (string) end($names));
            if ($mended !== null) {
                $names[count($names) - 1] = $mended[0];
                $spelled = true;
                $i += $mended[1];
                $end = $i;
            }
        }
        if ($names === []) {
            return null;
        }
        // 'I'm gutted', 'I'm ringing' say how somebody is, and what they do.
        if (
            ! $known
            && ! $titled
            && ! $spelled
            && $cue === 'weak'
            && count($names) === 1
            && preg_match('/(?:ed|ing)$/', $t[$from]->original) === 1
            && preg_match('/^\p{Ll}/u', $t[$from]->original) === 1
        ) {
            return null;
        }
        // Where nothing but common words follow a weak cue, it was no name: 'it's about the digger'.
        if (! $known && ! $titled && ! $spelled && $cue === 'weak' && ! $this->rest($t, $end)) {
            return null;
        }
        if (! $known && ! $titled && ! $spelled && $cue === 'none' && ! $this->rest($t, $end)) {
            return null;
        }
        $parts = array_map($this->word->cased(...), $names);
        $first = $titled && count($parts) === 1 ? null : array_shift($parts);
        $last = $parts === [] ? null : implode(' ', $parts);

        return [
            'first' => $first, 'last' => $last,
            'from' => $t[$from]->start, 'to' => $t[$end - 1]->end,
            'known' => $known, 'cued' => $cue === 'strong' || $cue === 'weak', 'strong' => $cue === 'strong', 'spelled' => $spelled,
        ];
    }

    /** @param list<Token> $t whether a word may open a name here */
    private function believable(array $t, int $i, string $cue, bool $repair): bool
    {
        $word = $t[$i]->text;
        if (isset($this->words->set('given_names')[$word]) || isset($this->words->set('surnames')[$word])) {
            // Names that are everyday words need company or capitals: 'will', 'may', 'hope', 'mark'.
            if ($cue === 'none' || $cue === 'weak') {
                $next = $t[$i + 1] ?? null;
                $verb = $next !== null && ! $next->afterBreak() && in_array($next->text, ['i', 'you', 'we', 'it', 'me', 'they', 'he', 'she', 'this', 'that', 'be', 'have', 'the', 'my', 'a', 'so', 'an', 'us', 'up', 'not', 'do', 'week', 'month', 'year', 'to', 'of', 'for'], true);

                return ! $verb && (isset($this->words->set('given_names')[$word]) || ! $this->word->everyday($word) || count($t) - $i <= 2);
            }

            return true;
        }
        if ($cue === 'strong' || $repair) {
            return ! $this->word->everyday($word) || preg_match('/^\p{Lu}/u', $t[$i]->original) === 1 && $i > 0 && $cue === 'strong';
        }

        return ! $this->word->everyday($word) || isset($t[$i + 1]) && count($t) - $i <= 3 && preg_match('/^\p{Lu}/u', $t[$i]->original) === 1 && preg_match('/^\p{Lu}/u', $t[$i + 1]->original) === 1;
    }

    /** @param list<Token> $t whether what stands behind the name is nothing, a break, or a usual close */
    private function rest(array $t, int $end): bool
    {
        return ! isset($t[$end]) || $t[$end]->afterBreak() || $this->words->phrases('names', 'after')->at($t, $end) !== null || $this->words->phrases('talk', 'soft')->at($t, $end) !== null;
    }
}
