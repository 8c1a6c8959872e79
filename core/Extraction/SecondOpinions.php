<?php

declare(strict_types=1);

namespace Ringo\Extraction;

use Ringo\Advice\Blackout;
use Ringo\Advice\Doubt;
use Ringo\Advice\Opinion;
use Ringo\Advice\Purpose;
use Ringo\Sheet\Field;
use Ringo\Sheet\RecordSheet;
use Ringo\Speech\Display;
use Ringo\Transcript\Transcript;
use Ringo\Understanding\Context;
use Ringo\Understanding\Understanding;
use Ringo\Value\ValueType;

/**
 * Fields of a finished call that are in doubt, as an adviser may be asked about them, and what its quotation comes to.
 *
 * The adviser never gives a value: it points at words of the caller, which are read here as the words of any answer are. Words that
 * say nothing of the field's type change nothing.
 */
final readonly class SecondOpinions
{
    /** Fields that are asked about after one call. */
    private const MOST = 4;

    /** How sure a value is that was read from words an adviser pointed at. */
    private const ADVISED = 0.8;

    /** Where a value came from: told by where it stands in the record. */
    public const ORIGIN = 'adviser';

    /** Types whose values leave the house in nobody's words. */
    private const NEVER = [ValueType::Phone, ValueType::Email, ValueType::Reference, ValueType::PostalAddress];

    public function __construct(private Understanding $understanding, private Display $display)
    {
    }

    /**
     * @param list<string> $masked fields whose values are hidden in this record
     *
     * @return array<string, Doubt> by field
     */
    public function doubts(Record $record, Transcript $transcript, RecordSheet $sheet, array $masked = []): array
    {
        $keptBack = [];
        foreach ($sheet->fields as $key => $field) {
            $cell = $record->cells[$key] ?? null;
            if ($cell !== null && ($field->ownersOnly || in_array($key, $masked, true))) {
                array_push($keptBack, $cell['said'], $cell['display'], is_scalar($cell['value']) ? (string) $cell['value'] : '');
            }
        }
        $text = $this->words($transcript, $keptBack);
        $doubts = [];
        foreach ($text === '' ? [] : $sheet->fields as $key => $field) {
            $cell = $record->cells[$key] ?? null;
            $unsure = $cell === null ? isset($record->doubts[$key]) || in_array($key, $record->missing, true) : $cell['doubt'] !== null && ! $cell['confirmed'];
            if ($unsure && ! $field->ownersOnly && ! in_array($key, $masked, true) && ! in_array($field->type, self::NEVER, true) && count($doubts) < self::MOST) {
                $doubts[$key] = new Doubt(Purpose::Field, $this->about($field), '', [], $text);
            }
        }

        return $doubts;
    }

    /** The record with what the quoted words come to: a value that was missing, one that is less in doubt, or a doubt that says more. */
    public function settled(Record $record, string $key, Opinion $opinion, Transcript $transcript, RecordSheet $sheet): Record
    {
        $field = $sheet->field($key);
        $turn = $opinion->status === Opinion::TAKEN ? $this->turn($transcript, $opinion->value) : null;
        if ($field === null || $turn === null || str_contains($opinion->value, Blackout::OUT)) {
            return $record;
        }
        $reading = $this->understanding->read($field->type, $opinion->value, new Context((new \DateTimeImmutable($transcript->startedAt))->setTimezone(new \DateTimeZone($transcript->tz)), $transcript->country, $field->options, true, $field->pattern));
        if (! $reading->found()) {
            return $record;
        }
        $cells = $record->cells;
        $before = $cells[$key] ?? null;
        $shown = $this->display->show($field->typed($reading->value));
        $cells[$key] = match (true) {
            $before === null => ['value' => $reading->value, 'display' => $shown, 'confidence' => self::ADVISED, 'origin' => self::ORIGIN, 'turn' => $turn, 'said' => $opinion->value, 'confirmed' => false, 'doubt' => null],
            $before['value'] == $reading->value => ['confidence' => max($before['confidence'], self::ADVISED), 'doubt' => null] + $before,
            default => ['doubt' => "the adviser points at other words, “{$opinion->value}”, which say {$shown}; please check"] + $before,
        };

        return new Record($record->callId, $cells, $record->declined, array_values(array_diff($record->missing, [$key])), $record->outcome, $record->summary, array_diff_key($record->doubts, [$key => '']), $record->nextActions);
    }

    private function about(Field $field): string
    {
        $options = $field->options === [] ? '' : ' One of: '.implode(', ', array_column($field->options, 'label')).'.';

        return $field->title.($field->description === '' ? '' : ': '.rtrim($field->description, '.').'.').$options;
    }

    /**
     * What the caller said, a turn a line.
     *
     * @param list<string> $keptBack
     */
    private function words(Transcript $transcript, array $keptBack): string
    {
        $black = new Blackout;
        $lines = [];
        foreach ($transcript->turns as $turn) {
            if ($turn->by === 'caller' && ! $turn->keys && ! str_contains($turn->text, Mask::HIDDEN)) {
                $lines[] = $black->of($turn->text, $keptBack);
            }
        }

        return implode("\n", $lines);
    }

    /** The caller's turn the words stand in. */
    private function turn(Transcript $transcript, string $words): ?int
    {
        foreach ($transcript->turns as $n => $turn) {
            if ($turn->by === 'caller' && mb_stripos((string) preg_replace('/\h+/u', ' ', $turn->text), (string) preg_replace('/\h+/u', ' ', $words)) !== false) {
                return $n;
            }
        }

        return null;
    }
}
