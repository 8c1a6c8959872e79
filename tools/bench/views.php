<?php

declare(strict_types=1);

/*
 * Pages over many stored calls, sorted and filtered each way. Read from the database or reckoned: server time is what counts here.
 */
return static function (Table $table): void {
    foreach (Spent::apart('stored', (string) $table->calls) as $name => $took) {
        $table->row('page, '.number_format($table->calls)." calls stored: {$name}", new Spent(max($took['processor'], $took['clock']), $took['clock']), 0.150);
    }
};
