<?php

declare(strict_types=1);

namespace Ringo\Delivery;

/** By what means something reaches somebody after or during a call, and how it is called. */
enum Means: string
{
    case Email = 'email';
    case Text = 'text';
    case Web = 'web';
    case Row = 'row';

    /** With its article: 'an e-mail'. */
    public function called(): string
    {
        return match ($this) {
            self::Email => 'an e-mail',
            self::Text => 'a text',
            self::Web => 'a web request',
            self::Row => 'a row into a file',
        };
    }

    public function title(): string
    {
        return match ($this) {
            self::Email => 'E-mail',
            self::Text => 'Text',
            self::Web => 'Web request',
            self::Row => 'Row',
        };
    }

    public function plural(): string
    {
        return match ($this) {
            self::Email => 'E-mail',
            self::Text => 'Texts',
            self::Web => 'Web requests',
            self::Row => 'Rows',
        };
    }

    /** @return list<self> what a step can send while the call runs */
    public static function inCalls(): array
    {
        return [self::Text, self::Email, self::Web];
    }
}
