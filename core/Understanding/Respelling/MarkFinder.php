<?php

declare(strict_types=1);

namespace Ringo\Understanding\Respelling;

use Ringo\Language\Phrases;
use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Spelling;

/** Finds what is said of spelling among the words of a name or an address. */
final readonly class MarkFinder
{
    /** How much of an explanation is looked through: 'as in go hunting'. */
    private const EXPLAINED = 3;

    /** So many names of letters in a row are a spelling. */
    private const BY_NAMES = 3;

    private Spelling $spelling;

    /** @var array<string, Phrases<string>> */
    private array $cues;

    /** @var array<string, true> */
    private array $carries;

    public function __construct(Vocabulary $words)
    {
        $this->spelling = new Spelling($words);
        $cues = [];
        foreach (['with', 'without', 'once', 'twice', 'end', 'start', 'middle', 'ends', 'starts', 'before', 'after', 'instead', 'explains', 'sounds', 'joined'] as $cue) {
            $cues[$cue] = $words->phrases('spelling', $cue);
        }
        $this->cues = $cues;
        $this->carries = array_fill_keys($words->section('spelling', 'carries'), true);
    }

    /**
     * @param list<Token> $t
     *
     * @return list<Mark> in the order they were said
     */
    public function in(array $t): array
    {
        $marks = [];
        for ($i = 0, $n = count($t); $i < $n;) {
            $found = $this->said($t, $i);
            if ($found === []) {
                $i++;

                continue;
            }
            array_push($marks, ...$found);
            $i = $found[count($found) - 1]->to;
        }

        return $marks;
    }

    /**
     * @param list<Token> $t
     *
     * @return list<Mark>
     */
    private function said(array $t, int $i): array
    {
        foreach (['ends' => Place::End, 'starts' => Place::Start] as $cue => $place) {
            $letters = $this->after($t, $i, $cue);
            if ($letters !== null) {
                return [new Mark(MarkKind::Has, $letters[0], $i, $letters[1], $place)];
            }
        }
        $twice = $this->twice($t, $i);
        if ($twice !== null) {
            return [$this->placed($t, $twice)];
        }
        $once = $this->after($t, $i, 'once');
        if ($once !== null && strlen($once[0]) === 1) {
            return [$this->placed($t, new Mark(MarkKind::Once, $once[0], $i, $once[1]))];
        }
        $with = $this->after($t, $i, 'with');
        if ($with !== null) {
            return $this->contrasted($t, $this->placed($t, new Mark(MarkKind::Has, $with[0], $i, $with[1], loose: true)));
        }
        $without = $this->after($t, $i, 'without');
        if ($without !== null) {
            return strlen($without[0]) > 1 && ctype_alpha($without[0])
                ? [new Mark(MarkKind::Lacks, $without[0][0], $i, $without[1]), new Mark(MarkKind::Has, substr($without[0], 1), $i, $without[1])]
                : [$this->placed($t, new Mark(MarkKind::Lacks, $without[0], $i, $without[1]))];
        }

        return $this->run($t, $i) ?? $this->explained($t, $i);
    }

    /**
     * Letters said by themselves: a run of them, or a doubled one.
     *
     * @param list<Token> $t
     *
     * @return ?list<Mark>
     */
    private function run(array $t, int $i): ?array
    {
        $letters = $this->letters($t, $i, false) ?? $this->byNames($t, $i);
        // The two letters of 'jodie m a at example dot com' belong to the address, and spell nothing again.
        $ofAddress = $letters !== null && strlen($letters[0]) <= 2 && ! $t[$i]->afterBreak() && ($t[$letters[1]]->text ?? '') === 'at';
        if ($letters === null || strlen($letters[0]) < 2 || $ofAddress) {
            return null;
        }

        return $this->contrasted($t, $this->placed($t, new Mark(MarkKind::Has, $letters[0], $i, $letters[1])));
    }

    /**
     * 'zee ay see kay': letters by their names alone, three or more.
     *
     * @param list<Token> $t
     *
     * @return ?array{string, int}
     */
    private function byNames(array $t, int $i): ?array
    {
        $found = $this->letters($t, $i, true);

        return $found !== null && strlen($found[0]) >= self::BY_NAMES ? $found : null;
    }

    /**
     * @param list<Token> $t
     *
     * @return list<Mark>
     */
    private function explained(array $t, int $i): array
    {
        $joined = $this->cues['joined']->at($t, $i);
        if ($joined !== null) {
            return [new Mark(MarkKind::Explains, '', $i, $i + $joined[1])];
        }
        $cue = $this->cues['explains']->at($t, $i) ?? $this->cues['sounds']->at($t, $i);
        if ($cue === null || $i === 0 || ! isset($t[$i + $cue[1]])) {
            return [];
        }
        $to = $i + $cue[1];
        for ($k = 0; $k < self::EXPLAINED - 1 && isset($this->carries[$t[$to]->text ?? ''], $t[$to + 1]); $k++) {
            $to++;
        }

        return [new Mark(MarkKind::Explains, '', $i, min(count($t), $to + 1))];
    }

    /**
     * Letters after a cue; null where the cue or the letters are not there.
     *
     * @param list<Token> $t
     *
     * @return ?array{string, int} letters and the token behind them
     */
    private function after(array $t, int $i, string $cue): ?array
    {
        $hit = $this->cues[$cue]->at($t, $i);

        return $hit === null ? null : $this->letters($t, $i + $hit[1], true);
    }

    /**
     * 'two ls', 'with two ts'.
     *
     * @param list<Token> $t
     */
    private function twice(array $t, int $i): ?Mark
    {
        $hit = $this->cues['twice']->at($t, $i);
        $word = $hit === null ? '' : str_replace("'", '', $t[$i + $hit[1]]->text ?? '');
        if ($hit === null || strlen($word) !== 2 || $word[1] !== 's' || ! ctype_alpha($word)) {
            return null;
        }
        $to = $i + $hit[1] + 1;
        $more = $this->letters($t, $to, true);
        $doubled = $word[0].$word[0];

        // 'two ls e i': the letters go on.
        return $more !== null && strlen($more[0]) <= 3 && $this->cues['once']->at($t, $to) === null ? new Mark(MarkKind::Has, $doubled.$more[0], $i, $more[1]) : new Mark(MarkKind::Has, $doubled, $i, $to);
    }

    /**
     * @param list<Token> $t
     *
     * @return ?array{string, int}
     */
    private function letters(array $t, int $i, bool $cued): ?array
    {
        $letters = '';
        $from = $i;
        while (isset($t[$i])) {
            if ($letters !== '' && $t[$i]->text === 'apostrophe') {
                $letters .= "'";
                $i++;

                continue;
            }
            $one = $this->spelling->letter($t, $i, $letters !== '' || $cued);
            if ($one === null || ! ctype_alpha($one[0]) || $letters !== '' && $one[1] === 1 && $this->opens($t, $i)) {
                break;
            }
            $letters .= $one[0];
            $i += $one[1];
        }
        $letters = rtrim($letters, "'");

        return $letters === '' || ! $cued && $i - $from < 2 ? null : [$letters, $i];
    }

    /**
     * 'I' and 'a' that begin something else end the letters.
     *
     * @param list<Token> $t
     */
    private function opens(array $t, int $i): bool
    {
        return in_array($t[$i]->text, ['i', 'a'], true) && isset($t[$i + 1]) && $this->spelling->letter($t, $i + 1, false) === null && strlen($t[$i + 1]->text) > 2 && $this->place($t, $i + 1) === null;
    }

    /**
     * 'on the end', 'at the front', 'like in armour' after the letters.
     *
     * @param list<Token> $t
     */
    private function placed(array $t, Mark $mark): Mark
    {
        $place = $this->place($t, $mark->to);
        if ($place !== null) {
            $mark = new Mark($mark->kind, $mark->letters, $mark->from, $place[1], $place[0], $mark->loose);
        }
        $explained = $this->explained($t, $mark->to);

        return $explained === [] ? $mark : new Mark($mark->kind, $mark->letters, $mark->from, $explained[0]->to, $mark->place, $mark->loose);
    }

    /**
     * @param list<Token> $t
     *
     * @return ?array{Place, int}
     */
    private function place(array $t, int $i): ?array
    {
        foreach (['end' => Place::End, 'start' => Place::Start, 'middle' => Place::Anywhere] as $cue => $place) {
            $hit = $this->cues[$cue]->at($t, $i);
            if ($hit !== null) {
                return [$place, $i + $hit[1]];
            }
        }

        return null;
    }

    /**
     * 'with a k not a c', 'e before i'.
     *
     * @param list<Token> $t
     *
     * @return list<Mark>
     */
    private function contrasted(array $t, Mark $mark): array
    {
        foreach (['before' => true, 'after' => false] as $cue => $first) {
            $other = $this->after($t, $mark->to, $cue);
            if ($other !== null && strlen($mark->letters) === 1) {
                // 'e before i p e i r c e': what follows the one letter is spelled for itself.
                $rest = strlen($other[0]) > 1 ? [new Mark(MarkKind::Has, substr($other[0], 1), $mark->from, $other[1])] : [];

                return [new Mark(MarkKind::Has, $first ? $mark->letters.$other[0][0] : $other[0][0].$mark->letters, $mark->from, $other[1]), ...$rest];
            }
        }
        $instead = $this->after($t, $mark->to, 'instead');

        return $instead === null ? [$mark] : [new Mark(MarkKind::Lacks, $instead[0], $mark->from, $instead[1]), new Mark($mark->kind, $mark->letters, $mark->from, $instead[1], $mark->place)];
    }
}
