<x-layout title="New line" :business="$business" :agent="$agent" here="lines">
    <header class="head"><h1>New line</h1><p class="sub"><a href="{{ route('lines', $business) }}">Lines</a> · a number of the client’s, or a button on its page</p></header>
    @if ($errors->any())<ul class="problems" role="alert">@foreach ($errors->all() as $error)<li>{{ $error }}</li>@endforeach</ul>@endif
    @if ($agents->isEmpty())<p class="card empty">A line needs an agent to answer it. <a href="{{ route('agent.new', $business) }}">Make one</a> first.</p>
    @else
    <form class="card" method="post" action="{{ route('line.store', $business) }}">@csrf
        <div class="inline-fields"><x-field label="called"><input name="name" maxlength="60" required autofocus value="{{ old('name') }}" placeholder="Main line"></x-field>
            <x-field label="is"><x-choice name="kind" :of="['number' => 'a number', 'button' => 'a button on a web page']" :chosen="old('kind')"/></x-field>
            <x-field label="number" hint="none for a button"><input name="number" type="tel" value="{{ old('number') }}" placeholder="01632 960140"></x-field>
            <x-field label="agent"><x-choice name="agent" :of="\App\Support\Offered::agents($agents)" :chosen="old('agent')"/></x-field></div>
        <fieldset><legend>In opening hours</legend>
            <x-tick type="radio" name="begins" value="agent" :on="old('begins', 'agent') === 'agent'">the agent answers at once, day and night</x-tick><br>
            <x-tick type="radio" name="begins" value="staff_first" :on="old('begins') === 'staff_first'">staff ring first, then the agent:</x-tick><x-choice name="rings" aria-label="Whose telephones ring first" :of="\App\Support\Offered::teams($teams)" :chosen="old('rings')" none="–"/>
            @unless ($hours->given())<p class="muted">The brief says no opening hours yet, so staff would never ring. <a href="{{ route('brief', $business) }}">Write them</a>.</p>@endunless</fieldset>
        <div class="go"><button class="primary">Make it</button></div></form>
    @endif
</x-layout>
