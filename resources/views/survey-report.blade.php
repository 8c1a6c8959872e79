@php
    $states = $results->states; $percent = fn (int $n, int $of): string => $of === 0 ? '–' : number_format(100 * $n / $of, 0).' %';
    $day = fn ($at): string => $at->setTimezone($business->tz)->format('j F Y');
    $from = $campaigns->first()?->launched_at; $hours = $campaigns->pluck('document.windows')->filter()->first() ?? [];
@endphp
<x-layout :title="$questionnaire->title" :plain="true">
    <article class="survey-report">
        <p class="no-print"><a href="{{ route('survey', [$business, $survey]) }}">Back</a> · <button type="button" data-print>Print it</button></p>
        <h1>{{ $questionnaire->title }}</h1><p class="sub">{{ $business->name }}, as of {{ $day(now()) }}</p>
        <h2>How it was asked</h2>
        <p>People were rung by {{ $survey->agent->name }}, an automated agent that says so, and asked {{ count($questionnaire->questions) === 1 ? 'one question' : count($questionnaire->questions).' questions' }} on {{ $questionnaire->about }}, after they had agreed to be asked. @if ($from)Calls were placed from {{ $day($from) }}. @endif {{ number_format($rung['listed']) }} people were on the list, {{ number_format($rung['rung']) }} were rung, {{ number_format($talked) }} ({{ $percent($talked, $rung['rung']) }} of those rung) were talked to. Of these {{ number_format($states['complete']) }} answered to the end, {{ number_format($states['partial']) }} in part, {{ number_format($states['refused']) }} refused and {{ number_format($states['nothing']) }} said nothing to the purpose. Complete surveys are {{ $percent($states['complete'], $rung['rung']) }} of those rung.</p>
        <p>Answers were given by voice or key. Who left on the way counts for the questions they answered, so numbers differ by question. Intervals hold in 95 of 100 such surveys, as far as those who answered are like those who did not; those of shares are E. B. Wilson’s. “Net” is the share of the highest answers less that of the lowest, in points.</p>
        @foreach ($questionnaire->questions as $key => $question)<section><h2>{{ $question->ask }}</h2>@include('parts.survey-answers', ['by' => null])
            @if ($groups[$key] ?? [])<table class="list plain"><tbody>@foreach ($groups[$key] as $group)@php $texts = array_map(fn ($ref) => $results->of($key)['spoken'][$ref], $group['refs']); @endphp<tr><td>{{ $group['name'] ?? 'Not named' }}</td><td class="num">{{ count($texts) }}</td><td>“{{ implode('”, “', array_slice(array_unique($texts), 0, 3)) }}”</td></tr>@endforeach</tbody></table>@endif</section>@endforeach
    </article>
</x-layout>
