<?php

declare(strict_types=1);

namespace Ringo\Understanding\Readers;

use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Context;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Reader;
use Ringo\Understanding\Reading;
use Ringo\Understanding\Repairs;
use Ringo\Understanding\Respelling\Respelled;
use Ringo\Understanding\Spelling;

/** Reads a person's name, with its spelling where it is given: 'Anna Smythe, that's S M Y T H E'. Titles are dropped. */
final readonly class PersonNameReader implements Reader
{
    private Spelling $spelling;

    private Repairs $repairs;

    /** @var array<string, true> */
    private array $notNames;

    private Respelled $respelled;

    private NameApart $apart;

    /** A name in the whole of the words is known from here on. */
    private const KNOWN = 0.75;

    /** How sure a surname behind a title and initials is. */
    private const INITIALLED = 0.8;

    /** How sure a name is at most that stands apart from what is said of it: it is read back. */
    private const APART = 0.78;

    public function __construct(private Vocabulary $words)
    {
        $this->spelling = new Spelling($words);
        $this->repairs = new Repairs($words);
        $this->respelled = new Respelled($words);
        $this->apart = new NameApart($words);
        $this->notNames = array_fill_keys($words->section('names', 'not_names'), true);
    }

    public function read(Heard $heard, Context $context): Reading
    {
        // What is said of the spelling is done to the words first; where no name is left, they are read as they came.
        $respelled = $this->respelled->of($heard->tokens);
        $reading = $respelled === $heard->tokens ? Reading::none() : $this->named($heard, $respelled, $context);

        $reading = $reading->found() ? $reading : $this->named($heard, $heard->tokens, $context);

        if ($context->asked && ! $reading->found()) {
            $reading = $this->initialled($heard);
        }

        return $context->asked && $reading->confidence < self::KNOWN ? $this->apart($heard, $context, $reading) : $reading;
    }

    /** 'Mr P Lomas', 'it's Mrs J K Barton'. */
    private function initialled(Heard $heard): Reading
    {
        $titles = $this->words->section('names', 'titles');
        foreach ($heard->tokens as $i => $token) {
            if (! in_array($token->text, $titles, true)) {
                continue;
            }
            $initials = [];
            for ($k = $i + 1; isset($heard->tokens[$k]) && $heard->tokens[$k]->isLetter(); $k++) {
                $initials[] = mb_strtoupper($heard->tokens[$k]->text);
            }
            $last = $heard->tokens[$k] ?? null;
            if ($initials !== [] && $last !== null && mb_strlen($last->text) > 2 && ! isset($this->words->set('function_words')[$last->text])) {
                return Reading::of(implode(' ', [...$initials, $this->cased($last->text)]), self::INITIALLED, $heard->between($heard->tokens[$i + 1]->start, $last->end), $heard->tokens[$i + 1]->start, $last->end);
            }
        }

        return Reading::none();
    }

    /** A name that stands between pauses by itself, where the whole of the words holds none that is known. */
    private function apart(Heard $heard, Context $context, Reading $whole): Reading
    {
        foreach ($this->apart->in($heard->tokens) as $stretch) {
            $name = $this->named($heard, $stretch, $context);
            if ($name->found() && $name->confidence > $whole->confidence) {
                return Reading::of($name->value, min($name->confidence, self::APART), (string) $name->said, $name->start, $name->end);
            }
        }

        return $whole;
    }

    /** @param list<Token> $tokens */
    private function named(Heard $heard, array $tokens, Context $context): Reading
    {
        $name = null;
        foreach ($this->repairs->stretches($tokens) as $stretch) {
            if ($stretch['restart']) {
                $name = null;
            }
            $t = $this->repairs->withoutDenied($stretch['tokens']);
            if ($t === []) {
                continue;
            }
            $found = $this->stretch($t, $context, $name !== null);
            if ($found === null) {
                if ($name !== null) {
                    $name = $this->mended($name, $t);
                }

                continue;
            }
            $name = $name === null ? $found : $this->replaced($name, $found);
        }
        if ($name === null || ($name['first'] === null && $name['last'] === null)) {
            return Reading::none();
        }
        $value = trim(($name['first'] ?? '').' '.($name['last'] ?? ''));
        if ($value === '') {
            return Reading::none();
        }
        $confidence = 0.6 + ($name['known'] ? 0.2 : 0.06) + ($name['cued'] ? ($name['strong'] && str_contains($value, ' ') ? 0.2 : 0.1) : 0.0) + ($name['spelled'] ? 0.12 : 0.0) + (str_contains($value, ' ') ? 0.03 : 0.0);

        return Reading::of($value, min(0.97, $confidence), $heard->between($name['from'], $name['to']), $name['from'], $name['to']);
    }

    /**
     * @param list<Token> $t
     *
     * @return array{first: ?string, last: ?string, from: int, to: int, known: bool, cued: bool, strong: bool, spelled: bool}|null
     */
    private function stretch(array $t, Context $context, bool $repair): ?array
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

        return $context->asked || $repair ? $this->spelledOnly($t) : null;
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
                if ($word !== null && $this->plausible($t[$start]->text, true)) {
                    $names['first'] = $word[0];
                    $from = min($from, $t[$start]->start);

                    break;
                }
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
            return [$this->cased($run[0]), $run[1], true, true, $i];
        }
        if (! $this->plausible($t[$i]->text, true)) {
            return null;
        }
        $length = 1;
        $word = $this->joinedWord($t, $i, $length);
        $spelled = $this->spellingAfter($t, $i + $length, $word);
        if ($spelled !== null) {
            return [$this->cased($spelled[0]), $length + $spelled[1], true, true, $i];
        }

        return [$this->cased($word), $length, false, $this->known($t[$i]->text), $i];
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
                    if ($this->plausible($t[$i - $back]->text, false) && isset($this->words->set('given_names')[$t[$i - $back]->text])) {
                        $starts[] = [$i - $back, 'strong'];

                        break;
                    }
                }
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
            return $this->spelledOnly(array_slice($t, $i));
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
                $tail = $this->spellingAfter($t, $i, (string) end($names));
                if ($tail !== null) {
                    $names[$this->spelledPart($names, $tail[0])] = $tail[0];
                    $spelled = true;
                    $i += $tail[1];
                    $end = $i;

                    continue;
                }
                // 'Steven, that's S T E P H E N, Brookes'
                if ($spelled && count($names) === 1 && $this->plausible($word, true) && $this->rest($t, $i + 1) && ($this->known($word) || ! $this->everyday($word))) {
                    $length = 1;
                    $names[] = $this->joinedWord($t, $i, $length);
                    $i += $length;
                    $end = $i;

                    break;
                }
                if (count($names) === 1 && isset($t[$i + 1]) && $t[$i + 1]->text === mb_strtolower(explode(' ', (string) $names[0])[0]) && $this->plausible($word, true)) {
                    $names = [];
                    $from = $i;
                } else {
                    break;
                }
            }
            $tail = $names === [] ? null : $this->spellingAfter($t, $i, (string) end($names));
            if ($tail !== null) {
                $names[$this->spelledPart($names, $tail[0])] = $tail[0];
                $spelled = true;
                $i += $tail[1];
                $end = $i;

                continue;
            }
            if ($names !== [] && $ends->at($t, $i) !== null && ! in_array($word, ['de', 'la'], true)) {
                break;
            }
            $particle = in_array($word, $this->words->section('names', 'particles'), true) && isset($t[$i + 1]) && $names !== [];
            if (! $particle && ! $this->plausible($word, $cue === 'strong' || $titled || $names !== [])) {
                break;
            }
            if ($names === [] && ! $titled && ! $this->believable($t, $i, $cue, $repair)) {
                break;
            }
            $length = 1;
            $said = $particle ? $word : $this->joinedWord($t, $i, $length);
            $known = $known || $this->known($word);
            $names[] = $said;
            $i += $length;
            $end = $i;
            $mended = $this->withLetter($t, $i, (string) end($names));
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
        $parts = array_map($this->cased(...), $names);
        $first = $titled && count($parts) === 1 ? null : array_shift($parts);
        $last = $parts === [] ? null : implode(' ', $parts);

        return [
            'first' => $first, 'last' => $last,
            'from' => $t[$from]->start, 'to' => $t[$end - 1]->end,
            'known' => $known, 'cued' => $cue === 'strong' || $cue === 'weak', 'strong' => $cue === 'strong', 'spelled' => $spelled,
        ];
    }

    /**
     * Which of the names said a spelling belongs to: the one it is most like, the last where that is open.
     *
     * @param array<int, string> $names
     */
    private function spelledPart(array $names, string $letters): int
    {
        $best = count($names) - 1;
        $like = static fn (string $name): float => levenshtein(mb_strtolower($name), $letters) / max(1, mb_strlen($name), strlen($letters));
        foreach ($names as $i => $name) {
            if ($like($name) <= 0.4 && $like($name) < $like($names[$best])) {
                $best = $i;
            }
        }

        return $best;
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

                return ! $verb && (isset($this->words->set('given_names')[$word]) || ! $this->everyday($word) || count($t) - $i <= 2);
            }

            return true;
        }
        if ($cue === 'strong' || $repair) {
            return ! $this->everyday($word) || preg_match('/^\p{Lu}/u', $t[$i]->original) === 1 && $i > 0 && $cue === 'strong';
        }

        return ! $this->everyday($word) || isset($t[$i + 1]) && count($t) - $i <= 3 && preg_match('/^\p{Lu}/u', $t[$i]->original) === 1 && preg_match('/^\p{Lu}/u', $t[$i + 1]->original) === 1;
    }

    /** @param list<Token> $t whether what stands behind the name is nothing, a break, or a usual close */
    private function rest(array $t, int $end): bool
    {
        return ! isset($t[$end]) || $t[$end]->afterBreak() || $this->words->phrases('names', 'after')->at($t, $end) !== null || $this->words->phrases('talk', 'soft')->at($t, $end) !== null;
    }

    /**
     * A spelling right behind a name said: 'that's S M Y T H E', 'spelled with…'.
     *
     * @param list<Token> $t
     *
     * @return array{string, int}|null letters and tokens
     */
    private function spellingAfter(array $t, int $i, string $name): ?array
    {
        $skip = $i;
        while (isset($t[$skip]) && ($cue = $this->words->phrases('names', 'spelled')->at($t, $skip)) !== null) {
            $skip += $cue[1];
        }
        while (in_array($t[$skip]->text ?? '', ['is', 'as', 'it', 'the', 'surname', 'last', 'name', 'so', 'with'], true) && $this->spelling->run($t, $skip) === null && $skip < $i + 6) {
            $skip++;
        }
        $run = $this->spelling->run($t, $skip);
        if ($run === null || ($run[2] < 2)) {
            return null;
        }

        return [$run[0], $skip + $run[1] - $i];
    }

    /**
     * @param list<Token> $t 'with a K', 'with an E', 'with two Ls', 'without an H'
     *
     * @return array{string, int}|null the mended name and tokens
     */
    private function withLetter(array $t, int $i, string $name): ?array
    {
        $j = $i;
        while (in_array($t[$j]->text ?? '', ["that's", 'thats', 'spelled', 'spelt', "it's", 'but'], true)) {
            $j++;
        }
        $without = in_array($t[$j]->text ?? '', ['without', 'no'], true);
        if (($t[$j]->text ?? '') !== 'with' && ! $without) {
            return null;
        }
        $j++;
        $double = false;
        if (in_array($t[$j]->text ?? '', ['an', 'a', 'the', 'one'], true) && isset($t[$j + 1])) {
            $j++;
        } elseif (in_array($t[$j]->text ?? '', ['two', 'double', '2'], true)) {
            $double = true;
            $j++;
        }
        $word = $t[$j]->text ?? '';
        $word = strlen($word) === 2 && $word[1] === 's' ? $word[0] : rtrim($word, "'");
        $word = preg_match("/^([a-z])'?s$/", $word, $m) === 1 ? $m[1] : $word;
        if (preg_match('/^[a-z]$/', $word) !== 1) {
            return null;
        }
        $mended = $this->lettered($name, $word, $double, $without);
        $j++;
        // 'with an E at the end'
        foreach (['at the end', 'at the start', 'on the end', 'at the beginning', 'not a c', 'not a k', 'instead of a c'] as $tail) {
            $words = explode(' ', $tail);
            if (array_map(static fn (Token $x): string => $x->text, array_slice($t, $j, count($words))) === $words) {
                $j += count($words);
            }
        }

        return $mended === null ? null : [$mended, $j - $i];
    }

    private function lettered(string $name, string $letter, bool $double, bool $without): ?string
    {
        $lower = mb_strtolower($name);
        if ($without) {
            return str_contains($lower, $letter) ? preg_replace('/'.$letter.'/', '', $lower, 1) : $lower;
        }
        if ($double) {
            return str_contains($lower, $letter.$letter) ? $lower : (string) preg_replace('/'.$letter.'/', $letter.$letter, $lower, 1);
        }
        // The letter stands for the one that sounds like it.
        $pairs = ['k' => ['ch', 'c'], 'c' => ['k'], 's' => ['z', 'c'], 'z' => ['s'], 'j' => ['g'], 'g' => ['j'], 'y' => ['i', 'ie'], 'i' => ['y'], 'f' => ['ph'], 'v' => ['w'], 'w' => ['v'], 'q' => ['k', 'c']];
        foreach ($pairs[$letter] ?? [] as $from) {
            if (str_contains($lower, $from) && ! (str_starts_with($lower, $letter))) {
                return (string) preg_replace('/'.$from.'/', $letter, $lower, 1);
            }
        }
        if (str_contains($lower, $letter)) {
            return $lower;
        }

        return in_array($letter, ['e', 'h', 's', 't'], true) ? $lower.$letter : null;
    }

    /**
     * @param list<Token> $t
     *
     * @return array{first: ?string, last: ?string, from: int, to: int, known: bool, cued: bool, strong: bool, spelled: bool}|null
     */
    private function spelledOnly(array $t): ?array
    {
        for ($i = 0, $n = count($t); $i < $n; $i++) {
            $run = $this->spelling->run($t, $i);
            if ($run !== null && $run[2] >= 3 && strlen($run[0]) >= 3) {
                $letters = $this->cased($run[0]);
                $second = null;
                $end = $i + $run[1];
                $next = isset($t[$end]) ? $this->spelling->run($t, $end) : null;
                if ($next === null && isset($t[$end]) && ! $t[$end]->afterBreak() && $this->plausible($t[$end]->text, true) && $this->words->phrases('names', 'after')->at($t, $end) === null) {
                    $second = $this->cased($t[$end]->text);
                    $end++;
                }
                if ($next !== null && $next[2] >= 3) {
                    $second = $this->cased($next[0]);
                    $end += $next[1];
                }

                return ['first' => $second === null ? $letters : $letters, 'last' => $second, 'from' => $t[$i]->start, 'to' => $t[$end - 1]->end, 'known' => true, 'cued' => false, 'strong' => false, 'spelled' => true];
            }
        }

        return null;
    }

    /**
     * A correction by spelling or letter alone: 'no, it's with a K', 'S M Y T H'.
     *
     * @param array{first: ?string, last: ?string, from: int, to: int, known: bool, cued: bool, strong: bool, spelled: bool} $name
     * @param list<Token> $t
     *
     * @return array{first: ?string, last: ?string, from: int, to: int, known: bool, cued: bool, strong: bool, spelled: bool}
     */
    private function mended(array $name, array $t): array
    {
        foreach (array_keys($t) as $i) {
            foreach (['last', 'first'] as $part) {
                if ($name[$part] === null) {
                    continue;
                }
                $mended = $this->withLetter($t, $i, $name[$part]);
                if ($mended !== null && mb_strtolower($name[$part]) !== $mended[0]) {
                    return [...$name, $part => $this->cased($mended[0]), 'to' => $t[count($t) - 1]->end, 'spelled' => true];
                }
            }
        }

        return $name;
    }

    /**
     * A later name after an earlier one: one word alone replaces the part it is most like.
     *
     * @param array{first: ?string, last: ?string, from: int, to: int, known: bool, cued: bool, strong: bool, spelled: bool} $old
     * @param array{first: ?string, last: ?string, from: int, to: int, known: bool, cued: bool, strong: bool, spelled: bool} $new
     *
     * @return array{first: ?string, last: ?string, from: int, to: int, known: bool, cued: bool, strong: bool, spelled: bool}
     */
    private function replaced(array $old, array $new): array
    {
        $both = ['from' => $old['from'], 'to' => max($old['to'], $new['to']), 'known' => $old['known'] || $new['known'], 'cued' => $old['cued'], 'strong' => $old['strong'], 'spelled' => $new['spelled']];
        if ($new['first'] !== null && $new['last'] !== null) {
            return [...$new, ...$both];
        }
        if ($new['first'] === null) {
            return [...$old, 'last' => $new['last'], ...$both];
        }
        if ($old['last'] === null) {
            return [...$old, 'first' => $new['first'], ...$both];
        }
        $one = mb_strtolower($new['first']);
        $toFirst = levenshtein($one, mb_strtolower((string) $old['first']));
        $toLast = levenshtein($one, mb_strtolower($old['last']));
        $given = isset($this->words->set('given_names')[$one]) && ! isset($this->words->set('surnames')[$one]);
        $part = $toFirst < $toLast && ($given || $toFirst <= 2) ? 'first' : ($toLast <= 3 || ! $given ? 'last' : 'first');

        return [...$old, $part => $new['first'], ...$both];
    }

    /** @param list<Token> $t 'Anne-Marie', "O Brien", 'Mc Donald' */
    private function joinedWord(array $t, int $i, int &$length): string
    {
        $word = $t[$i]->text;
        $original = $t[$i]->original;
        if (in_array($word, ['mc', 'mac'], true) && isset($t[$i + 1]) && ctype_alpha($t[$i + 1]->text)) {
            $length = 2;

            return $word.$t[$i + 1]->text;
        }
        if ($word === 'o' && isset($t[$i + 1]) && strlen($t[$i + 1]->text) > 2) {
            $length = 2;

            return "o'".$t[$i + 1]->text;
        }
        while (isset($t[$i + $length]) && ($t[$i + $length]->gap === '-' || in_array($t[$i + $length]->text, ['hyphen', 'dash'], true) && isset($t[$i + $length + 1])) && strlen($t[$i + $length]->text) > 1) {
            $step = in_array($t[$i + $length]->text, ['hyphen', 'dash'], true) ? 1 : 0;
            $word .= '-'.$t[$i + $length + $step]->text;
            $original .= '-'.$t[$i + $length + $step]->original;
            $length += 1 + $step;
        }

        // Inner capitals that the recogniser wrote are kept: 'MacArthur', 'DeSouza'.
        return preg_match('/^\p{Lu}\p{Ll}+\p{Lu}/u', $original) === 1 ? $original : $word;
    }

    private function plausible(string $word, bool $trusted): bool
    {
        // 'I'll collect' and 'we've moved' are no names.
        if (preg_match("/^(?:i|we|you|he|she|it|they|that|there|don|can|won)'|n't$|'(?:ll|ve|re|d)$/", $word) === 1) {
            return false;
        }

        return preg_match("/^\\p{L}[\\p{L}']*$/u", $word) === 1 && ! isset($this->notNames[$word]) && (mb_strlen($word) > 1 || $word === 'o');
    }

    private function known(string $word): bool
    {
        return isset($this->words->set('given_names')[$word]) || isset($this->words->set('surnames')[$word]);
    }

    private function everyday(string $word): bool
    {
        $words = $this->words->set('everyday_words');
        if (isset($words[$word])) {
            return true;
        }
        foreach (['s' => '', 'es' => '', 'ed' => '', 'd' => '', 'ing' => '', 'ies' => 'y'] as $suffix => $instead) {
            $stem = str_ends_with($word, $suffix) ? substr($word, 0, -strlen($suffix)) : '';
            if (strlen($stem) > 2 && (isset($words[$stem.$instead]) || isset($words[$stem.'e']))) {
                return ! isset($this->words->set('given_names')[$word]) && ! isset($this->words->set('surnames')[$word]);
            }
        }

        return false;
    }

    private function cased(string $name): string
    {
        if (preg_match('/^\p{Lu}\p{Ll}+\p{Lu}/u', $name) === 1) {
            return $name;
        }
        if (in_array($name, ['de', 'da', 'di', 'la', 'van', 'von', 'der', 'den', 'del', 'della', 'du', 'dos', 'das', 'bin', 'ibn', 'al', 'le'], true)) {
            return $name === 'le' ? 'Le' : $name;
        }
        $cased = mb_convert_case($name, MB_CASE_TITLE);
        $cased = (string) preg_replace_callback("/(?<=-|^)(O'|D'|Mc)(\\p{Ll})/iu", static fn (array $m): string => mb_convert_case($m[1], MB_CASE_TITLE).mb_strtoupper($m[2]), $cased);

        return (string) preg_replace("/'S\b/u", "'s", $cased);
    }
}
