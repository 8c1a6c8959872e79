@include('parts.error', ['title' => 'This is not open to you', 'words' => 'Your role in this business does not include this page. An owner can change that.'])
