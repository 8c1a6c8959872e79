<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Contacts\ContactDirectory;
use App\Actions\Design\DraftMoved;
use App\Actions\Design\EditDraft;
use App\Models\Agent;
use App\Models\Business;
use App\Models\User;
use App\Support\AgentForm;
use App\Support\CurrentAgent;
use App\Support\Input;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use Ringo\Design\ScriptDocument;
use Ringo\Dialogue\Engine;
use Ringo\Dialogue\Event;
use Ringo\Dialogue\Opening;
use Ringo\Document\InvalidDocument;
use Ringo\Numbering\NumberingPlan;
use Ringo\Recognition\Recogniser;

/** Recognition: how an agent opens by who is calling, how fresh a fact must be, and what any number would lead to. */
final class RecognitionController
{
    private const KINDS = ['known' => 'a caller we know', 'recent' => 'one who called lately', 'shared' => 'a number several people share', 'organisation' => 'an organisation’s switchboard', 'unknown' => 'a stranger', 'withheld' => 'a withheld number', 'blocked' => 'a blocked number'];

    public function __construct(private readonly CurrentAgent $current, private readonly NumberingPlan $plan)
    {
    }

    public function show(Request $request, Business $business, Agent $agent): View
    {
        $this->current->remember($agent);
        $document = $agent->draft->scriptText->document();
        $number = $request->query('number');

        return view('recognition', [
            'business' => $business, 'agent' => $agent, 'script' => $document->script, 'data' => $document->toArray(), 'version' => $agent->draft->version, 'kinds' => self::KINDS, 'columns' => $business->contactColumns()->get(),
            'number' => is_string($number) ? $number : null, 'tried' => is_string($number) ? $this->tried($business, $document, $number) : null,
        ]);
    }

    public function update(Request $request, Business $business, Agent $agent, EditDraft $edit): RedirectResponse
    {
        $this->current->remember($agent);
        $form = $request->all();
        /** @var User $user */
        $user = $request->user();
        try {
            $edit->apply($agent, Input::number($request, 'version'), 'changed how callers are recognised', [], static function (ScriptDocument $document) use ($form): ScriptDocument {
                $data = $document->toArray();
                $greeting = array_filter(array_map(static fn (mixed $one): string => trim((string) $one), array_intersect_key(is_array($form['greeting'] ?? null) ? $form['greeting'] : [], self::KINDS)), static fn (string $one): bool => $one !== '');
                $greeting = AgentForm::withVariants($greeting, is_array($data['agent']['greeting'] ?? null) ? $data['agent']['greeting'] : []);
                unset($data['agent']['greeting'], $data['recognition']);
                if ($greeting !== []) {
                    $data['agent']['greeting'] = $greeting;
                }
                $split = static fn (mixed $text): array => array_values(array_filter(array_map(trim(...), explode(',', (string) $text))));
                $fresh = [];
                foreach (is_array($form['fresh'] ?? null) ? $form['fresh'] : [] as $fact => $days) {
                    if (is_array($days) && trim((string) ($days['use'] ?? '')) !== '') {
                        $fresh[(string) $fact] = ['use' => (int) $days['use'], 'check' => (int) (($days['check'] ?? '') === '' ? 36500 : $days['check'])];
                    }
                }
                $tags = array_filter(array_map($split, is_array($form['tags'] ?? null) ? $form['tags'] : []));
                $priority = array_filter(array_map(intval(...), is_array($form['priority'] ?? null) ? $form['priority'] : []));
                $recognition = array_filter(['priority' => $priority, 'recent_hours' => (int) ($form['recent_hours'] ?? 0), 'blocked' => ($form['blocked'] ?? '') === 'ring_out' ? 'ring_out' : null, 'fresh' => $fresh, 'tags' => $tags, 'write' => $split($form['write'] ?? ''), 'errand' => trim((string) ($form['errand'] ?? ''))]);
                if ($recognition !== []) {
                    $data['recognition'] = $recognition;
                }

                return ScriptDocument::fromArray($data);
            }, $user);
        } catch (InvalidDocument $problem) {
            throw ValidationException::withMessages(['recognition' => array_map(static fn (array $one): string => $one['path'].': '.$one['message'], array_slice($problem->problems, 0, 5))]);
        } catch (DraftMoved $moved) {
            throw ValidationException::withMessages(['recognition' => $moved->getMessage().' Reload the page to see it.']);
        }

        return redirect()->route('recognition', [$business, $agent])->with('notice', 'Kept in the draft.');
    }

    /** @return array{kind: string, why: list<string>, facts: array<string, mixed>, people: list<string>, words: string, rules: list<string>, values: array<string, string>} */
    private function tried(Business $business, ScriptDocument $document, string $number): array
    {
        $now = new \DateTimeImmutable('now', new \DateTimeZone($document->script->agent->tz));
        $recognised = (new Recogniser($this->plan, new ContactDirectory($business, $now), $business->country))->of($number);
        $state = (new Opening($document->script))->state('try', $now, '1', $recognised->number, null, $recognised->facts, $recognised->people);
        $outcome = Engine::for($document->script)->step($state, Event::started());
        $hidden = ['pin_hash' => 1, 'contact_id' => 1, 'kind' => 1, 'locked' => 1, 'shared' => 1];

        return [
            'kind' => $recognised->kind, 'why' => $recognised->why, 'facts' => array_diff_key($recognised->facts, $hidden), 'people' => array_map(static fn (array $one): string => (string) ($one['name'] ?? ''), $recognised->people),
            'words' => $outcome->spoken(), 'rules' => $outcome->trace->rules,
            'values' => array_map(static fn ($held): string => (is_scalar($held->value) ? (string) $held->value : '').($held->confidence < 0.7 ? ' (asked back: it is old)' : ''), $state->values),
        ];
    }
}
