<?php

declare(strict_types=1);

namespace Ringo\Knowledge\Speaking;

use Ringo\Knowledge\Passage;
use Ringo\Knowledge\Polarity;
use Ringo\Knowledge\Question;
use Ringo\Knowledge\Units\Kind;
use Ringo\Knowledge\Units\Unit;
use Ringo\Speech\Spoken;

/** Says a unit in one breath: the part that was asked for, with what it is of; 'yes' or 'no' first only where that is sure. */
final readonly class Speaker
{
    private const COLUMNS_SAID = 3;

    private RowWords $rows;

    private Spoken $spoken;

    public function __construct(private Polarity $polarity)
    {
        $this->rows = new RowWords;
        $this->spoken = new Spoken;
    }

    /**
     * @param float $covered share of the question's words that the unit says, 0 to 1
     *
     * @return array{string, list<string>} what is said, and what is left for 'tell me more'
     */
    public function say(Question $question, Unit $unit, float $covered = 1.0): array
    {
        if ($unit->table !== null) {
            $row = $unit->table->rows[$unit->row];
            $columns = $unit->column >= 0 ? [$unit->column] : array_slice(array_values(array_filter(array_keys($row), static fn (int $i): bool => $i > 0 && trim($row[$i]) !== '')), 0, self::COLUMNS_SAID);
            $others = array_values(array_diff(array_filter(array_keys($row), static fn (int $i): bool => $i > 0 && trim($row[$i]) !== ''), $columns));

            return [$this->rows->of($question, $unit->table, $row, $columns), $others === [] ? [] : [$this->rows->of($question->plainly(), $unit->table, $row, array_slice($others, 0, self::COLUMNS_SAID))]];
        }
        [$text, $more] = $unit->kind === Kind::Clause ? $this->clause($unit) : $this->sentence($question, $unit);
        if ($question->yesNo()) {
            $yes = $this->polarity->sure($question, $unit->passage->sentences[$unit->place], $covered);
            $text = $yes === null ? $text : ($yes ? 'Yes. ' : 'No. ').$text;
        }

        return [$text, $more];
    }

    /** @return array{string, list<string>} */
    private function clause(Unit $unit): array
    {
        $text = trim($unit->text);
        $verb = preg_match('/\b(?:is|are|was|were|be|has|have|can|may|must|will|costs?|charge|pay|need|needs|get|gets|take|takes|starts?|begins?|runs?|lasts?|open|opens|close|closes|comes?|leaves?|give|gives|made|kept|cut|add)\b/i', $text) === 1;
        $text = $verb || $unit->lead === '' ? $text : rtrim($unit->lead, ',: ').': '.lcfirst($text);

        // 'It is £500' needs what 'it' is.
        if (preg_match('/^(?:it|they|this|these|that)\s(?:is|are|costs?|takes?)\s/i', $text, $m) === 1 && $unit->passage->heading !== '') {
            $text = rtrim($unit->passage->heading, ':.?').': '.substr($text, strlen($m[0]));
        }

        return [$this->spoken->plain(ucfirst(rtrim($text, '.,; ')).'.'), [$unit->passage->sentences[$unit->place], ...array_slice($unit->passage->sentences, $unit->place + 1)]];
    }

    /** @return array{string, list<string>} */
    private function sentence(Question $question, Unit $unit): array
    {
        $passage = $unit->passage;
        $from = $passage->kind === 'qa' ? 0 : $unit->place;
        if ($from === $unit->place && $from > 0 && $this->spoken->goesOn($passage->sentences[$from])) {
            $from--;
        }
        [$text, $more] = $this->spoken->cut($passage->sentences, $from, max(1, $unit->place - $from + 1, $passage->kind === 'qa' || $question->wantsWay() ? 2 : 1));
        if (preg_match('/:$/', $text) === 1) {
            [$text, $more] = $this->spoken->cut($passage->sentences, $from, 4);
        }

        return [$this->headed($passage, $text).$this->sum($question, $passage->sentences[$unit->place]), $more];
    }

    /** An item of a list, or a bare value, says what it is of. */
    private function headed(Passage $passage, string $text): string
    {
        if ($passage->heading === '' || $passage->kind === 'qa' || str_word_count($text) > 5 || preg_match('/\b(?:is|are|we|you|can|will|must|have|has)\b/i', $text) === 1) {
            return $text;
        }

        return rtrim($passage->heading, ':.').': '.$text;
    }

    /** What a rate comes to for the length that was asked about: '£104 a night' for three nights. */
    private function sum(Question $question, string $sentence): string
    {
        if (! in_array($question->kind, ['price', 'amount', 'what'], true) || $question->span === null || $question->span < 1.5 || preg_match('/([£$€])\s?(\d+(?:,\d{3})*(?:\.\d\d)?)\s?(?:a|per|each|\/)\s?(night|day|week|month)\b/u', $sentence, $m) !== 1) {
            return '';
        }
        $length = ['night' => 1, 'day' => 1, 'week' => 7, 'month' => 30][$m[3]];
        $times = $question->span / $length;
        if (abs($times - round($times)) > 0.01 || round($times) < 2) {
            return '';
        }
        $amount = (float) str_replace(',', '', $m[2]) * round($times);

        return sprintf(' That is %s%s for %d %ss.', $m[1], number_format($amount, fmod($amount, 1.0) < 0.005 ? 0 : 2), (int) round($times), $m[3]);
    }
}
