@php $intake = $campaign->intake(); $sample = ($entries->firstWhere('held', null) ?? $entries->first())?->fields ?? []; @endphp
<section class="card campaign-fields" id="form"><h2>From a form on the client’s page</h2>
    @if ($campaign->intake === null)
        <p class="muted">Whoever fills in the form is rung within seconds, or at the next allowed moment; what they wrote is known to the agent.</p>
        <form method="post" action="{{ route('campaign.form', [$business, $campaign]) }}">@csrf @method('put')<button>Take a form</button></form>
    @else
        <p>The form posts to this address; it is the secret, and may be given to no one else:</p><pre class="copy" tabindex="0"><code>{{ route('form', $campaign->intake_token) }}</code></pre>
        <p class="muted"><a href="{{ route('site.form', [$business->key, $campaign->key]) }}" target="_blank" rel="noopener">The made-up page</a> carries one. Programs may send JSON.</p>
        <form method="post" action="{{ route('campaign.form', [$business, $campaign]) }}">@csrf @method('put')
            @if ($sample)<table class="list plain form-map"><thead><tr><th>Field</th><th>As it came last</th><th>Is</th></tr></thead><tbody>@foreach ($sample as $field => $value)@php $role = $intake->role((string) $field); $fact = str_starts_with($role, 'fact:'); @endphp
                <tr><td>{{ $field }}</td><td class="muted">{{ \Illuminate\Support\Str::limit($value, 40) }}</td><td><span class="pair"><x-choice name="map[{{ $field }}]" aria-label="what {{ $field }} is" :of="\Ringo\Outreach\Intake::ROLES + ['fact' => 'known to the agent as']" :chosen="$fact ? 'fact' : $role"/><input name="facts[{{ $field }}]" value="{{ $fact ? substr($role, 5) : '' }}" maxlength="40" aria-label="what the agent knows {{ $field }} as"></span></td></tr>@endforeach</tbody></table>
            @else<p class="empty">Send the form once: its fields then stand here, and you say what each of them is.</p>@endif
            <x-field class="wide" label="pages it may come from" hint="an origin a line; empty: any"><textarea name="origins" rows="2">{{ old('origins', implode("\n", $intake->origins)) }}</textarea></x-field>
            <div class="go"><button class="primary">Keep</button></div></form>
        <div class="undo-line pair"><form method="post" action="{{ route('campaign.form.token', [$business, $campaign]) }}">@csrf<button>Another address</button></form><form method="post" action="{{ route('campaign.form.off', [$business, $campaign]) }}">@csrf @method('delete')<button class="danger">Take no form any more</button></form></div>
        <h3>As they came</h3>
        @forelse ($entries as $entry)<div class="line form-entry"><span class="when stamp">{{ $entry->created_at->setTimezone($business->tz)->format('D j M, H:i') }}</span><span class="what">{{ \Illuminate\Support\Str::limit(implode(' · ', array_filter($entry->fields)), 90) }}</span><span class="when">@if ($entry->held){{ 'held: '.$entry->held->words() }}@elseif ($entry->person){{ $entry->person->state === 'waiting' ? 'rung '.$clock($entry->person->next_at) : $entry->person->outcome }}@endif</span>
            @if ($entry->held?->canBeRung() && $entry->campaign_person_id === null)<form method="post" action="{{ route('campaign.form.ring', [$business, $campaign, $entry]) }}">@csrf<button>Ring them</button></form>@endif</div>
        @empty<p class="empty">None yet.</p>@endforelse
    @endif</section>
