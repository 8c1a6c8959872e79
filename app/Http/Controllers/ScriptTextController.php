<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Design\DraftMoved;
use App\Actions\Design\EditDraft;
use App\Models\Agent;
use App\Models\Business;
use App\Models\User;
use App\Support\Book\BookView;
use App\Support\CurrentAgent;
use App\Support\Input;
use Illuminate\Contracts\View\View;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Ringo\Design\ScriptDocument;
use Ringo\Document\InvalidDocument;
use Ringo\Document\JsonPlaces;
use Ringo\Inspection\Finding;
use Ringo\Inspection\Inspector;

/** The text of a draft: the same script as the prompt book shows, as JSON, with what is wrong at its line and column. */
final class ScriptTextController
{
    public function __construct(private readonly CurrentAgent $current, private readonly Inspector $inspector, private readonly BookView $book)
    {
    }

    public function show(Business $business, Agent $agent): View
    {
        $this->current->remember($agent);

        return view('script-text', ['business' => $business, 'agent' => $agent, 'text' => $agent->draft->scriptText->document()->toJson(), 'version' => $agent->draft->version]);
    }

    /** What is wrong with a text that is not kept yet. */
    public function check(Request $request, Business $business, Agent $agent): JsonResponse
    {
        $text = Input::text($request, 'text');
        try {
            return response()->json(['problems' => [], ...$this->found($agent, ScriptDocument::fromJson($text), $text)]);
        } catch (InvalidDocument $problem) {
            return response()->json(['problems' => $this->placed($problem, $text), 'findings' => [], 'count' => '']);
        }
    }

    public function update(Request $request, Business $business, Agent $agent, EditDraft $edit): JsonResponse
    {
        $this->current->remember($agent);
        $text = Input::text($request, 'text');
        /** @var User $user */
        $user = $request->user();
        try {
            $document = ScriptDocument::fromJson($text);
            [$draft] = $edit->apply($agent, Input::number($request, 'version'), 'changed the text', [], static fn (): ScriptDocument => $document, $user);
        } catch (InvalidDocument $problem) {
            return response()->json(['message' => 'The text is not kept: it would be no script. What you wrote is still here.', 'problems' => $this->placed($problem, $text)], 422);
        } catch (DraftMoved $moved) {
            return response()->json(['message' => $moved->getMessage().' Copy what you need, then reload the page.', 'changes' => array_map(static fn ($change): string => $change->words, array_slice($moved->changes, 0, 5))], 409);
        }
        $kept = $draft->scriptText->document()->toJson();

        return response()->json(['version' => $draft->version, 'text' => $kept, 'problems' => [], ...$this->found($agent, $document, $kept)]);
    }

    /** @return array{findings: list<array{severity: string, step: ?string, message: string, line: int}>, count: string} */
    private function found(Agent $agent, ScriptDocument $document, string $text): array
    {
        $places = JsonPlaces::of($text);
        $order = array_flip(array_map(strval(...), array_keys($document->script->steps)));
        $findings = $this->inspector->inspect($document, $agent->surroundings());

        return [
            'findings' => array_map(static fn (Finding $finding): array => [
                'severity' => $finding->severity->value, 'step' => $finding->step, 'message' => $finding->message,
                'line' => $places->at($finding->step === null ? 'agent' : 'steps['.($order[$finding->step] ?? 0).']')['line'],
            ], $findings),
            'count' => $this->book->count($findings),
        ];
    }

    /** @return list<array{line: int, column: int, path: string, message: string}> */
    private function placed(InvalidDocument $problem, string $text): array
    {
        $places = JsonPlaces::of($text);

        return array_map(static function (array $one) use ($places): array {
            if (preg_match('/^line (\d+), column (\d+)$/', $one['path'], $m) === 1) {
                return ['line' => (int) $m[1], 'column' => (int) $m[2], 'path' => '', 'message' => $one['message']];
            }

            return [...$places->at($one['path']), 'path' => $one['path'], 'message' => $one['message']];
        }, array_slice($problem->problems, 0, 50));
    }
}
