<?php

declare(strict_types=1);

// Writes docs/formats/script.schema.json from the kinds of steps.

use Ringo\Script\ScriptSchema;

require dirname(__DIR__).'/vendor/autoload.php';

file_put_contents(dirname(__DIR__).'/docs/formats/script.schema.json', (new ScriptSchema)->toJson());
