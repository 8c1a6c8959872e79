@include('parts.error', ['title' => 'There is nothing here', 'words' => 'The page or the call is gone, or belongs to another business. Nothing was changed.'])
