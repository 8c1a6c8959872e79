<?php

declare(strict_types=1);

namespace App\Actions\Surveys;

use App\Models\Call;
use App\Models\Survey;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Carbon;
use Ringo\Survey\Person;
use Ringo\Survey\Results;

/** Who was talked to for a survey and what they answered: the live calls of its agent, one a person, that which answers most. */
final readonly class PeopleOf
{
    /** Facts of a caller that are no groups of people. */
    private const NO_GROUP = ['known', 'name', 'first_name', 'number', 'kind', 'phone', 'contact', 'consent', 'title', 'person'];

    private const AT_ONCE = 300;

    public function results(Survey $survey): Results
    {
        $results = new Results($survey->questionnaire());
        foreach ($this->people($survey) as $one) {
            $results->add($one['person']);
        }

        return $results;
    }

    /**
     * @return \Generator<int, array{person: Person, name: string, from: ?string, at: Carbon, call: Call}> in the order of their calls
     */
    public function people(Survey $survey): \Generator
    {
        $keys = array_keys($survey->questionnaire()->questions);
        $counts = $this->counting($survey);
        foreach ($this->calls($survey)->with('record')->lazyById(self::AT_ONCE) as $call) {
            if (! $call instanceof Call || ($counts[$call->from ?? ''] ?? $call->id) !== $call->id) {
                continue;
            }
            $facts = [];
            foreach ($call->state['caller'] ?? [] as $fact => $value) {
                if (is_scalar($value) && ! in_array($fact, self::NO_GROUP, true) && ! str_ends_with((string) $fact, '_at') && trim((string) $value) !== '') {
                    $facts[(string) $fact] = (string) $value;
                }
            }
            // What was said before a question was put is no answer to it.
            $asked = array_values(array_intersect(array_map(strval(...), array_keys($call->state['askedAt'] ?? [])), $keys));
            $cells = array_intersect_key($call->record->cells ?? [], array_flip($asked));

            yield [
                'person' => new Person($call->ref, $asked, array_map(static fn (array $cell): mixed => $cell['value'], $cells), $call->outcome, $facts),
                'name' => $call->caller_name, 'from' => $call->from, 'at' => $call->placedAt(), 'call' => $call,
            ];
        }
    }

    /** @return array<string, int> by number, the call that counts where somebody was talked to more than once */
    private function counting(Survey $survey): array
    {
        $counts = [];
        $most = [];
        $rows = $this->calls($survey)->toBase()->leftJoin('records', 'records.call_id', '=', 'calls.id')->whereNotNull('calls.from')->orderBy('calls.id')->selectRaw('calls.id as id, calls."from" as number, length(cast(records.cells as text)) as said')->get();
        foreach ($rows as $row) {
            $number = (string) $row->number;
            if (! isset($most[$number]) || (int) $row->said >= $most[$number]) {
                $counts[$number] = (int) $row->id;
                $most[$number] = (int) $row->said;
            }
        }

        return $counts;
    }

    /** @return Builder<Call> */
    private function calls(Survey $survey): Builder
    {
        $query = Call::query()->where('calls.agent_id', $survey->agent_id)->where('kind', 'live')->where('status', 'ended');
        $query->whereNotIn('calls.outcome', ['voicemail', 'not reached']);

        return $query;
    }
}
