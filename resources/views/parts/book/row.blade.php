@php
    /** @var array{step: \Ringo\Script\Steps\Step, texts: list<string>, answers: list<\App\Support\Book\Answer>, field: ?string, seconds: ?float, spine: array<string, mixed>, next: ?string, scene: ?string} $row */
    $step = $row['step'];
    $silent ??= array_map(static fn (\Ringo\Script\Steps\StepKind $kind): string => $kind->silent(), (new \Ringo\Script\Steps\StepKinds)->all());
    $worst = $findings === [] ? null : $findings[0]->severity->value;
@endphp
<div class="row kind-{{ $step->kind() }}" id="step-{{ $step->key() }}" role="listitem" tabindex="-1" data-row data-step="{{ $step->key() }}" @if ($row['scene']) data-scene="{{ $row['scene'] }}" @endif aria-label="{{ $step->key() }}, {{ $step->kind() }}">
    @if ($row['scene'])
        <h2 class="scene"><button type="button" data-fold aria-expanded="true" title="Fold this scene away">{{ $row['scene'] }}</button></h2>
    @endif
    @include('parts.spine', ['spine' => $row['spine'], 'kind' => $step->kind(), 'lanes' => $spine->lanes])
    <div class="says">
        <h3><span class="name">{{ $step->key() }}</span> <span class="kind">{{ str_replace("_", " ", $step->kind()) }}</span>
            @if ($worst)<a class="found {{ $worst }}" href="#step-{{ $step->key() }}" data-open title="@foreach ($findings as $finding){{ $finding->message }}{{ $loop->last ? '' : "\n" }}@endforeach"><x-severity :of="$worst"/>{{ count($findings) }} {{ count($findings) === 1 ? $worst : 'findings' }}</a>@endif
        </h3>
        @forelse ($row['texts'] as $text)
            <p>@if (! $loop->first)<span class="or">or</span> @endif @include('parts.prompt-text', ['text' => $text])</p>
        @empty
            <p class="silent">{{ $silent[$step->kind()] ?? '' }}</p>
        @endforelse
    </div>
    <ul class="answers">
        @foreach ($row['answers'] as $answer)
            <li class="{{ $answer->kind }}">
                @if ($answer->key !== null)<kbd>{{ $answer->key }}</kbd>@endif
                <span class="words">{{ $answer->words }}@if ($answer->more !== '')<br><span class="more">{{ $answer->more }}</span>@endif</span>
                @if ($answer->to !== null)<a class="to {{ $answer->to === $row['next'] ? 'next' : '' }}" href="#step-{{ $answer->to }}"><span aria-hidden="true">{{ $answer->to === $row['next'] ? '↓' : '→' }}</span> {{ $answer->to }}</a>@endif
            </li>
        @endforeach
    </ul>
    <div class="fills">
        @if ($row['field'])<span class="field" title="{{ $script->sheet->field($row['field'])?->title }}, {{ str_replace('_', ' ', $script->sheet->field($row['field'])?->type->value ?? '') }}">{{ $row['field'] }}</span>@endif
        @if ($row['seconds'] !== null)<span class="seconds {{ $row['seconds'] > 12 ? 'long' : '' }}" title="Seconds it takes to say">{{ number_format($row['seconds'], 1) }} s</span>@endif
        <span class="row-tools"><button type="button" class="bare" data-open title="Write in this step (Enter)"><x-icon name="pencil"/><span class="sr">Write in {{ $step->key() }}</span></button><button type="button" class="bare grip" data-grip title="Drag to another place, or Alt with ↑ ↓"><x-icon name="grip-vertical"/><span class="sr">Move {{ $step->key() }}</span></button></span>
    </div>
</div>
