<x-layout title="Import" :business="$business" :agent="null" here="agents">
    <header class="head"><h1>What {{ $file }} would make</h1><p class="sub">Nothing is made yet.</p></header>
    <div class="starter-body">
        <section class="card">
            <dl class="facts">
                <div><dt>Agent</dt><dd>{{ $script->agent->name }}, {{ $script->agent->direction === 'outbound' ? 'places calls' : 'answers calls' }} for {{ $script->agent->business }}</dd></div>
                <div><dt>Steps</dt><dd>{{ count($script->steps) }}: {{ implode(', ', array_slice(array_keys($script->steps), 0, 12)) }}{{ count($script->steps) > 12 ? ' …' : '' }}</dd></div>
                <div><dt>Record sheet</dt><dd>{{ count($script->sheet->fields) }} fields: {{ implode(', ', array_map(fn ($f) => $f->title, array_slice(array_values($script->sheet->fields), 0, 10))) }}</dd></div>
                <div><dt>Standing replies</dt><dd>{{ count($script->standing->replies) }}</dd></div>
                <div><dt>Voice</dt><dd>{{ $script->agent->voice['engine'] }} {{ $script->agent->voice['name'] }}</dd></div>
                <div><dt>Findings</dt><dd>{{ app(\App\Support\Book\BookView::class)->count($findings) }}</dd></div>
            </dl>
            @if ($taken)<p class="doubt-line">{{ $business->name }} has an agent called {{ $script->agent->name }} already: give this one another name.</p>@endif
            @if ($script->agent->business !== $business->name)<p class="doubt-line">The file was made for {{ $script->agent->business }}. Recordings and knowledge of that business are not in it.</p>@endif
        </section>
        <aside>
            <form method="post" action="{{ route('agent.import', $business) }}" class="card stack">@csrf
                <x-field label="name, as callers hear it"><input name="name" required maxlength="60" value="{{ old('name', $free) }}"></x-field>
                @error('name')<p class="error" role="alert">{{ $message }}</p>@enderror
                <x-tick name="fit" value="1" :on="$script->agent->business !== $business->name">put {{ $business->name }}, its country and time zone in place of {{ $script->agent->business }}</x-tick>
                <button class="primary">Make the agent</button> <a href="{{ route('agent.new', $business) }}">Leave it</a>
            </form>
        </aside>
    </div>
</x-layout>
