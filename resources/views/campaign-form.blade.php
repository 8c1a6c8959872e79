<x-layout title="New campaign" :business="$business" :agent="$agent" here="outreach">
    <header class="head"><h1>New campaign</h1><p class="sub"><a href="{{ route('outreach', $business) }}">Outreach</a> · who may be rung, when and how often; nobody is rung before it is launched</p></header>
    @if ($errors->any())<ul class="problems" role="alert">@foreach ($errors->all() as $error)<li>{{ $error }}</li>@endforeach</ul>@endif
    @if ($agents->isEmpty())<p class="card empty">A campaign needs an agent that places calls. <a href="{{ route('agent.new', $business) }}">Make one</a> first.</p>
    @else<form class="card campaign-fields" method="post" action="{{ route('campaign.store', $business) }}">@csrf @include('parts.campaign-fields')<div class="go"><button class="primary">Make it</button></div></form>@endif
</x-layout>
