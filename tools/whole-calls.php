<?php

declare(strict_types=1);

// Holds the written calls under tests/Core/Dialogue/calls and prints how many came out right. --show tells each failure, --call=TEXT one call in words.

use Tests\Core\Dialogue\WholeCall;

require dirname(__DIR__).'/vendor/autoload.php';

$options = getopt('', ['show', 'call:', 'trade:']);
$sums = ['fields' => [0, 0], 'outcomes' => [0, 0], 'demands' => [0, 0]];
$needless = $repeated = $calls = 0;
foreach (WholeCall::trades() as $trade) {
    if (isset($options['trade']) && $options['trade'] !== $trade) {
        continue;
    }
    foreach (WholeCall::of($trade) as $name => $call) {
        if (isset($options['call']) && ! str_contains($name, is_string($options['call']) ? $options['call'] : '')) {
            continue;
        }
        $calls++;
        $result = $call->run($trade);
        $wrong = [...$result['fields'], ...$result['outcome'], ...$result['demands']];
        if (isset($options['show']) && $wrong !== [] || isset($options['call'])) {
            echo "{$name}\n  ".implode("\n  ", $wrong)."\n".(isset($options['call']) ? $result['words']."\n" : '');
        }
        foreach (['fields' => ['fields', 'fieldsOf'], 'outcomes' => ['outcome', 'outcomesOf'], 'demands' => ['demands', 'demandsOf']] as $what => [$failed, $of]) {
            $sums[$what][0] += $result[$of] - count($result[$failed]);
            $sums[$what][1] += $result[$of];
        }
        $needless += $result['needless'];
        $repeated += $result['repeated'];
    }
}
printf('%d calls', $calls);
foreach ($sums as $what => [$right, $of]) {
    printf(', %s right %d of %d (%.3f)', $what, $right, $of, $of === 0 ? 1 : $right / $of);
}
printf(", needless questions %d, repeated sentences %d\n", $needless, $repeated);
