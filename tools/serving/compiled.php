<?php

declare(strict_types=1);

// The settings with which a server compiles what every request needs as it starts (preload.php): a list for whoever starts one from PHP, and
// printed for the shell.

$settings = ['memory_consumption' => 256, 'interned_strings_buffer' => 32, 'max_accelerated_files' => 20_000, 'preload' => __DIR__.'/preload.php', 'preload_user' => posix_getpwuid(posix_geteuid())['name'] ?? 'root'];
$flags = [];
foreach ($settings as $name => $value) {
    array_push($flags, '-d', "opcache.{$name}={$value}");
}
if (realpath($_SERVER['SCRIPT_FILENAME'] ?? '') === __FILE__) {
    echo implode(' ', $flags);
}

return $flags;
