<?php

declare(strict_types=1);

return [
    // Names under which it answers, beside the one in APP_URL.
    'hosts' => array_filter(array_map(trim(...), explode(',', (string) env('RINGO_HOSTS', '127.0.0.1,localhost,[::1]')))),
    // How deliveries leave: 'stand-in' keeps them on the post room's page; 'mail' sends e-mail as Laravel's mail configuration says.
    'post' => ['email' => env('RINGO_POST_EMAIL', 'stand-in')],
    // Hosts that web requests may be sent to; all others go to the stand-in.
    'web_allow' => array_filter(explode(',', (string) env('RINGO_WEB_ALLOW', ''))),
    'web_private' => (bool) env('RINGO_WEB_PRIVATE', false),
    // Hosts of the stand-in systems, which are served beside the pages.
    'stand_ins' => ['yard.pellbrook.example' => 'yard', 'accounts.pellbrook.example' => 'accounts', 'parcels.quillmoor.example' => 'parcels', 'adviser.ringo.example' => 'adviser'],
    'stand_in_url' => env('RINGO_STAND_IN_URL', env('APP_URL', 'http://127.0.0.1:8000')),
    'slow_gateway_ms' => (int) env('RINGO_SLOW_GATEWAY_MS', 1500),
];
