<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Concerns\BootsByName;
use Illuminate\Database\Eloquent\Attributes\Boot;
use Illuminate\Database\Eloquent\Attributes\Initialize;
use Illuminate\Database\Eloquent\Model;

/** Models boot their traits by name: none may be told by an attribute, which would not be seen. */
final class ModelBootTest extends FeatureTestCase
{
    public function testNoTraitIsBootedByAnAttribute(): void
    {
        $models = 0;
        foreach (glob(app_path('Models/*.php')) ?: [] as $file) {
            $class = 'App\\Models\\'.basename($file, '.php');
            if (! is_subclass_of($class, Model::class)) {
                continue;
            }
            $models++;
            self::assertContains(BootsByName::class, class_uses_recursive($class), $class);
            $told = array_filter((new \ReflectionClass($class))->getMethods(), static fn (\ReflectionMethod $method): bool => $method->getAttributes(Boot::class) !== [] || $method->getAttributes(Initialize::class) !== []);
            self::assertSame([], array_map(static fn (\ReflectionMethod $method): string => "{$class}::{$method->getName()}", array_values($told)));
        }
        self::assertGreaterThan(70, $models);
    }
}
