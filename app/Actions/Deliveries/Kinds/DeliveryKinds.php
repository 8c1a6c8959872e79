<?php

declare(strict_types=1);

namespace App\Actions\Deliveries\Kinds;

use Ringo\Delivery\Means;

/** All kinds of delivery there are. */
final class DeliveryKinds
{
    /** @var array<string, class-string<DeliveryKind>> by name, in the order they are offered */
    private const ALL = ['email' => EmailKind::class, 'text' => TextKind::class, 'web' => WebKind::class, 'row' => RowKind::class];

    public static function of(string $name): DeliveryKind
    {
        $class = self::ALL[Means::from($name)->value];

        return new $class;
    }

    /** @return array<string, DeliveryKind> */
    public static function all(): array
    {
        return array_map(static fn (string $class): DeliveryKind => new $class, self::ALL);
    }

    /** @return array<string, DeliveryKind> those that go through a gateway */
    public static function travelling(): array
    {
        return array_filter(self::all(), static fn (DeliveryKind $kind): bool => $kind->travels());
    }

    /** @return list<string> names of the kinds that have a part, for a form that shows it for them alone */
    public static function having(string $part): array
    {
        return array_keys(array_filter(self::all(), static fn (DeliveryKind $kind): bool => $kind->has($part)));
    }
}
