<?php

declare(strict_types=1);

// Tokens of the interface for other systems only: no cookies, no routes of its own.
return ['routes' => false, 'stateful' => [], 'guard' => [], 'expiration' => null, 'token_prefix' => ''];
