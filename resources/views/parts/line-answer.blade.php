{{-- Who answers: one set of fields, used for a stretch, for opening hours, for closed days and for all other times. --}}
@php
    /** @var string $prefix name of the fields, empty for a stretch */
    $field = fn (string $key): string => $prefix === '' ? $key : "{$prefix}[{$key}]";
    $answer ??= [];
    $who = $answer['who'] ?? ($empty ?? '');
@endphp
<div class="inline-fields" data-answer>
    <x-field label="who answers"><select name="{{ $field('who') }}" data-who>
        @isset($emptyWords)<option value="{{ $empty }}" @selected($who === $empty)>{{ $emptyWords }}</option>@endisset
        @foreach (['staff_first' => 'staff first, then the agent', 'agent' => 'the agent at once', 'staff' => 'staff only', 'forward' => 'goes on elsewhere', 'nobody' => 'nobody'] as $value => $words)<option value="{{ $value }}" @selected($who === $value)>{{ $words }}</option>@endforeach</select></x-field>
    <x-field label="rings" data-for="staff_first staff"><select name="{{ $field('rings') }}"><option value="">–</option>@foreach ($teams as $team)<option value="team:{{ $team->key }}" @selected(($answer['target'] ?? '') === 'team:'.$team->key)>{{ $team->name }}</option>@endforeach @foreach ($people as $person)<option value="person:{{ $person->key }}" @selected(($answer['target'] ?? '') === 'person:'.$person->key)>{{ $person->name }}</option>@endforeach</select></x-field>
    <x-field class="narrow" label="for" hint="s" data-for="staff_first staff"><input type="number" min="3" max="120" name="{{ $field('seconds') }}" value="{{ $answer['seconds'] ?? \Ringo\Line\Answer::USUAL_SECONDS }}"></x-field>
    <x-field label="agent" data-for="staff_first staff agent"><x-choice name="{{ $field('agent') }}" :of="collect($agents)->pluck('name', 'key')" :chosen="($answer['agent'] ?? '')" none="the line’s own"/></x-field>
    <x-field label="begins with" data-for="staff_first agent"><select name="{{ $field('opening') }}"><option value="">its first step</option>@foreach ($steps as $step)<option value="{{ $step }}" @selected(($answer['opening'] ?? '') === $step)>{{ str_replace('_', ' ', $step) }}</option>@endforeach</select></x-field>
    <x-field label="goes on to" data-for="forward"><input name="{{ $field('forward') }}" list="forward-to" value="{{ ($answer['who'] ?? '') === 'forward' ? $answer['target'] : '' }}" placeholder="line:… or number:+44…"></x-field>
</div>
