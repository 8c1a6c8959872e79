@php $form = 'person-'.($person->key ?? 'new'); $typed = \App\Support\Typed::into($form); $t = fn (string $name, mixed $kept): string => $typed->text($name, $kept); @endphp
<form method="post" action="{{ $person ? route('person.update', [$business, $person]) : route('person.store', $business) }}" class="team-form" data-unsaved>@csrf <input type="hidden" name="_form" value="{{ $form }}"> @if ($person) @method('put') @endif
    <div class="inline-fields"><label class="field-label"><span>name</span><input name="name" value="{{ $t('name', $person->name ?? '') }}" required></label>
        <label class="field-label"><span>number</span><input name="number" type="tel" value="{{ $t('number', $person?->number ? ($plan->describe($person->number)?->inNationalFormat() ?? $person->number) : '') }}"></label>
        <label class="field-label"><span>site</span><input name="site" value="{{ $t('site', $person->site ?? '') }}"></label>
        <label class="field-label"><span>presence</span><select name="presence">@foreach (['available', 'busy', 'away'] as $v)<option @selected($t('presence', $person->presence ?? 'available') === $v)>{{ $v }}</option>@endforeach</select></label>
        <label class="field-label"><span>sits at the desk as</span><select name="user_id"><option value="">nobody yet</option>@foreach ($users as $user)<option value="{{ $user->id }}" @selected(($person->user_id ?? null) === $user->id)>{{ $user->name }}</option>@endforeach</select></label>
        <button class="primary">Keep</button></div>
</form>
@if ($person)<form method="post" action="{{ route('person.delete', [$business, $person]) }}">@csrf @method('delete')<button class="danger">Take {{ $person->name }} away</button></form>@endif
