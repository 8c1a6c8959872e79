<x-layout :title="$delivery->name" :business="$business" :agent="$agent" here="post">
    <header class="head"><h1>{{ $delivery->name }}<span class="thin">, {{ ['waiting' => 'waiting', 'sending' => 'being sent', 'sent' => 'sent', 'failed' => 'to be tried again', 'dead' => 'given up', 'cancelled' => 'cancelled'][$delivery->state] }}</span></h1>
        <div class="actions">
            @if (in_array($delivery->state, ['failed', 'dead', 'cancelled', 'waiting'], true))<form method="post" action="{{ route('delivery.again', [$business, $delivery]) }}">@csrf<button type="submit" class="primary">Send again now</button></form>@endif
            @if (in_array($delivery->state, ['waiting', 'failed'], true))<form method="post" action="{{ route('delivery.cancel', [$business, $delivery]) }}">@csrf<button type="submit">Cancel it</button></form>@endif
        </div>
        <p class="sub">{{ \Ringo\Delivery\Means::from($delivery->kind)->title() }} to {{ $delivery->to }} · due {{ $delivery->due_at->setTimezone($business->tz)->format('l j F, H:i') }}@if ($delivery->call) · <a href="{{ route('call', [$business, $delivery->call]) }}">the call of {{ $delivery->call->caller_name }}</a>@endif · <a href="{{ route('post', $business) }}">post room</a></p>
    </header>
    @if ($delivery->problem !== '')<p class="notice doubt-note">{{ ucfirst($delivery->problem) }}@if ($delivery->state === 'failed'), tried again at {{ $delivery->due_at->setTimezone($business->tz)->format('H:i:s') }}@endif.</p>@endif
    <div class="post-lower">
        <section class="card"><h2>What is sent</h2>@if ($delivery->subject !== '')<p><strong>{{ $delivery->subject }}</strong></p>@endif<pre class="letter">{{ \App\Actions\Deliveries\Kinds\DeliveryKinds::of($delivery->kind)->shown($delivery->body) }}</pre>@if ($delivery->file)<p class="muted">with the file @if ($enclosure?->exists)<a href="{{ route('enclosure', [$business, $enclosure]) }}">{{ $delivery->file }}</a>, {{ $enclosure->size() }}@elseif ($enclosure){{ $delivery->file }}, {{ $enclosure->size() }}@elseif ($delivery->file === \App\Actions\Diary\CalendarFile::INVITATION){{ $delivery->file }}, where the call books something @else{{ $delivery->file }}, which is not among the files of the business @endif</p>@endif</section>
        <section class="card"><h2>What happened</h2>
            <ol class="history-list">@forelse ($delivery->log as $entry)<li><small>{{ \Illuminate\Support\Carbon::parse($entry['at'])->setTimezone($business->tz)->format('j M, H:i:s') }}</small> {{ $entry['what'] }}</li>@empty<li class="muted">Not tried yet.</li>@endforelse</ol>
            @if ($receipt)<h3>Received at the other end</h3><p>{{ $receipt->times === 1 ? 'Once' : 'Offered '.$receipt->times.' times, taken once' }}, under the key <code>{{ $receipt->key }}</code>.</p>@if ($receipt->headers !== [])<pre class="letter">@foreach ($receipt->headers as $name => $value){{ $name }}: {{ $value }}
@endforeach</pre>@endif @endif
        </section>
    </div>
</x-layout>
