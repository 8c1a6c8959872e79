<?php

declare(strict_types=1);

$finder = (new PhpCsFixer\Finder)
    ->in([__DIR__.'/app', __DIR__.'/core', __DIR__.'/config', __DIR__.'/database', __DIR__.'/routes', __DIR__.'/tests', __DIR__.'/tools', __DIR__.'/compat', __DIR__.'/bootstrap'])
    ->notPath('cache');

return (new PhpCsFixer\Config)
    ->setFinder($finder)
    ->setUnsupportedPhpVersionAllowed(true)
    ->setRiskyAllowed(true)
    ->setCacheFile(__DIR__.'/storage/framework/cache/php-cs-fixer')
    ->setRules([
        '@PSR12' => true,
        'declare_strict_types' => true,
        'strict_param' => true,
        'no_unused_imports' => true,
        'ordered_imports' => true,
        'single_quote' => true,
        'trailing_comma_in_multiline' => ['elements' => ['arrays', 'arguments', 'parameters']],
        'new_with_parentheses' => false,
        'concat_space' => ['spacing' => 'none'],
        'not_operator_with_successor_space' => true,
        'no_superfluous_phpdoc_tags' => ['allow_mixed' => true],
        'blank_line_before_statement' => ['statements' => ['return', 'throw', 'continue', 'break']],
        'array_syntax' => ['syntax' => 'short'],
        'class_attributes_separation' => ['elements' => ['method' => 'one']],
    ]);
