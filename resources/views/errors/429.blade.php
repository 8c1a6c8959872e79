@include('parts.error', ['title' => 'Too many tries', 'words' => 'Please wait a minute and try again. Nothing was lost.'])
