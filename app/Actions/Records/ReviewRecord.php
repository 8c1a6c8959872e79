<?php

declare(strict_types=1);

namespace App\Actions\Records;

use App\Models\Call;
use App\Models\CallRecord;
use App\Models\RecordCheck;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Ringo\Language\Vocabulary;
use Ringo\Numbering\NumberingPlan;
use Ringo\Sheet\Field;
use Ringo\Sheet\RecordSheet;
use Ringo\Speech\Display;
use Ringo\Understanding\Context;
use Ringo\Understanding\Understanding;
use Ringo\Value\ValueType;

/** What a person decides of a value: it is right, it is another, there is none. Kept as truth. */
final readonly class ReviewRecord
{
    public function __construct(private Display $display, private Vocabulary $words, private NumberingPlan $plan)
    {
    }

    public function accept(CallRecord $record, string $field, User $user): void
    {
        $cell = $record->cells[$field] ?? null;
        if ($cell !== null) {
            $this->decide($record, $field, ['doubt' => null, 'confirmed' => true, 'origin' => 'checked'] + $cell, 'accepted', $user);
        }
    }

    /**
     * @throws \DomainException where the words cannot be read as a value of the field's type
     */
    public function correct(CallRecord $record, RecordSheet $sheet, string $field, string $words, User $user): void
    {
        $definition = $sheet->field($field) ?? throw new \DomainException("There is no field “{$field}” on this sheet.");
        $value = $this->read($definition, trim($words), $record->call);
        $had = isset($record->cells[$field]);
        $cell = ($record->cells[$field] ?? ['turn' => null, 'said' => '']) + ['turn' => null, 'said' => ''];
        $this->decide($record, $field, ['value' => $value, 'display' => $this->display->show($definition->typed($value)), 'confidence' => 1.0, 'origin' => 'corrected by hand', 'turn' => $cell['turn'], 'said' => $cell['said'], 'confirmed' => true, 'doubt' => null], $had ? 'corrected' : 'added', $user);
    }

    public function empty(CallRecord $record, string $field, User $user): void
    {
        if (isset($record->cells[$field])) {
            $this->decide($record, $field, null, 'emptied', $user);
        } else {
            $record->update(['missing' => array_values(array_diff($record->missing, [$field])), 'doubts' => array_diff_key($record->doubts ?? [], [$field => true])]);
            $this->settle($record);
        }
    }

    /**
     * @param \Illuminate\Database\Eloquent\Builder<CallRecord> $records
     *
     * @param list<string> $except fields the user does not see
     *
     * @return int values accepted
     */
    public function acceptOver(\Illuminate\Database\Eloquent\Builder $records, float $confidence, User $user, array $except = []): int
    {
        $accepted = 0;
        $records->with('checks')->chunkById(100, function ($some) use ($confidence, $user, $except, &$accepted): void {
            /** @var CallRecord $record */
            foreach ($some as $record) {
                foreach ($record->cells as $field => $cell) {
                    if ($cell['confidence'] >= $confidence && ! in_array($field, $except, true) && ! $record->checks->contains('field', $field)) {
                        $this->accept($record, (string) $field, $user);
                        $accepted++;
                    }
                }
            }
        });

        return $accepted;
    }

    /** @param ?array<string, mixed> $cell */
    private function decide(CallRecord $record, string $field, ?array $cell, string $verdict, User $user): void
    {
        DB::transaction(function () use ($record, $field, $cell, $verdict, $user): void {
            $was = $record->cells[$field] ?? null;
            $first = RecordCheck::query()->where('record_id', $record->id)->where('field', $field)->first();
            // The first reading is what is judged; a second look only changes what is true.
            RecordCheck::query()->updateOrCreate(['record_id' => $record->id, 'field' => $field], [
                'business_id' => $record->business_id, 'agent_id' => $record->agent_id, 'release_id' => $record->call->release_id, 'user_id' => $user->id,
                'was' => $first === null ? ($was['value'] ?? null) : $first->was, 'is' => $cell['value'] ?? null, 'confidence' => $first->confidence ?? ($was['confidence'] ?? 0.0),
                'verdict' => $first !== null && $verdict === 'accepted' ? $first->verdict : $verdict,
            ]);
            $cells = $record->cells;
            if ($cell === null) {
                unset($cells[$field]);
            } else {
                $cells[$field] = $cell;
            }
            $record->update(['cells' => $cells, 'missing' => array_values(array_diff($record->missing, [$field])), 'doubts' => array_diff_key($record->doubts ?? [], [$field => true])]);
            $this->settle($record);
        });
    }

    private function settle(CallRecord $record): void
    {
        $record->update(['doubtful' => CallRecord::worthALook($record->call()->firstOrFail(), $record->missing, $record->doubts ?? [], $record->cells)]);
    }

    /**
     * Several options with commas, semicolons or 'and' between them, each by its key or as it is called.
     *
     * @return list<string> in the order of the sheet
     */
    private function several(Field $field, string $words): array
    {
        $named = [];
        foreach (preg_split('/\s*(?:[,;]|\band\b)\s*/iu', $words, -1, PREG_SPLIT_NO_EMPTY) ?: [] as $word) {
            $found = array_values(array_filter($field->options, static fn (array $option): bool => strcasecmp($option['key'], $word) === 0 || strcasecmp($option['label'], $word) === 0));
            $named[] = $found[0]['key'] ?? throw new \DomainException("“{$word}” is not among the choices; they are ".implode(', ', array_column($field->options, 'label')).'.');
        }

        return array_values(array_intersect(array_column($field->options, 'key'), $named));
    }

    private function read(Field $field, string $words, Call $call): mixed
    {
        if ($words === '') {
            throw new \DomainException('Write what the value is, or empty the cell.');
        }
        if ($field->type === ValueType::Text) {
            return $words;
        }
        if ($field->type === ValueType::Choice) {
            foreach ($field->options as $option) {
                if (strcasecmp($option['key'], $words) === 0 || strcasecmp($option['label'], $words) === 0) {
                    return $option['key'];
                }
            }
        }
        if ($field->type === ValueType::Several) {
            return $this->several($field, $words);
        }
        $reading = (new Understanding($this->words, $this->plan))->read($field->type, $words, new Context($call->placedAt()->toDateTimeImmutable(), $call->business->country, $field->options, true, $field->pattern));

        return $reading->value ?? throw new \DomainException("“{$words}” cannot be read as ".str_replace('_', ' ', $field->type->value).($field->type === ValueType::Choice ? '; the choices are '.implode(', ', array_column($field->options, 'label')) : ($field->example === null ? '' : ', such as “'.$field->example.'”')).'.');
    }
}
