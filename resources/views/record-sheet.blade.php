@php
    $blank = ['key' => '', 'title' => '', 'kind' => 'text', 'description' => '', 'example' => '', 'choices' => [], 'pattern' => '', 'required' => false, 'sees' => 'staff', 'keep' => ''];
    $have = array_column($rows, 'key');
    $given = is_array(old('fields')) ? array_values(array_map(fn ($row) => [...$blank, ...array_map(fn ($v) => $v ?? '', $row), 'required' => ($row['required'] ?? '') === '1', 'choices' => is_array($row['choices'] ?? null) ? $row['choices'] : []], old('fields'))) : $rows;
@endphp
<x-layout title="Record sheet" :business="$business" :agent="$agent" here="sheet">
    <header class="head">
        <h1>Record sheet<span class="thin">, {{ $chosen?->name ?? 'what every call of '.$agent->name.' leaves' }}</span></h1>
        <div class="actions">
            <a class="button" href="{{ route('sheet.export', [$business, $agent, 'sheet' => $chosen?->key]) }}"><x-icon name="download"/> JSON Schema</a>
            <form method="post" action="{{ route('again.start', [$business, $agent]) }}">@csrf<input type="hidden" name="sheet" value="{{ $chosen?->key }}"><button type="submit" title="Shows what would change before anything does">Read {{ $calls }} past calls with it</button></form>
        </div>
        <p class="sub">
            <a href="{{ route('sheet', [$business, $agent]) }}" @if (! $chosen) aria-current="true" @endif>Main sheet</a>
            @foreach ($further as $one) · <a href="{{ route('sheet', [$business, $agent, 'sheet' => $one->key]) }}" @if ($chosen?->id === $one->id) aria-current="true" @endif>{{ $one->name }}</a>@endforeach
            @if ($again && in_array($again->status, ['queued', 'running', 'ready'], true)) · <a href="{{ route('again', [$business, $agent, $again]) }}">reading past calls: {{ $again->status === 'ready' ? 'the difference is ready' : 'under way' }}</a>@endif
        </p>
    </header>
    @error('fields')<p class="error" role="alert">{{ $message }}</p>@enderror
    <form method="post" action="{{ route('sheet.update', [$business, $agent]) }}" enctype="multipart/form-data" data-agent-form>@csrf @method('put')
        <input type="hidden" name="sheet" value="{{ $chosen?->key }}"><input type="hidden" name="version" value="{{ $version }}">
        @if ($chosen)
            <fieldset class="card sheet-for"><legend>Filled after calls that end with</legend><input type="hidden" name="ticks" value="1">
                @forelse ($outcomes->merge($chosen->outcomes)->unique() as $outcome)<x-tick name="outcomes[]" value="{{ $outcome }}" :on="in_array($outcome, $chosen->outcomes, true)">{{ $outcome }}</x-tick>@empty<p class="empty">There are no calls yet, so there are no outcomes to choose.</p>@endforelse
            </fieldset>
            <fieldset class="card sheet-for"><legend>or that are about</legend>
                @forelse ($topics + array_combine($chosen->topics, $chosen->topics) as $topic => $label)<x-tick name="topics[]" value="{{ $topic }}" :on="in_array($topic, $chosen->topics, true)">{{ $label }}</x-tick>@empty<p class="empty">The script has no listen step with topics.</p>@endforelse
                <p class="muted">Nothing ticked in either: after every call.</p>
            </fieldset>
        @endif
        <div data-list data-least="0" class="sheet-fields"><div data-items>
            @foreach ($given as $i => $row)@include('parts.sheet-field', ['i' => $i, 'row' => $row])@endforeach
        </div>
        <template data-blank data-token="__i__">@include('parts.sheet-field', ['i' => '__i__', 'row' => $blank])</template>
        @foreach (array_diff_key($suggestions, array_flip($have)) as $key => $one)<template data-blank="{{ $key }}" data-token="__i__">@include('parts.sheet-field', ['i' => '__i__', 'row' => [...$blank, 'key' => $key, ...$one]])</template>@endforeach
        <div class="go"><button type="button" class="bare add" data-add><x-icon name="plus"/> a field</button>
            <span class="muted">or one of the usual ones:</span>
            @foreach (array_slice(array_diff_key($suggestions, array_flip($have)), 0, 8, true) as $key => $one)<button type="button" class="bare add" data-add="{{ $key }}">{{ $one['title'] }}</button>@endforeach
        </div></div>
        <div class="go keep-row"><button type="submit" class="primary">Keep the sheet</button><span class="muted">{{ $chosen ? 'Version '.$chosen->version.'; older records keep theirs.' : 'Kept in the draft; it counts for calls once released.' }}</span></div>
        <details class="card"><summary>Bring in a JSON Schema</summary>
            <x-field class="wide" label="file"><input type="file" name="file" accept=".json"></x-field>
            <x-field class="wide" label="or paste it"><textarea name="json" rows="5" spellcheck="false"></textarea></x-field>
            <button type="submit">Replace the sheet with it</button>
        </details>
    </form>
    <section class="card" aria-labelledby="further-title"><h2 id="further-title">A further sheet for some calls</h2>
        <form method="post" action="{{ route('sheet.store', [$business, $agent]) }}" class="filter">@csrf<label for="s-name">Name</label><input id="s-name" name="name" placeholder="Complaint" required maxlength="80"><button type="submit">Begin it</button></form>
        @if ($chosen)<form method="post" action="{{ route('sheet.delete', [$business, $agent, $chosen]) }}">@csrf @method('delete')<button type="submit" class="danger">Take out “{{ $chosen->name }}”</button></form>
            @if ($versions->isNotEmpty())<p class="muted">Earlier versions: @foreach ($versions as $old){{ $old->version }} ({{ $old->created_at?->format('j M Y') }}, {{ count((array) ($old->schema['properties'] ?? [])) }} fields){{ $loop->last ? '' : ', ' }}@endforeach</p>@endif
        @endif
    </section>
</x-layout>
