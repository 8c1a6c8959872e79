<?php

declare(strict_types=1);

// Compiles what every request needs once, when php-fpm starts: the core with its word tables, the application, and the framework.

$root = dirname(__DIR__, 2);
$folders = ["{$root}/core", "{$root}/app", "{$root}/vendor/laravel/framework/src/Illuminate", "{$root}/vendor/symfony", "{$root}/vendor/nesbot/carbon/src"];
// Parts of the framework that no page of ours uses, or that need what is not installed.
$leave = '~/(?:Testing|Tests|Console|stubs|Redis|Broadcasting|DynamoDb|Resources/(?:translations|data)|Transport|Test|Polyfill\w*|polyfill-[\w-]+|intl|var-dumper|error-handler|cache|yaml|uid|translation|css-selector)/~i';
foreach ($folders as $folder) {
    foreach (is_dir($folder) ? new RegexIterator(new RecursiveIteratorIterator(new RecursiveDirectoryIterator($folder, FilesystemIterator::SKIP_DOTS)), '/\.php$/') : [] as $file) {
        if (preg_match($leave, substr((string) $file, strlen($root))) !== 1) {
            @opcache_compile_file((string) $file);
        }
    }
}
