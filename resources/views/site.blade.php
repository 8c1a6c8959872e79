<!DOCTYPE html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>{{ $business->name }}</title>
<link rel="stylesheet" href="/site.css">
<link rel="icon" href="/mark.svg" type="image/svg+xml">
</head>
<body>
<header><p class="made-up">A made-up page: the client’s own site in the demonstration.</p><h1>{{ $business->name }}</h1></header>
<main>
<p class="lead">{{ $brief->profile ?: 'Welcome.' }}</p>
@foreach ($brief->sites as $site)<h2>{{ ucfirst($site->name) }}</h2><p>{{ implode(' · ', array_filter([$site->address, $site->phone])) }}</p>@endforeach
@if ($brief->hours->given())<h2>Open</h2><ul>@foreach ($brief->hours->week->toArray() as $day => $spans)<li>{{ ucfirst($day) }} {{ implode(', ', $spans) }}</li>@endforeach</ul>@endif
</main>
<script src="{{ $script }}" data-line="{{ $line->token }}" async></script>
</body>
</html>
