@php $form = 'person-'.($person->key ?? 'new'); $typed = \App\Support\Typed::into($form); $t = fn (string $name, mixed $kept): string => $typed->text($name, $kept); @endphp
<form method="post" action="{{ $person ? route('person.update', [$business, $person]) : route('person.store', $business) }}" class="team-form" data-unsaved>@csrf <input type="hidden" name="_form" value="{{ $form }}"> @if ($person) @method('put') @endif
    <div class="inline-fields"><x-field label="name"><input name="name" value="{{ $t('name', $person->name ?? '') }}" required></x-field>
        <x-field label="number"><input name="number" type="tel" value="{{ $t('number', $person?->number ? ($plan->describe($person->number)?->inNationalFormat() ?? $person->number) : '') }}"></x-field>
        <x-field label="site"><input name="site" value="{{ $t('site', $person->site ?? '') }}"></x-field>
        <x-field label="presence"><x-choice name="presence" :of="collect(['available', 'busy', 'away'])->combine(['available', 'busy', 'away'])" :chosen="$t('presence', $person->presence ?? 'available')"/></x-field>
        <x-field label="sits at the desk as"><x-choice name="user_id" :of="collect($users)->pluck('name', 'id')" :chosen="($person->user_id ?? null)" none="nobody yet"/></x-field>
        <button class="primary">Keep</button></div>
</form>
@if ($person)<form method="post" action="{{ route('person.delete', [$business, $person]) }}">@csrf @method('delete')<button class="danger">Take {{ $person->name }} away</button></form>@endif
