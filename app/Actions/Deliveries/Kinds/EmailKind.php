<?php

declare(strict_types=1);

namespace App\Actions\Deliveries\Kinds;

use Ringo\Delivery\Means;

final readonly class EmailKind extends MessageKind
{
    public function means(): Means
    {
        return Means::Email;
    }

    public function parts(): array
    {
        return ['to', 'subject', 'words', 'file'];
    }
}
