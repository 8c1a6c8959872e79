<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Transfers\LearnExamples;
use App\Actions\Transfers\WouldChange;
use App\Models\Business;
use App\Models\Call;
use App\Models\Team;
use App\Models\TeamExample;
use App\Models\User;
use App\Support\AtOnce;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;

/** What was learned from the business's own calls: looked at, let count, taken out. */
final class ExampleController
{
    /** A specialist says in a call which team the caller's words were for. */
    public function store(Request $request, Business $business, LearnExamples $learn): RedirectResponse
    {
        $given = $request->validate(['team' => ['required', 'string', 'max:60'], 'said' => ['required', 'string', 'max:400'], 'call' => ['nullable', 'string', 'max:40']], ['team.required' => 'Choose the team it was for.']);
        $call = isset($given['call']) ? Call::query()->where('business_id', $business->id)->where('ref', $given['call'])->first() : null;
        /** @var User $user */
        $user = $request->user();
        $example = $learn->example($this->team($business, $given['team']), $given['said'], 'marked', 'waiting', $call, $user);
        if ($example === null) {
            throw ValidationException::withMessages(['said' => 'So few words teach nothing. Mark a line in which the caller says what it is about.']);
        }

        return redirect()->to(route('transfers', $business).'#learned')->with('notice', 'It is kept as an example and waits: look at what else it would change, then let it count.');
    }

    /** What else would come to another team. */
    public function check(Request $request, Business $business, WouldChange $would): JsonResponse
    {
        $given = $request->validate(['team' => ['required', 'string', 'max:60'], 'said' => ['required', 'string', 'max:400']]);
        $found = $would->of($business, $this->team($business, $given['team']), $given['said']);

        return response()->json(['html' => view('parts.would-change', $found)->render(), ...$found]);
    }

    public function update(Request $request, Business $business, TeamExample $teamExample): RedirectResponse
    {
        $given = $request->validate(['state' => ['required', 'in:waiting,counts,removed'], 'team' => ['nullable', 'string', 'max:60']]);
        /** @var User $user */
        $user = $request->user();
        $was = $teamExample->state;
        $teamExample->update(['state' => $given['state'], 'user_id' => $user->id] + (isset($given['team']) ? ['team_id' => $this->team($business, $given['team'])->id] : []));
        AtOnce::Transfers->note($business, match ($given['state']) {
            'counts' => "“{$teamExample->said}” counts for {$teamExample->team->name}",
            'removed' => "“{$teamExample->said}” no longer counts",
            default => "“{$teamExample->said}” waits again",
        });
        $back = redirect()->to(route('transfers', $business).'#learned');

        return $given['state'] === 'removed'
            ? $back->with('undo', ['text' => "“{$teamExample->said}” is taken out.", 'action' => route('example.update', [$business, $teamExample, '_method' => 'put', 'state' => $was])])
            : $back->with('notice', $given['state'] === 'counts' ? "It counts for {$teamExample->load('team')->team->name} from the next call on." : 'It waits.');
    }

    private function team(Business $business, string $key): Team
    {
        return Team::query()->where('business_id', $business->id)->where('key', $key)->first() ?? throw ValidationException::withMessages(['team' => "There is no team “{$key}”."]);
    }
}
