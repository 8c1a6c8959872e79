<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Design\DraftMoved;
use App\Actions\Design\EditDraft;
use App\Actions\Transfers\Situations;
use App\Actions\Transfers\SwitchboardOf;
use App\Models\Agent;
use App\Models\Business;
use App\Models\Person;
use App\Models\Team;
use App\Models\TeamExample;
use App\Models\User;
use App\Support\AtOnce;
use App\Support\Book\ConditionForm;
use App\Support\Book\FieldType;
use App\Support\Book\Form;
use App\Support\CurrentAgent;
use App\Support\Former;
use App\Support\Input;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use Ringo\Design\ScriptDocument;
use Ringo\Document\InvalidDocument;
use Ringo\Document\Node;
use Ringo\Fit\Caution;
use Ringo\Numbering\NumberingPlan;
use Ringo\Script\Hours;

/** Transfers: who can take calls, the rules by which an agent hands over, and what they come to. */
final class TransferController
{
    /** Examples shown, the latest first. */
    private const EXAMPLES = 60;

    public function __construct(private readonly CurrentAgent $current)
    {
    }

    public function show(Request $request, Business $business, SwitchboardOf $boards, Situations $situations, EditDraft $edit): View
    {
        $agent = $this->current->in($business);
        $document = $agent?->draft->scriptText->document();
        $board = $boards->business($business, true);
        $said = trim(Input::text($request, 'said'));

        return view('transfers', [
            'business' => $business, 'agent' => $agent, 'document' => $document, 'script' => $document?->script, 'board' => $board,
            'teams' => $business->teams()->with('people')->get(), 'examples' => TeamExample::query()->with('team', 'call')->where('business_id', $business->id)->where('state', '!=', 'removed')->latest('id')->limit(self::EXAMPLES)->get(), 'people' => $business->people()->with('teams')->get(), 'users' => User::query()->whereHas('businesses', static fn ($q) => $q->where('businesses.id', $business->id))->get(),
            'table' => $document === null ? null : $situations->of($document->script, $board), 'said' => $said, 'fit' => $said === '' ? null : $board->fit()?->of($said), 'undoable' => $agent === null ? null : $edit->undoable($agent), 'unknown' => $document === null ? [] : $this->unknown($document, $business),
        ]);
    }

    public function rules(Request $request, Business $business, Agent $agent, EditDraft $edit): RedirectResponse
    {
        $this->current->remember($agent);
        $form = $request->all();
        /** @var User $user */
        $user = $request->user();
        try {
            $edit->apply($agent, Input::number($request, 'version'), 'changed the transfer rules', [], function (ScriptDocument $document) use ($form): ScriptDocument {
                $reader = new ConditionForm($document->script);
                $rules = [];
                foreach (is_array($form['rules'] ?? null) ? $form['rules'] : [] as $row) {
                    $to = trim((string) ($row['to'] ?? ''));
                    if (! is_array($row) || $to === '') {
                        continue;
                    }
                    $key = FieldType::key((string) ($row['key'] ?? '')) ?: 'rule_'.(count($rules) + 1);
                    $when = $reader->condition(new Form($row));
                    $rules[] = ['key' => $key] + array_filter([
                        'when' => $when, 'words' => $this->words((string) ($row['words'] ?? '')), 'urgent' => (bool) ($row['urgent'] ?? false) ?: null,
                    ], static fn (mixed $value): bool => $value !== null && $value !== []) + ['to' => $to] + array_filter(['how' => ($row['how'] ?? 'announced') === 'straight' ? 'straight' : null, 'say' => trim((string) ($row['say'] ?? '')), 'otherwise' => $this->words((string) ($row['otherwise'] ?? ''))], static fn (mixed $value): bool => $value !== null && $value !== '' && $value !== []);
                }
                $transfers = array_filter(['rules' => $rules, 'default' => trim((string) ($form['default'] ?? '')), 'waiting' => trim((string) ($form['waiting'] ?? ''))], static fn (mixed $value): bool => $value !== '' && $value !== []);

                return $document->with('transfers', $transfers);
            }, $user);
        } catch (InvalidDocument $problem) {
            throw ValidationException::withMessages(['rules' => array_map(static fn (array $one): string => $one['path'].': '.$one['message'], array_slice($problem->problems, 0, 5))]);
        } catch (DraftMoved $moved) {
            throw ValidationException::withMessages(['rules' => $moved->getMessage().' Reload the page to see it.']);
        }

        return redirect()->route('transfers', $business)->with('notice', 'The rules are kept in the draft.');
    }

    public function team(Request $request, Business $business, ?Team $team = null): RedirectResponse
    {
        $given = $request->validate([
            'name' => ['required', 'string', 'max:80'], 'description' => ['required', 'string', 'max:1000'], 'examples' => ['nullable', 'string', 'max:2000'], 'ring' => ['required', 'in:all,turn,idle'], 'seconds' => ['required', 'integer', 'between:5,120'], 'waiting_most' => ['required', 'integer', 'between:1,50'],
            'hours' => ['nullable', 'array'], 'closures' => ['nullable', 'string', 'max:2000'], 'members' => ['nullable', 'string', 'max:1000'],
        ], ['name.required' => 'A team needs a name.', 'description.required' => 'Describe in plain words what the team does: that is how callers find it.']);
        $hours = [];
        foreach (['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'] as $day) {
            $ranges = array_values(array_filter(array_map(static fn (string $one): string => (string) preg_replace(['/\s+/', '/[–—]/u', '/^(\d):/', '/-(\d):/'], ['', '-', '0$1:', '-0$1:'], $one), explode(',', (string) ($given['hours'][$day] ?? '')))));
            if ($ranges !== []) {
                $hours[$day] = $ranges;
            }
        }
        foreach (array_filter(array_map(trim(...), preg_split('/\R/', (string) ($given['closures'] ?? '')) ?: [])) as $line) {
            $parts = preg_split('/\s+/', $line, 2) ?: [$line];
            $hours['closures'][] = ['date' => $parts[0]] + (isset($parts[1]) ? ['why' => $parts[1]] : []);
        }
        try {
            $node = Node::root($hours);
            Hours::read($node);
            $node->settle();
        } catch (InvalidDocument $problem) {
            throw ValidationException::withMessages(['hours' => array_map(static fn (array $one): string => $one['path'].': '.$one['message'], $problem->problems)]);
        }
        $data = ['name' => trim($given['name']), 'description' => trim($given['description']), 'examples' => array_values(array_filter(array_map(trim(...), preg_split('/\R/', (string) ($given['examples'] ?? '')) ?: []))), 'ring' => $given['ring'], 'seconds' => (int) $given['seconds'], 'waiting_most' => (int) $given['waiting_most'], 'hours' => $hours];
        // Everything is looked at before anything is kept: a wrong member leaves the team as it was.
        $members = $this->members($business, (string) ($given['members'] ?? ''));
        if ($team !== null) {
            Former::remember($team);
        }
        $team = DB::transaction(function () use ($business, $team, $data, $members): Team {
            $kept = $team ?? Team::query()->create(['business_id' => $business->id, 'key' => $this->freeKey(Team::class, $business, $data['name'])] + $data);
            $kept->update($data);
            $kept->people()->sync($members);

            return $kept;
        });

        AtOnce::Transfers->note($business, "the team “{$team->name}” kept");

        return $this->kept($business, $team, "{$team->name} can be transferred to from the next call on.");
    }

    /**
     * @return array<int, array{position: int}> by person
     *
     * @throws ValidationException naming everybody who is not there
     */
    private function members(Business $business, string $typed): array
    {
        $members = [];
        $unknown = [];
        foreach ($this->words($typed) as $position => $name) {
            $person = Person::query()->where('business_id', $business->id)->where(static fn ($q) => $q->where('key', $name)->orWhere('name', $name))->first();
            if ($person instanceof Person) {
                $members[$person->id] = ['position' => $position];
            } else {
                $unknown[] = "“{$name}”";
            }
        }
        if ($unknown !== []) {
            throw ValidationException::withMessages(['members' => 'There is nobody called '.implode(' or ', $unknown).' among the people. Add them first; nothing of the team was changed.']);
        }

        return $members;
    }

    public function person(Request $request, Business $business, NumberingPlan $plan, ?Person $person = null): RedirectResponse
    {
        $given = $request->validate(['name' => ['required', 'string', 'max:80'], 'number' => ['nullable', 'string', 'max:40'], 'site' => ['nullable', 'string', 'max:80'], 'presence' => ['nullable', 'in:available,busy,away'], 'user_id' => ['nullable', 'integer']], ['name.required' => 'A person needs a name.']);
        $number = null;
        if (trim((string) ($given['number'] ?? '')) !== '') {
            $number = $plan->parse((string) $given['number'], $business->country);
            if ($number === null || ! $number->valid) {
                throw ValidationException::withMessages(['number' => "“{$given['number']}” is no telephone number. Write it in national form, or with + and the country code."]);
            }
        }
        $user = isset($given['user_id']) ? User::query()->find((int) $given['user_id']) : null;
        $data = ['name' => trim($given['name']), 'number' => $number?->e164, 'site' => trim((string) ($given['site'] ?? '')), 'presence' => $given['presence'] ?? 'available', 'user_id' => $user?->roleIn($business) === null ? null : $user->id];
        if ($person !== null) {
            Former::remember($person);
        }
        $person === null ? $person = Person::query()->create(['business_id' => $business->id, 'key' => $this->freeKey(Person::class, $business, $data['name'])] + $data) : $person->update($data);

        AtOnce::Transfers->note($business, "“{$person->name}” kept");

        return $this->kept($business, $person, "{$person->name} is kept.");
    }

    /** What a wrong transfer and a question cost this business. */
    public function caution(Request $request, Business $business): RedirectResponse
    {
        $given = $request->validate(['caution' => ['required', Rule::enum(Caution::class)]]);
        $business->update(['caution' => $given['caution']]);
        AtOnce::Transfers->note($business, 'when callers are asked which team: '.$business->caution()->value);

        return redirect()->route('transfers', $business)->with('notice', 'It is kept, and holds from the next call on.');
    }

    /** Takes back the latest change of a team, and the one before it when asked again. */
    public function revertTeam(Business $business, Team $team): RedirectResponse
    {
        return $this->reverted($business, $team);
    }

    public function revertPerson(Business $business, Person $person): RedirectResponse
    {
        return $this->reverted($business, $person);
    }

    private function reverted(Business $business, Team|Person $one): RedirectResponse
    {
        $problem = Former::back($one);
        if ($problem !== null) {
            return redirect()->route('transfers', $business)->withErrors(['undo' => $problem]);
        }
        AtOnce::Transfers->note($business, "a change of “{$one->name}” taken back");

        return $this->kept($business, $one, "{$one->name} stands as before that change.");
    }

    /** Says so, with the way back where there is one. */
    private function kept(Business $business, Team|Person $one, string $words): RedirectResponse
    {
        Former::settle($one);
        $page = redirect()->route('transfers', $business);

        return Former::has($one)
            ? $page->with('undo', ['text' => $words, 'action' => route($one instanceof Team ? 'team.revert' : 'person.revert', [$business, $one])])
            : $page->with('notice', $words);
    }

    public function removeTeam(Business $business, Team $team): RedirectResponse
    {
        $team->delete();

        AtOnce::Transfers->note($business, "the team “{$team->name}” taken away");

        return redirect()->route('transfers', $business)->with('undo', ['text' => "{$team->name} is taken away. Rules that name it go on to their next target.", 'action' => route('team.restore', [$business, $team])]);
    }

    public function removePerson(Business $business, Person $person): RedirectResponse
    {
        $person->delete();

        AtOnce::Transfers->note($business, "“{$person->name}” taken away");

        return redirect()->route('transfers', $business)->with('undo', ['text' => "{$person->name} is taken away, also from the teams.", 'action' => route('person.restore', [$business, $person])]);
    }

    public function restoreTeam(Business $business, Team $team): RedirectResponse
    {
        $team->restore();

        AtOnce::Transfers->note($business, "the team “{$team->name}” put back");

        return redirect()->route('transfers', $business)->with('notice', "{$team->name} is back.");
    }

    public function restorePerson(Business $business, Person $person): RedirectResponse
    {
        $person->restore();

        AtOnce::Transfers->note($business, "“{$person->name}” put back");

        return redirect()->route('transfers', $business)->with('notice', "{$person->name} is back.");
    }

    /** @return list<string> targets of rules that name no team or person there is */
    private function unknown(ScriptDocument $document, Business $business): array
    {
        $known = [...$business->teams()->pluck('key')->map(static fn (string $key): string => 'team:'.$key)->all(), ...$business->people()->pluck('key')->map(static fn (string $key): string => 'person:'.$key)->all()];
        $named = [$document->script->transfers->default];
        foreach ($document->script->transfers->rules as $rule) {
            array_push($named, $rule['to'], ...$rule['otherwise']);
        }

        return array_values(array_unique(array_filter($named, static fn (string $one): bool => preg_match('/^(?:team|person):/', $one) === 1 && ! in_array($one, $known, true))));
    }

    /** @return list<string> */
    private function words(string $text): array
    {
        return array_values(array_unique(array_filter(array_map(trim(...), preg_split('/[,\n]/', $text) ?: []), static fn (string $word): bool => $word !== '')));
    }

    /** @param class-string<Team>|class-string<Person> $model */
    private function freeKey(string $model, Business $business, string $name): string
    {
        $base = FieldType::key($name) ?: 'one';
        for ($key = $base, $n = 2; $model::withTrashed()->where('business_id', $business->id)->where('key', $key)->exists(); $n++) {
            $key = $base.'_'.$n;
        }

        return $key;
    }
}
