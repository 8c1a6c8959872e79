<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Design\DraftMoved;
use App\Actions\Foresight\AddQuestion;
use App\Actions\Foresight\LookAhead;
use App\Actions\Foresight\MarkSaying;
use App\Actions\Foresight\TradesOf;
use App\Actions\Knowledge\WriteAnswer;
use App\Models\Agent;
use App\Models\Business;
use App\Models\User;
use App\Support\AtOnce;
use App\Support\CurrentAgent;
use Illuminate\Contracts\View\View;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use Ringo\Document\InvalidDocument;
use Ringo\Knowledge\Reading\UnreadableSource;

/** What callers will say: what is usual in the trades of an agent, beside what the agent would do with it. */
final class ForesightController
{
    /** Trades offered to choose from, the nearest first. */
    private const OFFERED = 8;

    public function __construct(private readonly CurrentAgent $current, private readonly LookAhead $look, private readonly TradesOf $trades)
    {
    }

    public function show(Request $request, Business $business, Agent $agent): View
    {
        $this->current->remember($agent);
        $outlook = $this->look->of($agent, $agent->draft->scriptText, $request->boolean('all'));
        if (! $request->boolean('all') && $agent->foreseen !== $outlook->summary()) {
            $agent->update(['foreseen' => $outlook->summary()]);
        }
        $script = $agent->draft->scriptText->script();

        return view('foresight', [
            'business' => $business, 'agent' => $agent, 'outlook' => $outlook, 'script' => $script, 'all' => $request->boolean('all'), 'only' => $request->query('only') === 'open',
            'teams' => $business->teams()->get()->keyBy('key'), 'near' => $this->trades->nearest($agent, self::OFFERED), 'labels' => $this->trades->library($business)->labels(), 'chosen' => $this->trades->chosen($agent), 'byHand' => ($agent->trades ?? []) !== [],
        ]);
    }

    public function trades(Request $request, Business $business, Agent $agent): RedirectResponse
    {
        $given = $request->validate(['trades' => ['nullable', 'array', 'max:6'], 'trades.*' => ['nullable', 'string', 'max:40']]);
        $library = $this->trades->library($business);
        $keys = array_values(array_unique(array_filter($given['trades'] ?? [])));
        foreach ($keys as $key) {
            if ($library->of((string) $key) === null) {
                throw ValidationException::withMessages(['trades' => "There is no trade “{$key}”. Choose one of the list."]);
            }
        }
        $agent->update(['trades' => $keys === [] ? null : $keys]);

        return redirect()->route('foresight', [$business, $agent])->with('notice', $keys === [] ? 'The nearest trades are found by what is written here.' : 'The trades are kept.');
    }

    public function mark(Request $request, Business $business, Agent $agent, MarkSaying $mark): JsonResponse
    {
        $given = $request->validate(['said' => ['required', 'string', 'max:400'], 'verdict' => ['required', 'in:right,belongs,not_ours,none'], 'target' => ['nullable', 'required_if:verdict,belongs', 'string', 'max:200']], ['target.required_if' => 'Choose the topic or team it belongs to.']);
        try {
            match ($given['verdict']) {
                'right' => $mark->right($agent, $given['said'], $this->user($request)),
                'belongs' => $mark->belongs($agent, $given['said'], (string) $given['target'], $this->user($request)),
                'not_ours' => $mark->notOurs($agent, $given['said'], $this->user($request)),
                default => $mark->none($agent, $given['said']),
            };
        } catch (DraftMoved $moved) {
            throw ValidationException::withMessages(['said' => $moved->getMessage()]);
        }

        return $this->row($business, $agent, $given['said']);
    }

    public function answer(Request $request, Business $business, Agent $agent, WriteAnswer $write): JsonResponse
    {
        $given = $request->validate(['said' => ['required', 'string', 'max:300'], 'answer' => ['required', 'string', 'max:3000']], ['answer.required' => 'Write the answer, as it should be said.']);
        try {
            $write->of($business, $given['said'], $given['answer']);
        } catch (UnreadableSource $problem) {
            throw ValidationException::withMessages(['answer' => $problem->getMessage()]);
        }
        AtOnce::Knowledge->note($business, 'an answer written');

        return $this->row($business->refresh(), $agent->unsetRelation('business'), $given['said']);
    }

    public function question(Request $request, Business $business, Agent $agent, AddQuestion $add): RedirectResponse
    {
        $given = $request->validate(['fact' => ['required', 'string', 'max:400']]);
        try {
            $step = $add->of($agent, $given['fact'], $this->user($request));
        } catch (DraftMoved $moved) {
            throw ValidationException::withMessages(['fact' => $moved->getMessage()]);
        } catch (InvalidDocument $problem) {
            throw ValidationException::withMessages(['fact' => $problem->getMessage()]);
        }

        return redirect()->route('foresight', [$business, $agent, '#facts'])->with('notice', "The step “{$step}” asks for it now. Its place, words and way out are yours to settle in the prompt book.");
    }

    /** The saying as it stands now, and the counts that go with it. */
    private function row(Business $business, Agent $agent, string $said): JsonResponse
    {
        $agent->unsetRelation('draft');
        $text = $agent->draft->scriptText;
        $outlook = $this->look->of($agent, $text);
        $agent->update(['foreseen' => $outlook->summary()]);
        $row = $this->look->one($agent, $text, $said);

        return response()->json([
            'html' => view('parts.foreseen', ['business' => $business, 'agent' => $agent, 'outlook' => $outlook, 'row' => $row, 'script' => $text->script(), 'teams' => $business->teams()->get()->keyBy('key')])->render(),
            'handled' => $outlook->handled($outlook->sayings), 'of' => count($outlook->sayings), 'questions' => $outlook->handled($outlook->questions),
        ]);
    }

    private function user(Request $request): User
    {
        /** @var User $user */
        $user = $request->user();

        return $user;
    }
}
