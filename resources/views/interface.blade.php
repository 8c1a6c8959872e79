@php
    $kind = function (array $schema) use (&$kind): string {
        return match (true) {
            isset($schema['$ref']) => basename($schema['$ref']), isset($schema['enum']) => implode(', ', $schema['enum']), isset($schema['oneOf']) => implode(' or ', array_map($kind, $schema['oneOf'])),
            ($schema['type'] ?? '') === 'array' => 'list of '.$kind($schema['items']), ($schema['type'] ?? '') === 'object' && isset($schema['properties']['items']) => 'page of '.$kind($schema['properties']['items']['items']),
            default => implode(' or ', (array) ($schema['type'] ?? 'anything')).(isset($schema['format']) ? ', '.$schema['format'] : ''),
        };
    };
    $named = collect(\App\Api\Ability::cases())->mapWithKeys(fn ($one) => [$one->value => $one->words()]);
@endphp
<x-layout title="Interface" :business="$business" :agent="$agent" here="interface">
    <header class="head"><h1>Interface</h1><p class="sub">what other systems may read and do at {{ $business->name }}, with tokens of their own</p><div class="actions"><a class="button" href="/api/v1/openapi.json"><x-icon name="download"/> OpenAPI document</a></div></header>
    @if ($errors->any())<ul class="problems" role="alert">@foreach ($errors->all() as $error)<li>{{ $error }}</li>@endforeach</ul>@endif
    @if (session('token'))<div class="notice" role="status"><span>The token, shown this once: <code data-token-shown>{{ session('token') }}</code></span></div>@endif
    <table class="list"><thead><tr><th scope="col">Token</th><th scope="col">May</th><th scope="col">Made</th><th scope="col">Last used</th><th scope="col"><span class="sr">Revoke</span></th></tr></thead><tbody>
        @forelse ($tokens as $one)<tr><td><strong>{{ $one->name }}</strong></td><td>{{ collect($one->abilities)->map(fn ($may) => $named[$may] ?? $may)->implode('; ') }}</td><td>{{ $one->created_at->setTimezone($business->tz)->format('j M Y') }} by {{ $one->user->name ?? 'somebody' }}@if ($one->expires_at)<br><small class="muted">{{ $one->expires_at->isPast() ? 'ended' : 'until' }} {{ $one->expires_at->format('j M Y') }}</small>@endif</td><td>{{ $one->last_used_at?->setTimezone($business->tz)->format('j M, H:i') ?? 'never' }}</td><td class="num"><form method="post" action="{{ route('interface.revoke', [$business, $one->id]) }}">@csrf @method('delete')<button class="danger">Revoke</button></form></td></tr>
        @empty<tr><td colspan="5" class="empty">No token yet. Each system gets one of its own, for what it needs and no more.</td></tr>@endforelse</tbody></table>
    <section class="card after-list"><h2>A new token</h2><form method="post" class="token-fields" action="{{ route('interface.make', $business) }}">@csrf
        <div class="inline-fields"><x-field label="for"><input name="name" maxlength="80" required value="{{ old('name') }}" placeholder="The yard system"></x-field><x-field label="until" hint="empty: until it is revoked"><input type="date" name="until" value="{{ old('until') }}"></x-field></div>
        <fieldset class="checks"><legend>It may</legend>@foreach (\App\Api\Ability::cases() as $one)<x-tick name="may[]" value="{{ $one->value }}" :on="in_array($one->value, (array) old('may', []), true)">{{ $one->words() }}</x-tick>@endforeach</fieldset><div class="go"><button class="primary">Make it</button></div></form></section>
    <section class="after-list"><h2>What there is</h2><p class="muted">Under <code>{{ $document['servers'][0]['url'] }}</code>. {{ \Illuminate\Support\Str::after($document['info']['description'], 'made for. ') }}</p>
        @foreach ($document['paths'] as $path => $methods)@foreach ($methods as $method => $one)<details class="card operation"><summary><code class="method">{{ strtoupper($method) }}</code> <code>{{ $path }}</code> <span>{{ $one['summary'] }}</span> <small class="muted">{{ $named[$one['x-needs']] }}</small></summary>
            <table class="list plain"><tbody>@foreach ($one['parameters'] as $parameter)<tr><td><code>{{ $parameter['name'] }}</code></td><td class="muted">{{ ['path' => 'in the address', 'query' => 'in the query', 'header' => 'header'][$parameter['in']] }}</td><td>{{ $parameter['description'] }}</td><td class="muted">{{ $kind($parameter['schema']) }}</td></tr>@endforeach
                @isset($one['requestBody'])<tr><td>body</td><td></td><td colspan="2">{{ $kind($one['requestBody']['content']['application/json']['schema']) }}</td></tr>@endisset
                @foreach ($one['responses'] as $status => $answer)@isset($answer['content'])<tr><td><code>{{ $status }}</code></td><td></td><td colspan="2">{{ collect($answer['content'])->map(fn ($form, $type) => $kind($form['schema']).($type === 'application/json' ? '' : " as {$type}"))->implode('; ') }}</td></tr>@endisset @endforeach</tbody></table>
            <pre class="sample">curl -H 'Authorization: Bearer TOKEN'{{ $method === 'get' ? '' : " -X ".strtoupper($method)." -H 'Content-Type: application/json' -H 'Idempotency-Key: …' -d '{…}'" }} '{{ $document['servers'][0]['url'].$path }}'</pre></details>@endforeach @endforeach
        <h3>Shapes</h3>@foreach ($document['components']['schemas'] as $name => $schema)<details class="card operation"><summary><strong>{{ $name }}</strong></summary><table class="list plain"><tbody>@foreach ($schema['properties'] ?? [] as $key => $property)<tr><td><code>{{ $key }}</code></td><td class="muted">{{ is_array($property) ? $kind($property) : 'anything' }}</td></tr>@endforeach</tbody></table></details>@endforeach</section>
</x-layout>
