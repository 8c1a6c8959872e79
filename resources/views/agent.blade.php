@php
    /** @var \Ringo\Script\Script $script */
    $a = $script->agent;
    $first = fn (?\Ringo\Speech\Prompt $prompt): string => $prompt?->variants[0] ?? '';
    $hours = $data['hours'] ?? [];
    $standing = $script->standing;
    $typed = \App\Support\Typed::into('agent');
    $t = fn (string $name, mixed $kept): string => $typed->text($name, is_bool($kept) ? ($kept ? '1' : '') : $kept);
@endphp
<x-layout title="Agent" :business="$business" :agent="$agent" here="prompt-book">
    <x-agent-head :business="$business" :agent="$agent" here="agent" title="Agent" sub="Who speaks, how it talks, and what holds on every step. Kept in the draft."/>
    @if ($errors->any())<ul class="problems" role="alert">@foreach ($errors->all() as $error)<li>{{ $error }}</li>@endforeach</ul>@endif
    @if ($findings !== [])<ul class="found-list card">@include('parts.book.findings-plain', ['findings' => $findings])</ul>@endif
    <form method="post" action="{{ route('agent.update', [$business, $agent]) }}" class="agent-form" data-agent-form data-offered="{{ json_encode(array_map(fn ($p) => ['path' => $p, 'label' => $p, 'empty' => str_starts_with($p, 'caller.')], [...array_keys(\Ringo\Script\Paths::ALWAYS), ...array_keys(\Ringo\Script\Paths::CALLER), ...array_keys($script->sheet->fields)]), JSON_THROW_ON_ERROR) }}">@csrf @method('put')
        <input type="hidden" name="version" value="{{ $version }}"><input type="hidden" name="_form" value="agent"><input type="hidden" name="_own_errands" value="1">
        <section class="card" aria-labelledby="s-who"><h2 id="s-who">Who speaks</h2>
            <div class="inline-fields">
                <x-field label="name"><input name="name" value="{{ $t('name', $a->name) }}" required></x-field>
                <x-field label="the business, as it is spoken"><input name="business" value="{{ $t('business', $a->business) }}" required></x-field>
                <x-field label="it"><x-choice name="direction" :of="['inbound' => 'answers calls', 'outbound' => 'places calls']" :chosen="$t('direction', $a->direction)"/></x-field>
                <x-field label="speaks first"><x-choice name="speaks_first" :of="['agent' => 'the agent', 'caller' => 'the other']" :chosen="$t('speaks_first', $a->speaksFirst ? 'agent' : 'caller')"/></x-field>
                <x-field class="narrow" label="country"><input name="country" value="{{ $t('country', $a->country) }}" maxlength="2"></x-field>
                <x-field label="time zone"><input name="tz" value="{{ $t('tz', $a->tz) }}"></x-field>
            </div>
        </section>
        <section class="card" aria-labelledby="s-voice"><h2 id="s-voice">Voice <small>hear the greeting in each, then choose</small></h2>
            <div class="inline-fields">
                <label class="field-label"><span>pace <output data-out="pace">{{ $a->voice['pace'] }}</output></span><input type="range" name="pace" min="0.6" max="1.6" step="0.05" value="{{ $t('pace', $a->voice['pace']) }}" data-range="pace"></label>
                <label class="field-label"><span>pitch <output data-out="pitch">{{ $a->voice['pitch'] }}</output></span><input type="range" name="pitch" min="0.6" max="1.5" step="0.05" value="{{ $t('pitch', $a->voice['pitch']) }}" data-range="pitch"></label>
            </div>
            <div class="voices" role="radiogroup" aria-label="Voice" data-voices data-url="{{ route('agent.audition', [$business, $agent]) }}">
                @foreach ($voices as $voice)
                    <label class="voice-card {{ $voice['there'] ? '' : 'missing' }}"><input type="radio" name="voice" value="{{ $voice['engine'] }}/{{ $voice['name'] }}" @checked($t('voice', $a->voice['engine'].'/'.$a->voice['name']) === $voice['engine'].'/'.$voice['name'])>
                        <span><strong>{{ ucfirst($voice['words']) }}</strong><br><small>{{ $voice['name'] }}, {{ $voice['engine'] }}{{ $voice['there'] ? '' : ', not installed here' }}</small></span>
                        @if ($voice['there'])<button type="button" class="bare" data-audition="{{ $voice['engine'] }}/{{ $voice['name'] }}" aria-label="Hear the greeting by {{ $voice['name'] }}"><x-icon name="play"/></button>@endif</label>
                @endforeach
            </div>
        </section>
        <section class="card" aria-labelledby="s-manner"><h2 id="s-manner">Manner</h2>
            <div class="inline-fields">
                <x-field label="tone"><x-choice name="formality" :of="['plain' => 'plain', 'formal' => 'formal', 'chatty' => 'chatty']" :chosen="$t('formality', $a->formality)"/></x-field>
                <x-field label="acknowledges answers"><x-choice name="acknowledges" :of="collect(['little', 'some', 'much'])->combine(['little', 'some', 'much'])" :chosen="$t('acknowledges', $a->acknowledges)"/></x-field>
                <x-field label="spells"><x-choice name="spelling" :of="['plain' => 'S for sugar', 'phonetic' => 'S for sierra', 'letters' => 'letters alone']" :chosen="$t('spelling', $a->spelling)"/></x-field>
            </div>
        </section>
        <section class="card" aria-labelledby="s-greeting"><h2 id="s-greeting">Greeting <small>said before the first step; leave it empty where the first step greets</small></h2>
            <div class="pair-fields">
                @foreach (['known' => 'a caller we know', 'unknown' => 'anybody else', 'withheld' => 'a withheld number'] as $who => $words)
                    <x-field class="wide" :label="$words"><textarea name="greeting[{{ $who }}]" rows="2" data-grow data-slots>{{ $t("greeting.{$who}", $first($a->greeting[$who] ?? null)) }}</textarea></x-field>
                @endforeach
            </div>
        </section>
        <section class="card" aria-labelledby="standing"><h2 id="standing">Standing rules <small>hold on every step</small></h2>
            <div class="inline-fields">
                <x-field label="a person, please: goes to"><x-choice name="person" :of="array_combine(array_keys($script->steps), array_keys($script->steps))" :chosen="$t('person', $standing->person)" none="nowhere"/></x-field>
                <x-field class="narrow" label="by key"><input name="person_key" maxlength="1" value="{{ $t('person_key', $standing->personKey) }}"></x-field>
                <x-field class="narrow" label="signs of frustration it bears"><input type="number" min="1" max="20" name="patience" value="{{ $t('patience', $standing->patience) }}"></x-field>
                <x-field label="words never said" hint="commas between"><input name="never_say" value="{{ $t('never_say', implode(', ', $standing->neverSay)) }}"></x-field>
                <fieldset class="checks"><legend>the opening must tell</legend>
                    <x-tick name="must_say[]" value="machine" :on="$typed->ticked('must_say', 'machine', in_array('machine', $standing->mustSay, true))">that no person speaks</x-tick>
                    <x-tick name="must_say[]" value="recording" :on="$typed->ticked('must_say', 'recording', in_array('recording', $standing->mustSay, true))">that the call is recorded</x-tick></fieldset>
            </div>
            <x-field label="somebody else comes to the telephone: the name goes into"><x-choice name="new_speaker" :of="\App\Support\Offered::fields($script->sheet, \Ringo\Value\ValueType::PersonName)" :chosen="$t('new_speaker', $standing->newSpeaker)" none="it is not kept"/></x-field>
            <div class="texts" data-list data-least="0">
                <div class="label">Replies to what callers ask anywhere</div>
                <div data-items class="grid-items replies-edit">
                    @foreach ($typed->rows('replies', $data['standing']['replies'] ?? []) as $i => $reply)
                        @include('parts.reply', ['i' => $i, 'reply' => $reply])
                    @endforeach
                </div>
                <template data-blank>@include('parts.reply', ['i' => '__i__', 'reply' => []])</template>
                <button type="button" class="bare add" data-add><x-icon name="plus"/> a reply</button>
            </div>
            @if ($script->agent->direction === 'outbound')<div class="texts" data-list data-least="0">
                <div class="label">What people have against it <small class="muted">answered wherever it comes, twice in a call, then it lets go</small></div>
                <div data-items class="grid-items objections-edit">@foreach ($typed->rows('objections', $data['standing']['objections'] ?? []) as $i => $objection)@include('parts.objection', ['i' => $i, 'objection' => $objection])@endforeach</div>
                <template data-blank>@include('parts.objection', ['i' => '__i__', 'objection' => []])</template>
                <button type="button" class="bare add" data-add><x-icon name="plus"/> an objection</button>
                <x-field label="and lets go to"><x-choice name="let_go" :of="array_combine(array_keys($script->steps), array_keys($script->steps))" :chosen="$t('let_go', $standing->letGo)" none="a goodbye"/></x-field>
            </div>@endif
            @if ($errands->isNotEmpty() || $script->errands->all !== [])<div class="texts" data-list data-least="0">
                <div class="label">Errands it runs by itself <small class="muted">the call does not wait for them; an alarm at once when somebody is hurt, a note to another system when the call is over</small></div>
                <div data-items>@foreach ($typed->rows('own_errands', $data['errands'] ?? []) as $i => $one)@include('parts.own-errand', ['i' => $i, 'one' => $one])@endforeach</div>
                <template data-blank>@include('parts.own-errand', ['i' => '__i__', 'one' => []])</template>
                <button type="button" class="bare add" data-add><x-icon name="plus"/> an errand</button>
                <datalist id="values-own">@foreach ($script->sheet->fields as $field)<option value="{{ $field->key }}">{{ $field->title }}</option>@endforeach @foreach (\Ringo\Script\Paths::CALL as $path => $words)<option value="{{ $path }}">{{ $words }}</option>@endforeach</datalist>
            </div>@endif
            <details class="more" @if ($standing->words !== []) open @endif><summary>Own words for what Ringo answers by itself</summary>
                <div class="pair-fields">@foreach (\App\Support\AgentForm::STANDING_WORDS as $name => $words)<x-field class="wide" :label="$words"><textarea name="words[{{ $name }}]" rows="1" data-grow data-slots>{{ $t('words.'.$name, $standing->words[$name] ?? '') }}</textarea></x-field>@endforeach</div>
            </details>
        </section>
        <section class="card" aria-labelledby="s-hours"><h2 id="s-hours">Hours and facts</h2>
            <div class="hours-fields">@foreach (['mon' => 'Monday', 'tue' => 'Tuesday', 'wed' => 'Wednesday', 'thu' => 'Thursday', 'fri' => 'Friday', 'sat' => 'Saturday', 'sun' => 'Sunday'] as $day => $words)<x-field :label="$words"><input name="hours[{{ $day }}]" value="{{ $t("hours.{$day}", implode(', ', $hours[$day] ?? [])) }}" placeholder="closed"></x-field>@endforeach</div>
            <div class="pair-fields">
                <x-field class="wide" label="closed on" hint="one a line: 2026-12-25 Christmas Day"><textarea name="closures" rows="3" data-grow>{{ $t('closures', implode("\n", array_map(fn ($c) => trim(($c['date'] ?? '').' '.($c['why'] ?? '')), $hours['closures'] ?? []))) }}</textarea></x-field>
                <x-field class="wide" label="facts for prompts" hint="one a line: deposit = fifty pounds, spoken as [fact.deposit]"><textarea name="facts" rows="3" data-grow>{{ $t('facts', implode("\n", array_map(fn ($k, $v) => $k.' = '.(is_bool($v) ? ($v ? 'yes' : 'no') : $v), array_keys($script->facts), $script->facts))) }}</textarea></x-field>
            </div>
        </section>
        <section class="card" aria-labelledby="s-limits"><h2 id="s-limits">Limits of a call</h2>
            <div class="inline-fields">
                <x-field class="narrow" label="turns"><input type="number" name="limits[turns]" min="4" max="500" value="{{ $t('limits.turns', $script->limits->turns) }}"></x-field>
                <x-field class="narrow" label="minutes"><input type="number" name="limits[minutes]" min="1" max="120" value="{{ $t('limits.minutes', $script->limits->minutes) }}"></x-field>
                <x-field class="narrow" label="a step put, at most"><input type="number" name="limits[repeats]" min="2" max="50" value="{{ $t('limits.repeats', $script->limits->repeats) }}"></x-field>
            </div>
        </section>
        <p class="keep-bar"><button class="primary">Keep in the draft</button> <a class="button" href="{{ route('agent.export', [$business, $agent]) }}"><x-icon name="download"/> Document (JSON)</a> <a class="button" href="{{ route('agent.export', [$business, $agent, 'as' => 'voicexml']) }}"><x-icon name="download"/> VoiceXML</a></p>
        @if ($refused !== [])<p class="muted">VoiceXML cannot carry everything: {{ implode('; ', array_map(fn ($why, $step) => "{$step}: {$why}", $refused, array_keys($refused))) }}.</p>@endif
    </form>
</x-layout>
