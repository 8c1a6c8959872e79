<?php

declare(strict_types=1);

// Router of the built-in server: files of public/ as they are, everything else through the application.

$path = parse_url($_SERVER['REQUEST_URI'] ?? '/', PHP_URL_PATH);
$public = (string) realpath(__DIR__.'/../../public');
$file = is_string($path) ? realpath($public.urldecode($path)) : false;
if ($file !== false && is_file($file) && str_starts_with($file, $public.'/') && ! str_ends_with($file, '.php') && ! str_contains($file, '/.')) {
    $kinds = ['css' => 'text/css; charset=UTF-8', 'js' => 'text/javascript; charset=UTF-8', 'svg' => 'image/svg+xml', 'woff2' => 'font/woff2', 'json' => 'application/json', 'png' => 'image/png', 'ico' => 'image/x-icon', 'txt' => 'text/plain; charset=UTF-8'];
    header('Content-Type: '.($kinds[pathinfo($file, PATHINFO_EXTENSION)] ?? 'application/octet-stream'));
    header('X-Content-Type-Options: nosniff');
    // What is built has its own sum in its name.
    header('Cache-Control: '.(str_contains($file, '/build/assets/') ? 'public, max-age=31536000, immutable' : 'public, max-age=300'));
    header('Content-Length: '.filesize($file));
    readfile($file);

    return true;
}

require __DIR__.'/../../public/index.php';
