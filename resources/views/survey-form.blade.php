@php
    $rows = is_array(old('questions')) ? array_values(array_filter(old('questions'), 'is_array')) : $rows;
    $title = $survey ? $document['title'] : 'New survey';
@endphp
<x-layout :title="$title" :business="$business" :agent="$agent" here="outreach">
    <header class="head"><h1>{{ $title }}</h1><p class="sub"><a href="{{ route('outreach', $business) }}">Outreach</a> · @if ($survey)<a href="{{ route('survey', [$business, $survey]) }}">what it found</a> · <a href="{{ route('prompt-book', [$business, $survey->agent]) }}">{{ $survey->agent->name }}’s prompt book</a>@else the questions become an agent’s script, with consent, keys, a second try and a way past each @endif</p>
        @if ($survey)<div class="actions"><a class="button" href="{{ route('survey.document', [$business, $survey]) }}"><x-icon name="download"/> Questions as JSON</a></div>@endif</header>
    @if ($errors->any())<ul class="problems" role="alert">@foreach ($errors->all() as $error)<li>{{ $error }}</li>@endforeach</ul>@endif
    <form method="post" class="survey-form" enctype="multipart/form-data" action="{{ $survey ? route('survey.update', [$business, $survey]) : route('survey.store', $business) }}" data-agent-form>@csrf @if ($survey)@method('put')@endif
        <section class="card inline-fields"><x-field class="wide" label="name"><input name="title" maxlength="120" required value="{{ old('title', $document['title'] ?? '') }}" placeholder="How was your linen?"></x-field>
            <x-field class="wide" label="some short questions on …"><input name="about" maxlength="160" required value="{{ old('about', $document['about'] ?? '') }}" placeholder="our linen service"></x-field>
            @unless ($survey)<x-field label="agent that asks"><input name="agent" maxlength="40" required value="{{ old('agent') }}" placeholder="Odile"></x-field>@endunless</section>
        <div data-list data-least="1" class="survey-questions"><div data-items>@foreach ($rows as $i => $row)@include('parts.survey-question', ['i' => $i, 'row' => $row])@endforeach</div>
            <template data-blank data-token="__i__">@include('parts.survey-question', ['i' => '__i__', 'row' => []])</template>
            <button type="button" class="bare add" data-add><x-icon name="plus"/> a question</button></div>
        <details class="card"><summary>Words at the beginning and the end <small class="muted">empty: Ringo’s own</small></summary><div class="inline-fields">@foreach (['welcome' => 'welcome', 'consent' => 'asks for consent', 'thanks' => 'thanks', 'use' => 'what answers are used for'] as $key => $words)<x-field class="wide" :label="$words"><textarea name="{{ $key }}" rows="2" maxlength="400">{{ old($key, $document[$key] ?? '') }}</textarea></x-field>@endforeach</div></details>
        @if ($changed)<p class="card"><x-tick name="over" value="1">{{ $survey->agent->name }}’s script was changed by hand since: write it anew all the same</x-tick></p>@endif
        <div class="go"><button class="primary">{{ $survey ? 'Keep, and write it into the draft' : 'Make the survey and its agent' }}</button>@unless ($survey)<x-field label="or from a file" hint="JSON, the format of surveys; name, agent and the file are enough"><input type="file" name="file" accept=".json,application/json"></x-field>@endunless</div>
    </form>
    @if ($survey)<form method="post" class="undo-line" action="{{ route('survey.delete', [$business, $survey]) }}">@csrf @method('delete')<button class="danger">Take the survey away</button></form>@endif
</x-layout>
