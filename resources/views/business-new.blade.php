<x-layout title="New business" here="businesses">
    <header class="head"><h1>New business</h1><p class="sub"><a href="{{ route('businesses') }}">Businesses</a> · a client taken on; you are its owner</p></header>
    @if ($errors->any())<ul class="problems" role="alert">@foreach ($errors->all() as $error)<li>{{ $error }}</li>@endforeach</ul>@endif
    <form class="card new-business" method="post" action="{{ route('business.store') }}">@csrf
        <div class="inline-fields"><x-field label="name"><input name="name" required autofocus maxlength="80" value="{{ old('name') }}" placeholder="Fenwater Clocks"></x-field>
            <x-field label="as callers hear it" hint="where it is another"><input name="spoken" maxlength="120" value="{{ old('spoken') }}"></x-field></div>
        <div class="inline-fields"><x-field label="country"><x-choice name="country" :of="array_map(static fn ($country) => $country[0], \App\Http\Controllers\BusinessController::COUNTRIES)" :chosen="old('country')"/></x-field>
            <x-field label="time zone" hint="empty: the country’s usual one"><input name="tz" list="zones" value="{{ old('tz') }}" placeholder="Europe/London"></x-field><datalist id="zones">@foreach (\DateTimeZone::listIdentifiers() as $zone)<option value="{{ $zone }}"></option>@endforeach</datalist>
            <x-field label="language"><x-choice disabled :of="['English' => 'English']"/></x-field></div>
        @if ($from !== [])
            <fieldset><legend>With the set-up of another <small>never its callers, calls, people or secrets</small></legend>
                <div class="inline-fields"><x-choice name="copy" aria-label="Business whose set-up comes along" :of="collect($from)->map(static fn ($one) => $one->name)" :chosen="old('copy')" none="none: from nothing"/>
                @foreach (\App\Actions\Businesses\CopySetUp::PARTS as $part => $words)<x-tick name="parts[]" value="{{ $part }}" :on="in_array($part, (array) old('parts', array_keys(\App\Actions\Businesses\CopySetUp::PARTS)), true)">{{ $words }}</x-tick>@endforeach</div>
                <p class="muted">Its name is replaced where it stands as a whole name; whatever still speaks of it, the inspection finds.</p></fieldset>
        @endif
        <div class="go"><button class="primary">Make it</button></div>
    </form>
</x-layout>
