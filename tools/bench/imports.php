<?php

declare(strict_types=1);

/*
 * Contacts brought in, each time in a process with a database of its own.
 */
return static function (Table $table): void {
    // The quicker of two: a process of its own meets the machine in whatever mood it is.
    $import = static function (int $rows): array {
        $two = [Spent::apart('import', (string) $rows), Spent::apart('import', (string) $rows)];

        return $two[0]['processor'] <= $two[1]['processor'] ? $two[0] : $two[1];
    };
    $few = $import(5_000);
    $half = $import(25_000);
    $all = $import(50_000);
    $spent = static fn (array $told): Spent => new Spent($told['processor'], $told['clock']);
    $table->row('import of 50,000 contacts', $spent($all), 20);
    $table->growth('the contacts', $spent($half), $spent($all));
    $table->number('memory of 50,000 more than of 5,000', max(0, $all['megabytes'] - $few['megabytes']), 'MB', 16);
    $table->row('the same list again, 50,000', new Spent($all['again']['processor'], $all['again']['clock']), 20);
    $table->row('its source taken out', new Spent($all['removed']['processor'], $all['removed']['clock']), 20);
};
