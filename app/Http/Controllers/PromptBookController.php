<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Design\DraftMoved;
use App\Actions\Design\EditDraft;
use App\Models\Agent;
use App\Models\Business;
use App\Models\User;
use App\Support\Book\BookView;
use App\Support\Book\FieldForm;
use App\Support\Book\Form;
use App\Support\Book\NewTargets;
use App\Support\Book\StepForm;
use App\Support\Book\StepForms;
use App\Support\CurrentAgent;
use App\Support\Input;
use Illuminate\Contracts\View\View;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Ringo\Design\Change;
use Ringo\Design\ScriptDocument;
use Ringo\Document\InvalidDocument;
use Ringo\Inspection\Inspector;
use Ringo\Script\Steps\Ask\AskKind;

/** The prompt book: reading a draft and changing it in place. Every change answers with the pieces of page that are different now. */
final class PromptBookController
{
    public function __construct(private readonly EditDraft $edit, private readonly BookView $view, private readonly CurrentAgent $current)
    {
    }

    public function show(Business $business, Agent $agent): View
    {
        $this->current->remember($agent);

        return view('prompt-book', ['business' => $business, 'agent' => $agent, ...$this->view->page($agent)]);
    }

    public function form(Business $business, Agent $agent, string $step): Response
    {
        $this->current->remember($agent);
        if (! $agent->draft->scriptText->document()->has($step)) {
            abort(404, "There is no step “{$step}” any more.");
        }

        return response($this->view->form($agent, $step));
    }

    public function update(Request $request, Business $business, Agent $agent, string $step): JsonResponse
    {
        $form = new Form($request->all());

        return $this->answer($request, $agent, "changed {$step}", [$step], static function (ScriptDocument $document) use ($request, $step): ScriptDocument {
            $old = $document->step($step);
            if ($old === []) {
                throw new InvalidDocument([['path' => '', 'message' => "the step “{$step}” has been taken out in the meantime"]]);
            }
            [$document, $given] = (new NewTargets)->made($document, $step, $request->all());
            $form = new Form($given);
            $field = $old['kind'] === AskKind::NAME ? (new FieldForm($document))->property($form) : null;
            $document = $field === null ? $document : self::withField($document, ...$field);

            $document = $document->withStep($step, (new StepForm($document))->step((string) $old['kind'], $form, $old));

            return $field === null ? $document : FieldForm::withoutOrphan($document, (string) ($old['field'] ?? ''));
        }, static fn (ScriptDocument $document): string => $document->has($form->trimmed('key')) ? $form->trimmed('key') : $step);
    }

    public function insert(Request $request, Business $business, Agent $agent): JsonResponse
    {
        $given = $request->validate(['after' => ['nullable', 'string', 'max:60'], 'kind' => ['required', 'in:'.implode(',', StepForms::kinds())], 'name' => ['nullable', 'string', 'max:60']]);
        $new = '';

        return $this->answer($request, $agent, "added a {$given['kind']} step", array_values(array_filter([$given['after'] ?? null])), static function (ScriptDocument $document) use ($given, &$new): ScriptDocument {
            [$changed, $new] = $document->inserted($given['after'] ?? null, $given['kind'], ($given['name'] ?? '') === '' ? null : $given['name']);

            return $changed;
        }, static function () use (&$new): string {
            return $new;
        });
    }

    public function move(Request $request, Business $business, Agent $agent, string $step): JsonResponse
    {
        $given = $request->validate(['before' => ['nullable', 'string', 'max:60']]);

        return $this->answer($request, $agent, "moved {$step}", [$step], static fn (ScriptDocument $document): ScriptDocument => $document->moved($step, $given['before'] ?? null), static fn (): string => $step);
    }

    public function duplicate(Request $request, Business $business, Agent $agent, string $step): JsonResponse
    {
        $copy = '';

        return $this->answer($request, $agent, "copied {$step}", [$step], static function (ScriptDocument $document) use ($step, &$copy): ScriptDocument {
            [$changed, $copy] = $document->duplicated($step);

            return $changed;
        }, static function () use (&$copy): string {
            return $copy;
        });
    }

    public function destroy(Request $request, Business $business, Agent $agent, string $step): JsonResponse
    {
        $this->current->remember($agent);
        $document = $agent->draft->scriptText->document();
        $to = $document->has($step) && count($document->steps()) > 1 ? $document->wayOn($step) : null;

        return $this->answer($request, $agent, "took out {$step}", [$step], static fn (ScriptDocument $document): ScriptDocument => $document->without($step), static fn (): ?string => $to, undo: "{$step} was taken out; whatever led to it leads to {$to} now.");
    }

    /** Takes back the latest change that stands, and the one before it when asked again; from a page without script it leads back to that page. */
    public function undo(Request $request, Business $business, Agent $agent): JsonResponse|RedirectResponse
    {
        $given = $request->validate(['version' => ['required', 'integer', 'min:2']]);
        /** @var User $user */
        $user = $request->user();
        $this->current->remember($agent);
        try {
            $draft = $this->edit->undo($agent, (int) $given['version'], $user);
        } catch (DraftMoved $moved) {
            return $request->expectsJson() ? $this->moved($agent, $moved) : back()->withErrors(['version' => $moved->getMessage()]);
        }

        return $request->expectsJson() ? response()->json($this->view->changed($agent, $draft, $this->have($request))) : back()->with('notice', 'Taken back in the draft.');
    }

    public function fix(Request $request, Business $business, Agent $agent, Inspector $inspector): JsonResponse
    {
        $given = $request->validate(['finding' => ['required', 'string', 'max:20']]);
        $this->current->remember($agent);
        foreach ($inspector->inspect($agent->draft->scriptText->document(), $agent->surroundings()) as $finding) {
            if ($finding->id() === $given['finding'] && $finding->fix !== null) {
                $fix = $finding->fix;
                $step = $finding->step;

                return $this->answer($request, $agent, 'mended: '.$fix->words, array_values(array_filter([$step])), static fn (ScriptDocument $document): ScriptDocument => $fix->applied($document), static fn (ScriptDocument $document): ?string => $step !== null && $document->has($step) ? $step : null, undo: "Done: {$fix->words}.");
            }
        }

        return response()->json(['message' => 'This finding is no longer there.', ...$this->view->changed($agent, $agent->draft, $this->have($request))]);
    }

    /**
     * @param list<string> $touches
     * @param \Closure(ScriptDocument): ScriptDocument $change
     * @param ?\Closure(ScriptDocument): ?string $at the step to stand at afterwards
     */
    private function answer(Request $request, Agent $agent, string $words, array $touches, \Closure $change, ?\Closure $at = null, ?string $undo = null): JsonResponse
    {
        $this->current->remember($agent);
        /** @var User $user */
        $user = $request->user();
        $seen = Input::number($request, 'version', $agent->draft->version);
        try {
            [$draft, $other] = $this->edit->apply($agent, $seen, $words, $touches, $change, $user);
        } catch (DraftMoved $moved) {
            return $this->moved($agent, $moved);
        } catch (InvalidDocument $problem) {
            return response()->json(['message' => 'This is not kept yet.', 'problems' => $this->problems($problem)], 422);
        }

        return response()->json([
            ...$this->view->changed($agent, $draft, $this->have($request)),
            'at' => $at === null ? null : $at($draft->scriptText->document()),
            'others' => $other === null ? null : "{$other} is changing this draft too; what you see holds both.",
            'undo' => $undo === null ? null : ['words' => $undo, 'version' => $draft->version],
        ]);
    }

    private function moved(Agent $agent, DraftMoved $moved): JsonResponse
    {
        return response()->json([
            'message' => $moved->getMessage(),
            'by' => $moved->by,
            'version' => $moved->version,
            'changes' => array_map(static fn (Change $change): array => $change->toArray(), $moved->changes),
        ], 409);
    }

    /** @return list<string> */
    private function problems(InvalidDocument $problem): array
    {
        return array_map(static fn (array $one): string => ucfirst((string) preg_replace('/^step “[^”]*” /', '', $one['message'])).'.', array_slice($problem->problems, 0, 4));
    }

    /** @return array<string, string> */
    private function have(Request $request): array
    {
        $have = json_decode(Input::text($request, 'have', '{}'), true);

        return is_array($have) ? array_filter($have, is_string(...)) : [];
    }

    /** @param array<string, mixed> $property */
    private static function withField(ScriptDocument $document, string $key, array $property, bool $required): ScriptDocument
    {
        $sheet = $document->toArray()['sheet'] + ['type' => 'object'];
        $sheet['properties'][$key] = $property;
        $all = array_values(array_diff($sheet['required'] ?? [], [$key]));
        $sheet['required'] = $required ? [...$all, $key] : $all;
        if ($sheet['required'] === []) {
            unset($sheet['required']);
        } else {
            // In the order of the fields, so that two versions compare well.
            $sheet['required'] = array_values(array_intersect(array_map(strval(...), array_keys($sheet['properties'])), $sheet['required']));
        }

        return $document->with('sheet', $sheet);
    }
}
