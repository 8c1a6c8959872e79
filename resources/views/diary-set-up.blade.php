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
                    <div class="inline-fields">@foreach ($days as $day => $name)<x-field :label="$name"><input name="hours[{{ $day }}]" value="{{ old("hours.{$day}", $hours($document['hours'], $day)) }}" placeholder="closed" size="12"></x-field>@endforeach</div>
                    <div class="inline-fields"><x-field label="closed on" hint="a day or “day to day” a line"><textarea name="closures" rows="3">{{ old('closures', \App\Support\DiaryForm::linesOfDays($document['closures'])) }}</textarea></x-field>
                        <x-field label="minutes on the road" hint="north, south: 25"><textarea name="travel" rows="3">{{ old('travel', implode("\n", array_map(fn ($pair) => "{$pair[0]}, {$pair[1]}: {$pair[2]}", $document['travel']['pairs'] ?? []))) }}</textarea></x-field>
                        <x-field class="narrow" label="else"><input type="number" name="travel_default" min="0" max="1440" value="{{ old('travel_default', $document['travel']['default'] ?? 0) }}"></x-field>
                        <x-field label="who takes it, where several could"><x-choice name="share" :of="$share" :chosen="$document['share']"/></x-field></div>
                    <div class="go"><button class="primary">Keep</button></div></form></section>
            <section class="card" aria-labelledby="services-title"><h2 id="services-title">Services</h2>
                @foreach ([...$services->all(), null] as $service)@php $one = $service->document ?? []; @endphp
                <details class="team" @if ($service === null && $services->isEmpty()) open @endif><summary>@if ($service)<strong>{{ $one['label'] }}</strong> <span class="muted">{{ $one['minutes'] }} min, {{ $places[$one['place'] ?? 'here'] }}, every {{ $one['step'] ?? 30 }} min</span>@else<x-icon name="plus"/> A new service @endif</summary>
                    <form method="post" action="{{ $service ? route('service.update', [$business, $service]) : route('service.store', $business) }}">@csrf @if ($service) @method('put')@endif
                        <div class="inline-fields"><x-field label="said as"><input name="label" value="{{ $one['label'] ?? '' }}" placeholder="a tuning" required></x-field>
                            @foreach (['minutes' => ['minutes', 30], 'before' => ['free before', 0], 'after' => ['free after', 0], 'step' => ['starts every', 30], 'notice_hours' => ['hours’ notice', 0], 'ahead_days' => ['days ahead', 60], 'places' => ['places', 1]] as $name => [$words, $usual])<x-field class="narrow" :label="$words"><input type="number" name="{{ $name }}" min="0" value="{{ $one[$name] ?? $usual }}"></x-field>@endforeach
                            <x-field label="where"><x-choice name="place" :of="$places" :chosen="($one['place'] ?? 'here')"/></x-field></div>
                        <div class="go"><button class="primary">Keep</button></div></form>
                    @if ($service)<form method="post" action="{{ route('service.delete', [$business, $service]) }}">@csrf @method('delete')<button class="danger">Take it out</button></form>@endif</details>@endforeach</section>
            <section class="card" aria-labelledby="diaries-title"><h2 id="diaries-title">Diaries</h2>
                @foreach ([...$diaries->all(), null] as $diary)@php $one = $diary->document ?? []; @endphp
                <details class="team"><summary>@if ($diary)<strong>{{ $diary->name }}</strong> <span class="muted">{{ implode(', ', $one['services'] ?? []) ?: 'takes nothing yet' }}{{ isset($one['base']) ? ', from '.$one['base'] : '' }}@if ($diary->busy_count), {{ $diary->busy_count }} busy times from elsewhere @endif</span>@else<x-icon name="plus"/> A new diary @endif</summary>
                    <form method="post" action="{{ $diary ? route('diary.update', [$business, $diary]) : route('diary.store', $business) }}">@csrf @if ($diary) @method('put')@endif
                        <div class="inline-fields"><x-field label="whose"><input name="name" value="{{ $diary->name ?? '' }}" required></x-field><x-field label="begins the day in"><input name="base" value="{{ $one['base'] ?? '' }}"></x-field><x-field class="narrow" label="most a day"><input type="number" name="most_a_day" min="1" value="{{ $one['most_a_day'] ?? '' }}"></x-field><x-field label="breaks every day"><input name="breaks" value="{{ implode(', ', $one['breaks']['daily'] ?? []) }}" placeholder="12:30-13:15"></x-field></div>
                        <fieldset class="inline-fields"><legend>takes</legend>@foreach ($services as $service)<x-tick name="services[]" value="{{ $service->key }}" :on="in_array($service->key, $one['services'] ?? [], true)">{{ $service->document['label'] }}</x-tick>@endforeach</fieldset>
                        <fieldset class="inline-fields"><legend>own hours, in place of the business’s <small>none: the business’s</small></legend>@foreach ($days as $day => $name)<x-field :label="$name"><input name="hours[{{ $day }}]" value="{{ $hours($one['hours'] ?? [], $day) }}" size="12"></x-field>@endforeach</fieldset>
                        <x-field label="days off" hint="a day or “day to day” a line"><textarea name="off" rows="2">{{ \App\Support\DiaryForm::linesOfDays($one['off'] ?? []) }}</textarea></x-field>
                        <div class="go"><button class="primary">Keep</button></div></form>
                    @if ($diary)
                        <p class="muted">To subscribe to: <code>{{ route('diary.feed', $diary->feed) }}</code></p>
                        <form method="post" action="{{ route('diary.calendar', [$business, $diary]) }}" class="inline-fields">@csrf<x-field class="wide" label="busy times fetched from" hint="an iCalendar address, every quarter of an hour"><input name="calendar_url" type="url" maxlength="500" value="{{ old('calendar_url', $diary->calendar_url) }}" placeholder="https://"></x-field><button>{{ $diary->calendar_url ? 'Keep and fetch now' : 'Fetch it' }}</button></form>
                        @if ($diary->calendar_url)<p class="{{ $diary->calendar_problem === '' ? 'muted' : 'error' }}">{{ $diary->calendar_at ? 'Came in '.$diary->calendar_at->diffForHumans().'.' : 'Never came in.' }} {{ $diary->calendar_problem }}</p>@endif
                        <div class="go"><form method="post" action="{{ route('diary.feed.new', [$business, $diary]) }}">@csrf<button>A new address</button></form>
                            <form method="post" action="{{ route('diary.busy', [$business, $diary]) }}" enctype="multipart/form-data" class="inline-fields">@csrf<x-field label="busy times from an iCalendar file"><input type="file" name="file" accept=".ics,text/calendar" required></x-field><button>Take them over</button></form>
                            <form method="post" action="{{ route('diary.delete', [$business, $diary]) }}">@csrf @method('delete')<button class="danger">Take it out</button></form></div>
                    @endif</details>@endforeach</section>
        </div>
        <section class="card" aria-labelledby="next-title"><h2 id="next-title">The next free times <small>while you write</small></h2><div data-next>@include('parts.next-free')</div></section>
    </div>
</x-layout>
