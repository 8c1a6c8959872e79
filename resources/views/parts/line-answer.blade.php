{{-- Who answers: one set of fields, used for a stretch, for opening hours, for closed days and for all other times. --}}
@php
    /** @var string $prefix name of the fields, empty for a stretch */
    $field = fn (string $key): string => $prefix === '' ? $key : "{$prefix}[{$key}]";
    $answer ??= [];
    $who = $answer['who'] ?? ($empty ?? '');
@endphp
<div class="inline-fields" data-answer>
    <x-field label="who answers"><x-choice name="{{ $field('who') }}" data-who :of="(isset($emptyWords) ? [$empty => $emptyWords] : []) + \App\Support\LineForm::ANSWERED_BY" :chosen="$who"/></x-field>
    <x-field label="rings" data-for="staff_first staff"><x-choice name="{{ $field('rings') }}" :of="\App\Support\Offered::teams($teams) + $people->mapWithKeys(static fn ($person) => ['person:'.$person->key => $person->name])->all()" :chosen="$answer['target'] ?? ''" none="–"/></x-field>
    <x-field class="narrow" label="for" hint="s" data-for="staff_first staff"><input type="number" min="3" max="120" name="{{ $field('seconds') }}" value="{{ $answer['seconds'] ?? \Ringo\Line\Answer::USUAL_SECONDS }}"></x-field>
    <x-field label="agent" data-for="staff_first staff agent"><x-choice name="{{ $field('agent') }}" :of="collect($agents)->pluck('name', 'key')" :chosen="($answer['agent'] ?? '')" none="the line’s own"/></x-field>
    <x-field label="begins with" data-for="staff_first agent"><x-choice name="{{ $field('opening') }}" :of="\App\Support\Offered::plainly($steps)" :chosen="$answer['opening'] ?? ''" none="its first step"/></x-field>
    <x-field label="goes on to" data-for="forward"><input name="{{ $field('forward') }}" list="forward-to" value="{{ ($answer['who'] ?? '') === 'forward' ? $answer['target'] : '' }}" placeholder="line:… or number:+44…"></x-field>
</div>
