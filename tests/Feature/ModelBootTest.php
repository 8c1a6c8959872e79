<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Concerns\BootsByName;
use App\Models\Concerns\ReadsPlainly;
use Illuminate\Database\Eloquent\Attributes\Boot;
use Illuminate\Database\Eloquent\Attributes\Initialize;
use Illuminate\Database\Eloquent\Casts\Attribute;
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

    public function testNoAttributeIsChangedOnItsWay(): void
    {
        foreach (glob(app_path('Models/*.php')) ?: [] as $file) {
            $class = 'App\\Models\\'.basename($file, '.php');
            if (! is_subclass_of($class, Model::class)) {
                continue;
            }
            self::assertContains(ReadsPlainly::class, class_uses_recursive($class), $class);
            $changing = array_filter((new \ReflectionClass($class))->getMethods(), static fn (\ReflectionMethod $method): bool => preg_match('/^[gs]et[A-Z].*Attribute$/', $method->getName()) === 1 && str_starts_with($method->getDeclaringClass()->getName(), 'App\\') || (string) $method->getReturnType() === Attribute::class);
            self::assertSame([], array_map(static fn (\ReflectionMethod $method): string => "{$class}::{$method->getName()}", array_values($changing)), 'it would not be called: Concerns\\ReadsPlainly');
            self::assertTrue((new \ReflectionClass($class))->isAbstract() || (new \ReflectionClass($class))->getProperty('table')->getDefaultValue() !== null, "{$class} names its table, so that no words are put into the plural on the way");
        }
    }
}
