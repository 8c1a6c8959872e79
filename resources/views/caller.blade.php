@php $new = ! $contact->exists; $plan = app(\Ringo\Numbering\NumberingPlan::class); @endphp
<x-layout :title="$new ? 'New caller' : $contact->name" :business="$business" :agent="$agent" here="callers">
    <header class="head"><h1>{{ $new ? 'New caller' : $contact->name }}</h1><p class="sub"><a href="{{ route('callers', $business) }}">All callers</a>@unless ($new), {{ $contact->kind }}{{ $contact->organisation !== '' ? ' of '.$contact->organisation : '' }}@endunless</p></header>
    @if ($errors->any())<ul class="problems" role="alert">@foreach ($errors->all() as $error)<li>{{ $error }}</li>@endforeach</ul>@endif
    <div class="starter-body">
        <form method="post" action="{{ $new ? route('caller.store', $business) : route('caller.update', [$business, $contact]) }}" class="card agent-form">@csrf @unless ($new) @method('put') @endunless
            <div class="inline-fields">
                <x-field label="name"><input name="name" value="{{ old('name', $contact->name) }}" required></x-field>
                <x-field label="is"><x-choice name="kind" :of="['person' => 'a person', 'organisation' => 'an organisation']" :chosen="old('kind', $contact->kind)"/></x-field>
                <x-field label="organisation"><input name="organisation" value="{{ old('organisation', $contact->organisation) }}"></x-field>
                <x-field label="e-mail"><input name="email" type="email" value="{{ old('email', $contact->email) }}"></x-field>
                <x-field class="narrow" label="language"><input name="language" maxlength="8" value="{{ old('language', $contact->language) }}"></x-field>
            </div>
            <div class="pair-fields"><x-field class="wide" label="numbers" hint="one a line, in national form or with +"><textarea name="numbers" rows="2">{{ old('numbers', $new ? '' : $contact->numbers->map(fn ($n) => $plan->describe($n->e164)?->country === $business->country ? $plan->describe($n->e164)->inNationalFormat() : $n->e164)->implode("\n")) }}</textarea></x-field>
                <x-field class="wide" label="notes"><textarea name="notes" rows="2">{{ old('notes', $contact->notes) }}</textarea></x-field></div>
            <div class="inline-fields">@foreach ($columns as $column)<x-field :label="$column->title">@if ($column->type === 'yes_no')<x-choice name="facts[{{ $column->key }}]" :of="['yes' => 'yes', 'no' => 'no']" :chosen="old('facts.'.$column->key, $contact->facts[$column->key] ?? '')" none=""/>@else<input name="facts[{{ $column->key }}]" type="{{ $column->type === 'date' ? 'date' : 'text' }}" value="{{ old("facts.{$column->key}", $contact->facts[$column->key] ?? '') }}">@endif</x-field>@endforeach
                @foreach (array_diff_key($contact->facts, $columns->keyBy('key')->all()) as $fact => $value)<input type="hidden" name="facts[{{ $fact }}]" value="{{ $value }}">@endforeach</div>
            <div class="inline-fields">
                <x-field label="tags" hint="commas between"><input name="tags" value="{{ old('tags', implode(', ', $contact->tags ?? [])) }}"></x-field>
                <x-field label="consent to be called, given on"><input type="date" name="consent_on" value="{{ old('consent_on', $contact->consent_on?->format('Y-m-d')) }}"></x-field>
                <x-field label="PIN" :hint="$contact->pin_hash ? 'one is set; never shown' : 'none set'"><input name="pin" inputmode="numeric" autocomplete="off" placeholder="{{ $contact->pin_hash ? '••••' : '' }}"></x-field>
                <x-tick name="do_not_call" value="1" :on="old('do_not_call', $contact->do_not_call)">not to be called</x-tick>
                <x-tick name="blocked" value="1" :on="old('blocked', $contact->blocked)">blocked</x-tick>
                @if ($contact->locked_until?->isFuture())<x-tick name="unlock" value="1">unlock (tries used up until {{ $contact->locked_until->setTimezone($business->tz)->format('H:i') }})</x-tick>@endif
            </div>
            <p><button class="primary">Keep</button></p>
        </form>
        @unless ($new)
        <aside>
            @foreach ($changes->where('state', 'proposed') as $change)
                <form method="post" action="{{ route('caller.decide', [$business, $contact, $change]) }}" class="card">@csrf<p>A call heard: {{ str_replace('_', ' ', $change->field) }} is <strong>{{ $change->to }}</strong>@if ($change->from), not {{ $change->from }}@endif.</p><p class="go"><button name="accept" value="1">Take it over</button> <button name="accept" value="0">Leave it</button></p></form>
            @endforeach
            <section class="card"><h2>Calls</h2>@forelse ($calls as $call)<a class="line" href="{{ route('call', [$business, $call]) }}"><span class="what">{{ $call->placedAt()->format('j M, H:i') }}</span><span class="why">{{ $call->outcome }}</span></a>@empty<p class="empty">None yet.</p>@endforelse</section>
            <section class="card"><h2>History</h2>@forelse ($changes->where('state', '!=', 'proposed') as $change)<p class="history">{{ $change->created_at?->setTimezone($business->tz)->format('j M Y') }}: {{ str_replace('_', ' ', $change->field) }} {{ $change->from !== null ? '“'.$change->from.'” became' : 'became' }} “{{ $change->to }}” <span class="muted">{{ $change->state }}</span></p>@empty<p class="empty">Nothing has changed yet.</p>@endforelse</section>
            <section class="card"><h2>Merge</h2><form method="post" action="{{ route('caller.merge', [$business, $contact]) }}" class="stack">@csrf<x-field label="take in, with numbers and calls">@if ($alike->isNotEmpty())<x-choice name="from" :of="collect($alike)->mapWithKeys(static fn ($one) => [$one->id => $one->name.($one->organisation ? ', '.$one->organisation : '')])"/>@else<input name="from" placeholder="name or telephone number" autocomplete="off">@endif</x-field><button>Merge into {{ $contact->name }}</button></form></section>
            <section class="card"><h2>Erase</h2><form method="post" action="{{ route('caller.erase', [$business, $contact]) }}" class="stack">@csrf @method('delete')<p class="muted">Name, numbers and facts go, and the words of {{ $calls->count() === 1 ? '1 call' : $calls->count().' calls' }}. The calls stay for the figures. This cannot be undone.</p><x-tick name="sure" value="1">it may be erased</x-tick><button class="danger">Erase {{ $contact->name }}</button></form></section>
        </aside>
        @endunless
    </div>
</x-layout>
