<?php

declare(strict_types=1);

// Router of the built-in server: files of public/ as they are, everything else through the application.

$path = parse_url($_SERVER['REQUEST_URI'] ?? '/', PHP_URL_PATH);
$file = is_string($path) ? realpath(__DIR__.'/../public'.urldecode($path)) : false;
if ($file !== false && is_file($file) && str_starts_with($file, (string) realpath(__DIR__.'/../public').'/') && ! str_ends_with($file, '.php') && ! str_contains($file, '/.')) {
    return false;
}

require __DIR__.'/../public/index.php';
