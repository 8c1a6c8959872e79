@php
    $days = ['mon' => 'Monday', 'tue' => 'Tuesday', 'wed' => 'Wednesday', 'thu' => 'Thursday', 'fri' => 'Friday', 'sat' => 'Saturday', 'sun' => 'Sunday'];
    $share = ['first' => 'whoever stands first', 'in_turn' => 'in turn', 'least_booked' => 'whoever has least', 'same' => 'the same one as last time, else in turn'];
    $places = ['here' => 'here', 'visit' => 'at the caller’s', 'phone' => 'by telephone'];
    $hours = fn (array $week, string $day): string => implode(', ', $week[$day] ?? []);
@endphp
<x-layout title="Services and diaries" :business="$business" :agent="$agent" here="diary">
    <header class="head"><h1>Services and diaries</h1><p class="sub"><a href="{{ route('diary', $business) }}">Diary</a> · what can be booked, with whom and when</p><div class="actions"><a class="button" href="{{ route('diary.export', $business) }}"><x-icon name="download"/> File</a><a class="button" href="{{ route('diary.ask', $business) }}">Ask the diary</a></div></header>
    @if ($errors->any())<ul class="problems" role="alert">@foreach ($errors->all() as $error)<li>{{ $error }}</li>@endforeach</ul>@endif
    <div class="release-body">
        <div class="set-up">
            <section class="card" aria-labelledby="hours-title"><h2 id="hours-title">Open, closed, and the roads</h2>
                <form method="post" action="{{ route('diary.business', $business) }}" data-preview="{{ route('diary.preview', $business) }}">@csrf @method('put')
                    <div class="inline-fields">@foreach ($days as $day => $name)<label class="field-label"><span>{{ $name }}</span><input name="hours[{{ $day }}]" value="{{ old("hours.{$day}", $hours($document['hours'], $day)) }}" placeholder="closed" size="12"></label>@endforeach</div>
                    <div class="inline-fields"><label class="field-label"><span>closed on <small>a day or “day to day” a line</small></span><textarea name="closures" rows="3">{{ old('closures', \App\Support\DiaryForm::linesOfDays($document['closures'])) }}</textarea></label>
                        <label class="field-label"><span>minutes on the road <small>north, south: 25</small></span><textarea name="travel" rows="3">{{ old('travel', implode("\n", array_map(fn ($pair) => "{$pair[0]}, {$pair[1]}: {$pair[2]}", $document['travel']['pairs'] ?? []))) }}</textarea></label>
                        <label class="field-label narrow"><span>else</span><input type="number" name="travel_default" min="0" max="1440" value="{{ old('travel_default', $document['travel']['default'] ?? 0) }}"></label>
                        <label class="field-label"><span>who takes it, where several could</span><select name="share">@foreach ($share as $value => $words)<option value="{{ $value }}" @selected($document['share'] === $value)>{{ $words }}</option>@endforeach</select></label></div>
                    <div class="go"><button class="primary">Keep</button></div></form></section>
            <section class="card" aria-labelledby="services-title"><h2 id="services-title">Services</h2>
                @foreach ([...$services->all(), null] as $service)@php $one = $service->document ?? []; @endphp
                <details class="team" @if ($service === null && $services->isEmpty()) open @endif><summary>@if ($service)<strong>{{ $one['label'] }}</strong> <span class="muted">{{ $one['minutes'] }} min, {{ $places[$one['place'] ?? 'here'] }}, every {{ $one['step'] ?? 30 }} min</span>@else<x-icon name="plus"/> A new service @endif</summary>
                    <form method="post" action="{{ $service ? route('service.update', [$business, $service]) : route('service.store', $business) }}">@csrf @if ($service) @method('put')@endif
                        <div class="inline-fields"><label class="field-label"><span>said as</span><input name="label" value="{{ $one['label'] ?? '' }}" placeholder="a tuning" required></label>
                            @foreach (['minutes' => ['minutes', 30], 'before' => ['free before', 0], 'after' => ['free after', 0], 'step' => ['starts every', 30], 'notice_hours' => ['hours’ notice', 0], 'ahead_days' => ['days ahead', 60], 'places' => ['places', 1]] as $name => [$words, $usual])<label class="field-label narrow"><span>{{ $words }}</span><input type="number" name="{{ $name }}" min="0" value="{{ $one[$name] ?? $usual }}"></label>@endforeach
                            <label class="field-label"><span>where</span><select name="place">@foreach ($places as $value => $words)<option value="{{ $value }}" @selected(($one['place'] ?? 'here') === $value)>{{ $words }}</option>@endforeach</select></label></div>
                        <div class="go"><button class="primary">Keep</button></div></form>
                    @if ($service)<form method="post" action="{{ route('service.delete', [$business, $service]) }}">@csrf @method('delete')<button class="danger">Take it out</button></form>@endif</details>@endforeach</section>
            <section class="card" aria-labelledby="diaries-title"><h2 id="diaries-title">Diaries</h2>
                @foreach ([...$diaries->all(), null] as $diary)@php $one = $diary->document ?? []; @endphp
                <details class="team"><summary>@if ($diary)<strong>{{ $diary->name }}</strong> <span class="muted">{{ implode(', ', $one['services'] ?? []) ?: 'takes nothing yet' }}{{ isset($one['base']) ? ', from '.$one['base'] : '' }}@if ($diary->busy_count), {{ $diary->busy_count }} busy times from elsewhere @endif</span>@else<x-icon name="plus"/> A new diary @endif</summary>
                    <form method="post" action="{{ $diary ? route('diary.update', [$business, $diary]) : route('diary.store', $business) }}">@csrf @if ($diary) @method('put')@endif
                        <div class="inline-fields"><label class="field-label"><span>whose</span><input name="name" value="{{ $diary->name ?? '' }}" required></label><label class="field-label"><span>begins the day in</span><input name="base" value="{{ $one['base'] ?? '' }}"></label><label class="field-label narrow"><span>most a day</span><input type="number" name="most_a_day" min="1" value="{{ $one['most_a_day'] ?? '' }}"></label><label class="field-label"><span>breaks every day</span><input name="breaks" value="{{ implode(', ', $one['breaks']['daily'] ?? []) }}" placeholder="12:30-13:15"></label></div>
                        <fieldset class="inline-fields"><legend>takes</legend>@foreach ($services as $service)<label class="check"><input type="checkbox" name="services[]" value="{{ $service->key }}" @checked(in_array($service->key, $one['services'] ?? [], true))> {{ $service->document['label'] }}</label>@endforeach</fieldset>
                        <fieldset class="inline-fields"><legend>own hours, in place of the business’s <small>none: the business’s</small></legend>@foreach ($days as $day => $name)<label class="field-label"><span>{{ $name }}</span><input name="hours[{{ $day }}]" value="{{ $hours($one['hours'] ?? [], $day) }}" size="12"></label>@endforeach</fieldset>
                        <label class="field-label"><span>days off <small>a day or “day to day” a line</small></span><textarea name="off" rows="2">{{ \App\Support\DiaryForm::linesOfDays($one['off'] ?? []) }}</textarea></label>
                        <div class="go"><button class="primary">Keep</button></div></form>
                    @if ($diary)
                        <p class="muted">To subscribe to: <code>{{ route('diary.feed', $diary->feed) }}</code></p>
                        <form method="post" action="{{ route('diary.calendar', [$business, $diary]) }}" class="inline-fields">@csrf<label class="field-label wide"><span>busy times fetched from <small>an iCalendar address, every quarter of an hour</small></span><input name="calendar_url" type="url" maxlength="500" value="{{ old('calendar_url', $diary->calendar_url) }}" placeholder="https://"></label><button>{{ $diary->calendar_url ? 'Keep and fetch now' : 'Fetch it' }}</button></form>
                        @if ($diary->calendar_url)<p class="{{ $diary->calendar_problem === '' ? 'muted' : 'error' }}">{{ $diary->calendar_at ? 'Came in '.$diary->calendar_at->diffForHumans().'.' : 'Never came in.' }} {{ $diary->calendar_problem }}</p>@endif
                        <div class="go"><form method="post" action="{{ route('diary.feed.new', [$business, $diary]) }}">@csrf<button>A new address</button></form>
                            <form method="post" action="{{ route('diary.busy', [$business, $diary]) }}" enctype="multipart/form-data" class="inline-fields">@csrf<label class="field-label"><span>busy times from an iCalendar file</span><input type="file" name="file" accept=".ics,text/calendar" required></label><button>Take them over</button></form>
                            <form method="post" action="{{ route('diary.delete', [$business, $diary]) }}">@csrf @method('delete')<button class="danger">Take it out</button></form></div>
                    @endif</details>@endforeach</section>
        </div>
        <section class="card" aria-labelledby="next-title"><h2 id="next-title">The next free times <small>while you write</small></h2><div data-next>@include('parts.next-free')</div></section>
    </div>
</x-layout>
