<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Foresight\TradesOf;
use App\Models\Business;
use App\Models\OwnTrade;
use App\Support\Book\FieldType;
use App\Support\CurrentAgent;
use App\Support\Input;
use App\Support\TradeForm;
use Illuminate\Contracts\View\View;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Validation\ValidationException;
use Ringo\Document\InvalidDocument;
use Ringo\Trade\Trade;

/** Trades a business writes itself or brings in as files: what callers of such a business say, ask and are asked. */
final class TradeController
{
    private const FILE_MOST_KB = 2_048;

    public function __construct(private readonly CurrentAgent $current, private readonly TradesOf $trades)
    {
    }

    public function index(Request $request, Business $business): View
    {
        $labels = $this->trades->library($business)->labels();
        $wanted = mb_strtolower(trim(Input::text($request, 'find')));

        return view('trades', [
            'business' => $business, 'agent' => $this->current->in($business), 'own' => OwnTrade::query()->where('business_id', $business->id)->orderBy('label')->get(), 'count' => count($labels), 'find' => $wanted,
            'found' => array_filter($labels, static fn (string $label, string $key): bool => $wanted === '' || str_contains(mb_strtolower($label), $wanted) || str_contains($key, $wanted), ARRAY_FILTER_USE_BOTH),
        ]);
    }

    public function form(Request $request, Business $business, ?OwnTrade $ownTrade = null): View
    {
        $from = $request->query('from');
        $trade = $ownTrade?->trade() ?? (is_string($from) ? $this->trades->library($business)->of($from) : null);

        return view('trade', ['business' => $business, 'agent' => $this->current->in($business), 'own' => $ownTrade, 'trade' => $trade]);
    }

    public function keep(Request $request, Business $business, TradeForm $form, ?OwnTrade $ownTrade = null): RedirectResponse
    {
        $given = $request->validate(['label' => ['required', 'string', 'max:400'], 'about' => ['required', 'string', 'max:400'], 'sayings' => ['nullable', 'string', 'max:200000'], 'questions' => ['nullable', 'string', 'max:100000'], 'facts' => ['nullable', 'string', 'max:100000'], 'from' => ['nullable', 'string', 'max:40']], ['label.required' => 'What is such a business called?', 'about.required' => 'Say in a sentence what such a business does: by it agents are matched to the trade.']);
        $base = $ownTrade?->trade() ?? (isset($given['from']) ? $this->trades->library($business)->of($given['from']) : null);
        try {
            $trade = $form->trade($ownTrade->key ?? $this->freeKey($business, $given['label']), $given, $base);
        } catch (InvalidDocument $problem) {
            throw ValidationException::withMessages(['sayings' => $this->problems($problem)]);
        }
        $ownTrade = $this->store($business, $trade);

        return redirect()->route('trade', [$business, $ownTrade])->with('notice', "“{$trade->label}” is kept: ".count($trade->sayings).' sayings, '.count($trade->questions).' questions, '.count($trade->fields).' facts.');
    }

    public function import(Request $request, Business $business): RedirectResponse
    {
        $request->validate(['file' => ['required', 'file', 'max:'.self::FILE_MOST_KB]], ['file.required' => 'Choose the file of a trade.', 'file.max' => 'A trade is no larger than 2 MB.']);
        $file = $request->file('file');
        try {
            $data = json_decode($file instanceof UploadedFile ? (string) $file->get() : '', true, 32, JSON_THROW_ON_ERROR);
            $trade = Trade::read(is_array($data) && ! array_is_list($data) ? $data : throw new \JsonException('it holds no object'));
        } catch (\JsonException $problem) {
            throw ValidationException::withMessages(['file' => "This is no JSON document of a trade: {$problem->getMessage()}. Nothing was brought in."]);
        } catch (InvalidDocument $problem) {
            throw ValidationException::withMessages(['file' => $this->problems($problem)]);
        }
        $known = OwnTrade::withTrashed()->where('business_id', $business->id)->where('key', $trade->key)->exists();
        $own = $this->store($business, $trade);

        return redirect()->route('trade', [$business, $own])->with('notice', "“{$trade->label}” is brought in".($known ? ', in place of the one of that key' : '').'.');
    }

    public function export(Business $business, string $key): JsonResponse
    {
        $trade = $this->trades->library($business)->of($key) ?? abort(404, 'There is no such trade.');

        return response()->json($trade->toArray(), 200, ['Content-Disposition' => "attachment; filename=\"{$key}.json\""], JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
    }

    public function destroy(Business $business, OwnTrade $ownTrade): RedirectResponse
    {
        $ownTrade->delete();

        return redirect()->route('trades', $business)->with('undo', ['text' => "“{$ownTrade->label}” is taken out. Agents matched to it fall to the nearest others.", 'action' => route('trade.restore', [$business, $ownTrade])]);
    }

    public function restore(Business $business, OwnTrade $ownTrade): RedirectResponse
    {
        $ownTrade->restore();

        return redirect()->route('trade', [$business, $ownTrade])->with('notice', "“{$ownTrade->label}” is back.");
    }

    private function store(Business $business, Trade $trade): OwnTrade
    {
        $own = OwnTrade::withTrashed()->updateOrCreate(['business_id' => $business->id, 'key' => $trade->key], ['label' => $trade->label, 'document' => json_encode($trade->toArray(), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE)]);
        $own->restore();

        return $own;
    }

    /** @return list<string> */
    private function problems(InvalidDocument $problem): array
    {
        return array_map(static fn (array $one): string => ($one['path'] === '' ? '' : $one['path'].': ').$one['message'], array_slice($problem->problems, 0, 6));
    }

    private function freeKey(Business $business, string $label): string
    {
        $base = substr(str_replace('_', '-', FieldType::key($label)), 0, 36) ?: 'trade';
        $taken = $this->trades->library($business)->labels();
        for ($key = $base, $n = 2; isset($taken[$key]); $n++) {
            $key = $base.'-'.$n;
        }

        return $key;
    }
}
