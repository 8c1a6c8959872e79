@include('parts.error', ['title' => 'That cannot be done here', 'words' => 'The address is not for this, or what was sent is not what it takes. Nothing was changed.'])
