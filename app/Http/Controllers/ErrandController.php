<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Errands\DescribedErrands;
use App\Actions\Errands\KeepErrand;
use App\Actions\Errands\KeepTable;
use App\Actions\Errands\RunErrand;
use App\Models\Business;
use App\Models\Errand;
use App\Models\ErrandRun;
use App\Models\ErrandTable;
use App\Models\StandIn;
use App\StandIns\Systems;
use App\Support\AtOnce;
use App\Support\Book\Form;
use App\Support\CurrentAgent;
use App\Support\ErrandForm;
use App\Support\ErrandPage;
use App\Support\Input;
use App\Support\YamlText;
use Illuminate\Contracts\View\View;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;
use Ringo\Document\InvalidDocument;
use Ringo\Errand\OpenApi\Conformity;
use Ringo\Errand\OpenApi\Writer;

/** What agents look up and have done in other systems: designed, tried, and the answers kept to try things on. */
final class ErrandController
{
    public function __construct(private readonly CurrentAgent $current)
    {
    }

    public function index(Business $business, ErrandPage $page): View
    {
        return view('errands', [
            'business' => $business, 'agent' => $this->current->in($business), 'errands' => $business->errands()->get(), 'tables' => $business->errandTables()->get(),
            'uses' => $page->uses($business), 'figures' => $page->figures($business),
            'systems' => array_map(static fn (\App\StandIns\System $system, string $name): array => ['name' => $name, 'called' => $system->called(), 'state' => Systems::state($name, $system)], $systems = Systems::at(...($business->errand_hosts ?? [])), array_keys($systems)),
            'described' => session('described', []), 'description' => session('description', ''),
        ]);
    }

    public function create(Business $business): View
    {
        return view('errand', ['with' => null, 'business' => $business, 'agent' => $this->current->in($business), 'errand' => null, 'design' => ['reach' => 'request', 'seconds' => 4, 'parameters' => [], 'answer' => ['values' => []]], 'uses' => [], 'runs' => [], 'read' => null, 'spoken' => []]);
    }

    public function show(Request $request, Business $business, Errand $errand, ErrandPage $page): View
    {
        $run = ErrandRun::query()->where('business_id', $business->id)->where('errand', $errand->key)->find((int) $request->query('run', '0'));

        return view('errand', ['with' => $run instanceof ErrandRun ? $run->values : null, 'business' => $business, 'agent' => $this->current->in($business), 'errand' => $errand, 'design' => $errand->design, 'uses' => $page->uses($business)[$errand->key] ?? [], 'runs' => ErrandRun::query()->where('business_id', $business->id)->where('errand', $errand->key)->with('call')->latest('id')->limit(12)->get()] + $page->kept($errand));
    }

    public function store(Request $request, Business $business, KeepErrand $keep): RedirectResponse
    {
        return $this->kept($request, $business, $keep, null);
    }

    public function update(Request $request, Business $business, Errand $errand, KeepErrand $keep): RedirectResponse
    {
        return $this->kept($request, $business, $keep, $errand);
    }

    public function destroy(Business $business, Errand $errand): RedirectResponse
    {
        $errand->delete();
        AtOnce::Errands->note($business, "“{$errand->key}” taken out");

        return redirect()->route('errands', $business)->with('undo', ['text' => "“{$errand->key}” is taken out. Steps that run it go the way of a failure.", 'action' => route('errand.restore', [$business, $errand])]);
    }

    public function restore(Business $business, Errand $errand): RedirectResponse
    {
        $errand->restore();
        AtOnce::Errands->note($business, "“{$errand->key}” put back");

        return redirect()->route('errand', [$business, $errand])->with('notice', 'It is back.');
    }

    /** Runs it with the values typed, and keeps the answer to try things on. */
    public function run(Request $request, Business $business, Errand $errand, RunErrand $runner, ErrandPage $page): RedirectResponse
    {
        $given = (array) $request->input('given', []);
        [$values, $problems] = $page->typed($errand, $given);
        if ($problems !== []) {
            throw ValidationException::withMessages(['run' => implode(' ', $problems)]);
        }
        $came = $runner->run($errand, $values, 'try-'.Str::ulid());
        if ($came->body !== '' || $came->status !== 0) {
            $errand->update(['kept' => ['values' => $given, 'status' => $came->status, 'body' => $came->body, 'milliseconds' => $came->milliseconds, 'at' => now()->format('c')]]);
        }

        return redirect()->route('errand', [$business, $errand])->with('ran', ['status' => $came->reply->status, 'reason' => $came->reply->reason, 'milliseconds' => $came->milliseconds, 'rows' => $came->reply->rows, 'table' => $came->status === 0]);
    }

    /** Keeps an answer written by hand. */
    public function answer(Request $request, Business $business, Errand $errand): RedirectResponse
    {
        $given = $request->validate(['status' => ['required', 'integer', 'between:100,599'], 'body' => ['nullable', 'string', 'max:262144']]);
        $errand->update(['kept' => ['values' => $errand->kept['values'] ?? [], 'status' => (int) $given['status'], 'body' => (string) ($given['body'] ?? ''), 'milliseconds' => $errand->kept['milliseconds'] ?? 0, 'at' => now()->format('c')]]);

        return redirect()->route('errand', [$business, $errand])->with('notice', 'The answer is kept. Below is what the errand reads from it.');
    }

    public function hosts(Request $request, Business $business): RedirectResponse
    {
        $hosts = [];
        foreach (preg_split('/[\s,]+/', strtolower(Input::text($request, 'hosts'))) ?: [] as $host) {
            if ($host !== '' && preg_match('/^(?=.{1,200}$)[a-z0-9](?:[a-z0-9.-]*[a-z0-9])?$/', $host) !== 1) {
                throw ValidationException::withMessages(['hosts' => "“{$host}” is no host; write yard.pellbrook.example, without https:// and without a path."]);
            }
            $hosts[] = $host;
        }
        $business->update(['errand_hosts' => array_values(array_unique(array_filter($hosts)))]);
        AtOnce::Errands->note($business, 'hosts that may be asked changed');

        return redirect()->route('errands', $business)->with('notice', 'The hosts are kept.');
    }

    public function standIn(Request $request, Business $business, string $system): RedirectResponse
    {
        $given = $request->validate(['mode' => ['required', 'in:'.implode(',', array_keys(StandIn::MODES))], 'slow_ms' => ['nullable', 'integer', 'between:0,20000']]);
        $one = Systems::at(...($business->errand_hosts ?? []))[$system] ?? abort(404);
        Systems::state($system, $one)->update(['mode' => $given['mode'], 'slow_ms' => (int) ($given['slow_ms'] ?? 3000)]);

        return redirect()->route('errands', $business)->with('notice', "{$one->called()} ".StandIn::MODES[$given['mode']].' now.');
    }

    public function table(Request $request, Business $business, KeepTable $keep): RedirectResponse
    {
        $request->validate(['file' => ['required', 'file', 'max:20480'], 'name' => ['nullable', 'string', 'max:60']], ['file.*' => 'Choose a CSV or XLSX file of up to 20 MB.']);
        /** @var UploadedFile $file */
        $file = $request->file('file');
        try {
            $table = $keep->of($business, Input::text($request, 'name'), $file->getClientOriginalName(), $file->getRealPath());
        } catch (\DomainException $problem) {
            throw ValidationException::withMessages(['file' => $problem->getMessage()]);
        }
        AtOnce::Errands->note($business, "table “{$table->name}” brought in");

        return redirect()->route('errands', $business)->with('notice', "“{$table->name}” is kept: ".count($table->rows).' rows with '.implode(', ', $table->columns).'.');
    }

    public function dropTable(Business $business, ErrandTable $errandTable): RedirectResponse
    {
        $errandTable->delete();
        AtOnce::Errands->note($business, "table “{$errandTable->name}” taken out");

        return redirect()->route('errands', $business)->with('notice', "“{$errandTable->name}” and its ".count($errandTable->rows).' rows are gone; bring the file in again to have it back.');
    }

    /** Reads what a system tells of itself, and shows what it can do. */
    public function described(Request $request, Business $business, DescribedErrands $described): RedirectResponse
    {
        $request->validate(['file' => ['nullable', 'file', 'max:5120'], 'url' => ['nullable', 'string', 'max:500']], ['file.*' => 'Choose a JSON or YAML file of up to 5 MB.']);
        $file = $request->file('file');
        try {
            $text = YamlText::json($file instanceof UploadedFile ? (string) $file->get() : $described->fetch($business, trim(Input::text($request, 'url'))));
            $operations = $described->operations($text, Input::text($request, 'url'));
        } catch (\DomainException $problem) {
            throw ValidationException::withMessages(['description' => $problem->getMessage()]);
        }

        return redirect()->route('errands', $business)->with('described', $operations)->with('description', $text)->with('description_faults', (new Conformity)->faults($text))->with('described_from', Input::text($request, 'url'))->withFragment('described');
    }

    /** Makes an errand of one operation of a description. */
    public function take(Request $request, Business $business, DescribedErrands $described): RedirectResponse
    {
        try {
            $errand = $described->take($business, Input::text($request, 'description'), Input::text($request, 'operation'), Input::text($request, 'from'));
        } catch (\DomainException|InvalidDocument $problem) {
            throw ValidationException::withMessages(['description' => $problem->getMessage()]);
        }
        AtOnce::Errands->note($business, "“{$errand->key}” made from a description");

        return redirect()->route('errand', [$business, $errand])->with('notice', 'Made from the description, with an answer made up from it. Say in plain words what it is for, and take out what is not needed.');
    }

    public function export(Business $business): JsonResponse
    {
        return response()->json((new Writer)->document($business->name, $business->errandDesigns()), 200, ['Content-Disposition' => "attachment; filename=\"{$business->key}-errands.openapi.json\""], JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_PRETTY_PRINT);
    }

    private function kept(Request $request, Business $business, KeepErrand $keep, ?Errand $errand): RedirectResponse
    {
        /** @var array<array-key, mixed> $sent */
        $sent = $request->all();
        try {
            $kept = $keep->of($business, $errand, ErrandForm::design(new Form($sent)), $request->filled('secret') ? Input::text($request, 'secret') : null);
        } catch (InvalidDocument $problem) {
            throw ValidationException::withMessages(['design' => array_map(static fn (array $one): string => ($one['path'] === '' ? '' : "{$one['path']}: ").$one['message'].'.', $problem->problems)]);
        }
        AtOnce::Errands->note($business, "“{$kept->key}” ".($errand === null ? 'added' : 'changed'));

        return redirect()->route('errand', [$business, $kept])->with('notice', $errand === null ? 'The errand is kept. Try it on the right.' : 'Kept.');
    }
}
