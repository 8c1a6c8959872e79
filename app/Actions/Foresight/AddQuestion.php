<?php

declare(strict_types=1);

namespace App\Actions\Foresight;

use App\Actions\Design\EditDraft;
use App\Models\Agent;
use App\Models\User;
use App\Support\Book\FieldType;
use Illuminate\Validation\ValidationException;
use Ringo\Design\ScriptDocument;
use Ringo\Sheet\FieldFormats;
use Ringo\Value\ValueType;

/** Puts a question usual in the trade into the draft: a field of the record sheet, and the step that asks for it after the last one that asks. */
final readonly class AddQuestion
{
    public function __construct(private TradesOf $trades, private EditDraft $edit)
    {
    }

    /**
     * @param string $fact name of a fact of the agent's trades
     *
     * @return string key of the step that asks
     *
     * @throws \App\Actions\Design\DraftMoved
     * @throws \Ringo\Document\InvalidDocument
     */
    public function of(Agent $agent, string $fact, User $user): string
    {
        $row = $this->row($agent, $fact) ?? throw ValidationException::withMessages(['fact' => "No trade of this agent knows a fact called “{$fact}”."]);
        $new = '';
        $this->edit->apply($agent, $agent->draft->version, "asks for {$row['name']}", [], static function (ScriptDocument $document) use ($row, &$new): ScriptDocument {
            $asks = array_values(array_filter($document->steps(), static fn (array $step): bool => $step['kind'] === 'ask'));
            [$changed, $new] = $document->inserted($asks === [] ? ($document->steps()[0]['key'] ?? null) : $asks[count($asks) - 1]['key'], 'ask', FieldType::key($row['name']));
            $data = $changed->toArray();
            $field = $changed->step($new)['field'];
            $options = array_column($row['options'] ?? [], 'label', 'key');
            $data['sheet']['properties'][$field] = ['title' => $row['name'], ...FieldFormats::schema(ValueType::tryFrom($row['type']) ?? ValueType::Text), ...($options === [] ? [] : ['enum' => array_keys($options), 'x-labels' => $options]), 'examples' => array_slice($row['say'], 0, 1)];

            return ScriptDocument::fromArray($data)->withStep($new, [...$changed->step($new), 'prompt' => $row['ask']]);
        }, $user);

        return $new;
    }

    /** @return ?array{name: string, type: string, ask: string, say: list<string>, options?: list<array{key: string, label: string}>} */
    private function row(Agent $agent, string $fact): ?array
    {
        foreach ($this->trades->chosen($agent) as $key) {
            foreach ($this->trades->library($agent->business)->of($key)->fields ?? [] as $row) {
                if (mb_strtolower($row['name']) === mb_strtolower($fact)) {
                    return $row;
                }
            }
        }

        return null;
    }
}
