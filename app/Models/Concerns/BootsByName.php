<?php

declare(strict_types=1);

namespace App\Models\Concerns;

/**
 * Boots the traits of a model by the names of their methods alone. The framework looks through every method of every model for attributes
 * as well, which takes three milliseconds of each request; none of ours are told so.
 */
trait BootsByName
{
    protected static function bootTraits(): void
    {
        $class = static::class;
        static::$traitInitializers[$class] = [];
        foreach (class_uses_recursive($class) as $trait) {
            $name = class_basename($trait);
            if (method_exists($class, "boot{$name}")) {
                static::{"boot{$name}"}();
            }
            if (method_exists($class, "initialize{$name}")) {
                static::$traitInitializers[$class][] = "initialize{$name}";
            }
        }
        static::$traitInitializers[$class] = array_values(array_unique(static::$traitInitializers[$class]));
    }
}
