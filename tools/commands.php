<?php

declare(strict_types=1);

// Entry of the core's commands: ./ringo read, call, check. They need no database and do not start the framework.

use App\Console\Core\AnswerCommand;
use App\Console\Core\Arguments;
use App\Console\Core\BadInput;
use App\Console\Core\CallCommand;
use App\Console\Core\CapacityCommand;
use App\Console\Core\CheckCommand;
use App\Console\Core\CrowdCommand;
use App\Console\Core\ErrandCommand;
use App\Console\Core\ExtractCommand;
use App\Console\Core\ForecastCommand;
use App\Console\Core\FreeCommand;
use App\Console\Core\LineCommand;
use App\Console\Core\OutreachCommand;
use App\Console\Core\PlanCommand;
use App\Console\Core\ReadCommand;
use App\Console\Core\RehearseCommand;
use App\Console\Core\RouteCommand;
use App\Console\Core\ScoreCommand;
use App\Console\Core\WrongUsage;

// Standard output carries answers alone.
ini_set('display_errors', 'stderr');

require __DIR__.'/../vendor/autoload.php';

$commands = ['read' => ReadCommand::class, 'call' => CallCommand::class, 'check' => CheckCommand::class, 'route' => RouteCommand::class, 'free' => FreeCommand::class, 'extract' => ExtractCommand::class, 'answer' => AnswerCommand::class, 'score' => ScoreCommand::class, 'capacity' => CapacityCommand::class, 'plan' => PlanCommand::class, 'crowd' => CrowdCommand::class, 'rehearse' => RehearseCommand::class, 'errand' => ErrandCommand::class, 'forecast' => ForecastCommand::class, 'outreach' => OutreachCommand::class, 'line' => LineCommand::class];
$name = $argv[1] ?? '';

try {
    if (! isset($commands[$name])) {
        throw new WrongUsage("There is no command “{$name}”. The commands are: ".implode(', ', array_keys($commands)).'.');
    }
    exit((new $commands[$name])->run(Arguments::of(array_slice($argv, 2))));
} catch (WrongUsage $problem) {
    fwrite(STDERR, $problem->getMessage()."\n");
    exit(2);
} catch (BadInput $problem) {
    fwrite(STDERR, $problem->getMessage()."\n");
    exit(1);
}
