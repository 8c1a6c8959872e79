<!DOCTYPE html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>{{ $well ? 'Thank you' : 'Not sent' }}</title>
<link rel="stylesheet" href="/site.css">
<link rel="icon" href="/mark.svg" type="image/svg+xml">
</head>
<body>
<header><h1>{{ $business->name ?? 'Not found' }}</h1></header>
<main><p class="lead" role="{{ $well ? 'status' : 'alert' }}">{{ $told }}</p>@unless ($well)<p>Your browser’s way back keeps what you wrote.</p>@endunless</main>
</body>
</html>
