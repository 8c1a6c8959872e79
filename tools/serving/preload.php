<?php

declare(strict_types=1);

// Compiles and links what every request needs once, when the server starts: the core with its word tables, the application, and the framework.

$root = dirname(__DIR__, 2);
$folders = ['core', 'app', 'vendor/laravel/framework/src/Illuminate', 'vendor/laravel/sanctum/src', 'vendor/symfony', 'vendor/nesbot/carbon/src', 'vendor/psr', 'vendor/monolog/monolog/src', 'vendor/doctrine/inflector', 'vendor/composer'];
// Parts of the framework that no page of ours uses, or that need what is not installed.
$leave = '~/(?:Testing|Tests|stubs|DependencyInjection|PHPStan|PhpStan|Resources/(?:translations|data)|Test|DataCollector|Polyfill\w*|polyfill-[\w-]+|intl|var-dumper|cache|yaml|css-selector|uid|Bundle|Extractor|Tester|HtmlDumper|CliDumper|CliErrorRenderer|Marshaller|IdentityMarshaller|FluentPromise|LazyPromise|FilterEmailValidation|platform_check|autoload_\w+|installed|InstalledVersions)(?:/|\.php$)|/monolog/src/Monolog/Handler/(?!Abstract|Handler|Processable|Formattable|Stream|Null|Rotating)|/symfony/[\w-]+/(?:Loader|Dumper|Marshaller|HttpKernelBrowser|Config)|/Illuminate/(?:Redis|Testing|Broadcasting|Foundation/Testing|Foundation/Cloud|Cache/DynamoDb)|Broadcastable(?:Model)?Event|ExpressionLanguageProvider|/carbon/~';
// These choose what they are made of as they are loaded, so they are loaded.
$names = require "{$root}/vendor/composer/autoload_psr4.php";
spl_autoload_register(static function (string $class) use ($names): void {
    foreach ($names as $prefix => $from) {
        foreach (str_starts_with($class, $prefix) ? $from : [] as $folder) {
            $file = $folder.'/'.str_replace('\\', '/', substr($class, strlen($prefix))).'.php';
            if (is_file($file)) {
                require_once $file;
            }
        }
    }
});
foreach ([Illuminate\Support\Carbon::class, Carbon\CarbonImmutable::class, Carbon\CarbonPeriod::class, Carbon\FactoryImmutable::class, Illuminate\Support\DateFactory::class] as $class) {
    class_exists($class);
}
$loaded = array_fill_keys(get_included_files(), true);
foreach ($folders as $folder) {
    foreach (is_dir("{$root}/{$folder}") ? new RegexIterator(new RecursiveIteratorIterator(new RecursiveDirectoryIterator("{$root}/{$folder}", FilesystemIterator::SKIP_DOTS)), '/\.php$/') : [] as $file) {
        if (! isset($loaded[(string) $file]) && preg_match($leave, substr((string) $file, strlen($root))) !== 1) {
            @opcache_compile_file((string) $file);
        }
    }
}
