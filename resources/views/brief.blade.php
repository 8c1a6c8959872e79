@php
    $days = ['mon' => 'Mon', 'tue' => 'Tue', 'wed' => 'Wed', 'thu' => 'Thu', 'fri' => 'Fri', 'sat' => 'Sat', 'sun' => 'Sun'];
    $week = \App\Support\BriefForm::spans($brief->hours->week);
    $names = array_unique(array_map(fn ($name) => explode(', in lieu', $name)[0], $brief->hours->region ? (new \Ringo\Brief\Holidays($brief->hours->region))->of((int) now()->format('Y')) : []));
    $label = ['spoken' => 'spoken name', 'profile' => 'profile', 'address' => 'address', 'phone' => 'telephone', 'hours' => 'opening hours'];
@endphp
<x-layout title="Brief" :business="$business" :agent="$agent" here="brief">
    <header class="head"><h1>Brief</h1><p class="sub">what is true of {{ $business->name }}, written once: agents, answers, transfers, diaries and lines read it</p>
        <div class="actions"><a class="button" href="{{ route('brief.export', $business) }}"><x-icon name="download"/> File</a></div></header>
    @if ($errors->any())<ul class="problems" role="alert">@foreach ($errors->all() as $error)<li>{{ $error }}</li>@endforeach</ul>@endif
    @if ($found)
        <section class="card" id="found" aria-labelledby="found-title"><h2 id="found-title">Found on {{ $found['url'] }}</h2>
            <form method="post" action="{{ route('brief.take', $business) }}">@csrf
                @foreach ($found['facts'] as $fact)<label class="line"><input type="checkbox" name="facts[]" value="{{ json_encode(['what' => $fact['what'], 'value' => $fact['value']]) }}" checked><span class="what"><strong>{{ $label[$fact['what']] }}</strong> {{ $fact['words'] }}</span><span class="when">{{ $fact['from'] }}</span></label>@endforeach
                <div class="go"><button class="primary">Take over what is ticked</button></div></form></section>
    @endif
    <div class="brief-body">
        <form class="brief-form" method="post" action="{{ route('brief.update', $business) }}">@csrf @method('put')
            <section class="card"><h2>Who it is</h2>
                <div class="inline-fields"><x-field label="name as callers hear it"><input name="spoken" maxlength="120" value="{{ old('spoken', $brief->spoken) }}" placeholder="{{ $business->name }}"></x-field>
                    <x-field label="respelled for the voice" hint="where it says it wrongly"><input name="pronounced" maxlength="120" value="{{ old('pronounced', $brief->pronounced) }}" data-pronounced></x-field>
                    @if ($agent)@php $voice = $agent->draft->scriptText->script()->agent->voice; @endphp<button type="button" data-hear="{{ route('agent.audition', [$business, $agent, 'engine' => $voice['engine'], 'name' => $voice['name'], 'pace' => $voice['pace'], 'pitch' => $voice['pitch'], 'text' => ($brief->pronounced ?: $brief->spoken ?: $business->name).'.']) }}"><x-icon name="volume-2"/> Hear it</button>@endif</div>
                <x-field class="wide" label="what it does, in its own words"><textarea name="profile" rows="3" maxlength="4000">{{ old('profile', $brief->profile) }}</textarea></x-field></section>
            <section class="card"><h2>When it is open</h2>
                <div class="week-fields">@foreach ($days as $day => $name)<x-field :label="$name"><input name="hours[{{ $day }}]" value="{{ old("hours.{$day}", $week[$day] ?? '') }}" placeholder="closed"></x-field>@endforeach</div>
                <p class="muted">A break is a gap: 08:00-12:30, 13:15-17:00.</p>
                <div class="inline-fields"><x-field label="public holidays of"><x-choice name="region" :of="\Ringo\Brief\Holidays::REGIONS" :chosen="old('region', $brief->hours->region)" none="none"/></x-field>
                    @if ($names !== [])<details class="open-on"><summary>open all the same on {{ $brief->hours->openOn === [] ? 'none of them' : implode(', ', $brief->hours->openOn) }}</summary>@foreach ($names as $name)<x-tick name="open[]" value="{{ $name }}" :on="in_array($name, $brief->hours->openOn, true)">{{ $name }}</x-tick>@endforeach</details>@endif</div>
                <div class="two"><x-field label="closed" hint="a day, or “day to day”, and why: one a line"><textarea name="closures" rows="3" placeholder="2026-12-24 to 2027-01-02 works holiday">{{ old('closures', $typed['closures']) }}</textarea></x-field>
                    <x-field label="single days with hours of their own"><textarea name="days" rows="3" placeholder="2026-12-24 09:00-12:00 Christmas Eve">{{ old('days', $typed['days']) }}</textarea></x-field></div>
                @foreach ([...$brief->hours->seasons, null] as $i => $season)
                    @php $own = $season === null ? [] : \App\Support\BriefForm::spans($season['week']); @endphp
                    <details class="team" @if ($season) open @endif><summary>@if ($season)<strong>{{ $season['name'] }}</strong> <span class="muted">{{ $season['from'] }} to {{ $season['to'] }}</span>@else<x-icon name="plus"/> Hours of a season @endif</summary>
                        <div class="inline-fields"><x-field label="called"><input name="seasons[{{ $i }}][name]" value="{{ $season['name'] ?? '' }}" placeholder="summer hours"></x-field><x-field class="narrow" label="from"><input name="seasons[{{ $i }}][from]" value="{{ $season['from'] ?? '' }}" placeholder="06-01"></x-field><x-field class="narrow" label="to"><input name="seasons[{{ $i }}][to]" value="{{ $season['to'] ?? '' }}" placeholder="08-31"></x-field></div>
                        <div class="week-fields">@foreach ($days as $day => $name)<x-field :label="$name"><input name="seasons[{{ $i }}][hours][{{ $day }}]" value="{{ $own[$day] ?? '' }}" placeholder="closed"></x-field>@endforeach</div></details>
                @endforeach</section>
            <section class="card"><h2>Where it is</h2>
                @foreach ([...$brief->sites, null] as $i => $site)
                    @php $own = $site === null ? [] : \App\Support\BriefForm::spans($site->week); @endphp
                    <details class="team" @if ($brief->sites === []) open @endif><summary>@if ($site)<strong>{{ $site->name }}</strong> <span class="muted">{{ implode(' · ', array_filter([$site->address, $site->phone])) }}</span>@else<x-icon name="plus"/> Another site @endif</summary>
                        <div class="inline-fields"><x-field label="called" hint="empty: taken out"><input name="sites[{{ $i }}][name]" value="{{ $site->name ?? '' }}" placeholder="the Oldmere depot"></x-field><x-field class="wide" label="address"><input name="sites[{{ $i }}][address]" value="{{ $site->address ?? '' }}"></x-field><x-field label="telephone"><input name="sites[{{ $i }}][phone]" value="{{ $site->phone ?? '' }}"></x-field><x-field label="serves"><input name="sites[{{ $i }}][area]" value="{{ $site->area ?? '' }}"></x-field></div>
                        <p class="muted">Own hours, where they are others than the business’s:</p><div class="week-fields">@foreach ($days as $day => $name)<x-field :label="$name"><input name="sites[{{ $i }}][hours][{{ $day }}]" value="{{ $own[$day] ?? '' }}"></x-field>@endforeach</div></details>
                @endforeach</section>
            <div class="go"><button class="primary">Keep the brief</button></div>
        </form>
        <div class="brief-side">
            <section class="card"><h2>Not as usual, the year ahead</h2>
                @forelse ($ahead as $one)<p class="line"><span class="when stamp">{{ \Illuminate\Support\Carbon::parse($one['from'])->format($one['to'] === $one['from'] ? 'D j M Y' : 'j M') }}{{ $one['to'] === $one['from'] ? '' : ' to '.\Illuminate\Support\Carbon::parse($one['to'])->format('j M Y') }}</span><span class="what">{{ $one['open'] }}</span><span class="why">{{ $one['why'] }}</span></p>
                @empty<p class="empty">Nothing: no holidays are kept and no closures written.</p>@endforelse</section>
            <section class="card"><h2>Read from the client’s site</h2>
                <form method="post" action="{{ route('brief.look', $business) }}">@csrf<x-field label="address of a page"><input name="url" type="url" required maxlength="500" value="{{ old('url', ($business->knowledge_hosts ?? []) === [] ? '' : 'https://'.$business->knowledge_hosts[0].'/') }}"></x-field>
                    <p class="muted">Hosts that may be read: {{ implode(', ', $business->knowledge_hosts ?? []) ?: 'none yet' }}. <a href="{{ route('knowledge', $business) }}">Knowledge</a> keeps the list.</p>
                    <div class="go"><button>Look</button></div></form></section>
            <section class="card"><h2>Elsewhere</h2><p><a href="{{ route('transfers', $business) }}">People and teams</a> stand under Transfers, <a href="{{ route('diary.set-up', $business) }}">services</a> under Diary, prices under <a href="{{ route('knowledge', $business) }}">Knowledge</a>.</p>
                <form method="post" action="{{ route('brief.import', $business) }}" enctype="multipart/form-data" class="inline-fields">@csrf<x-field label="a brief from a file"><input type="file" name="file" accept="application/json,.json" required></x-field><button>Bring it in</button></form></section>
        </div>
    </div>
</x-layout>
