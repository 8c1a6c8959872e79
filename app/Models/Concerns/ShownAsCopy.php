<?php

declare(strict_types=1);

namespace App\Models\Concerns;

/** A model that is shown as a copy, with some things left out: the copy is looked at and never kept. */
trait ShownAsCopy
{
    private bool $isCopy = false;

    public static function bootShownAsCopy(): void
    {
        $refuse = static function (self $model): void {
            if ($model->isCopy) {
                throw new \LogicException('What is shown is a copy; it is not kept. Change the original.');
            }
        };
        static::saving($refuse);
        static::deleting($refuse);
    }

    /**
     * @param array<string, mixed> $instead attributes that are shown otherwise
     */
    public function shownAs(array $instead = []): static
    {
        $copy = clone $this;
        foreach ($instead as $name => $value) {
            $copy->setAttribute($name, $value);
        }
        $copy->isCopy = true;

        return $copy;
    }
}
