<x-book.texts name="prompt" :texts="$texts('prompt')" label="Asks" add="another way to ask" hint="when would it suit; what was volunteered is not asked again"/>
<div class="inline-fields">
    <x-field label="does"><x-choice name="does" :of="\App\Support\Book\Steps\BookBook::DOES" :chosen="($step['does'] ?? 'book')"/></x-field>
    <x-field label="service"><input name="service" value="{{ $step['service'] ?? '' }}" placeholder="tuning"></x-field>
    <x-field label="or the field that chooses it"><input name="service_field" value="{{ $step['service_field'] ?? '' }}" list="fields"></x-field>
    <x-field label="field that tells where"><input name="area_field" value="{{ $step['area_field'] ?? '' }}" list="fields"></x-field>
    <x-field label="fills"><input name="field" value="{{ $step['field'] ?? '' }}" list="fields"></x-field>
    <x-field label="reference into"><input name="reference_field" value="{{ $step['reference_field'] ?? '' }}" list="fields"></x-field>
    <x-field class="narrow" label="offers"><input name="tries" type="number" min="1" max="9" value="{{ $step['tries'] ?? 4 }}"></x-field>
    <x-field class="narrow" label="not within hours"><input name="notice_hours" type="number" min="0" max="720" value="{{ $step['notice_hours'] ?? 0 }}"></x-field>
    @if (($step['does'] ?? 'book') === 'book')<x-field class="narrow" label="series of up to"><input name="series" type="number" min="0" max="52" value="{{ $step['series'] ?? 0 }}"></x-field>@endif
    <x-book.to name="next" :value="$step['next'] ?? null" :script="$script" :self="$key" label="agreed, goes to"/>
    <x-book.to name="none" :value="$step['none'] ?? null" :script="$script" :self="$key" label="nothing agreed, goes to"/>
    @if (($step['does'] ?? 'book') === 'book')<x-book.to name="waiting" :value="$step['waiting'] ?? null" :script="$script" :self="$key" none="there is no waiting list" label="on the waiting list, goes to"/>
    @else<x-book.to name="missing" :value="$step['missing'] ?? null" :script="$script" :self="$key" none="the same as nothing agreed" label="no booking, goes to"/>@endif
</div>
@if (($step['does'] ?? 'book') !== 'book')<fieldset class="checks"><legend>the booking is found by</legend>@foreach (\App\Support\Book\Steps\BookBook::FIND as $by => $name)<x-tick name="find[]" value="{{ $by }}" :on="in_array($by, $step['find'] ?? ['number'], true)">{{ $name }}</x-tick>@endforeach</fieldset>@endif
