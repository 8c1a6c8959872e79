<!DOCTYPE html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>{{ $business->name }}: we ring you</title>
<link rel="stylesheet" href="/site.css">
<link rel="icon" href="/mark.svg" type="image/svg+xml">
</head>
<body>
<header><p class="made-up">A made-up page: the client’s own site in the demonstration.</p><h1>{{ $business->name }}</h1></header>
<main>
<h2>Ask us, and we ring you</h2>
<form method="post" action="{{ $action }}">
<p><label>Your name<br><input name="name" autocomplete="name" maxlength="80" required></label></p>
<p><label>Your telephone<br><input name="phone" type="tel" autocomplete="tel" maxlength="40" required></label></p>
<p><label>What it is about<br><textarea name="wish" rows="3" maxlength="500"></textarea></label></p>
<p class="unseen" aria-hidden="true"><label>Leave this empty <input name="website" tabindex="-1" autocomplete="off"></label></p>
<p><label><input type="checkbox" name="consent" value="yes"> You may ring me about this, with an automated assistant.</label></p>
<p><button>Ring me</button></p>
</form>
</main>
</body>
</html>
