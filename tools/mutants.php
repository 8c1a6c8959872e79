<?php

declare(strict_types=1);

// How much a test suite notices: changes one small thing at a time in a copy of the tree and runs the core suite over it.
// A change no test notices is a survivor: a rule nobody holds, or a change that makes no difference. Run by hand, never
// by ./ringo test.
// Run: php tools/mutants.php [--count=60] [--seed=1] [--in=core/Dialogue,core/Diary,core/Delivery] [--part=1/2] [--features]
// The same seed changes the same places. --part=1/2 and --part=2/2 are two halves for two processors.
// --features runs the Feature suite too over what the core suite did not notice.

const SWAPS = [T_IS_IDENTICAL => '!==', T_IS_NOT_IDENTICAL => '===', T_BOOLEAN_AND => '||', T_BOOLEAN_OR => '&&', T_IS_SMALLER_OR_EQUAL => '<', T_IS_GREATER_OR_EQUAL => '>', T_CONTINUE => 'break'];

const SIGNS = ['<' => '<=', '>' => '>=', '+' => '-', '-' => '+', '*' => '/', '!' => ''];

/** After these a sign stands between two values, before them it would belong to one. */
const ENDS_A_VALUE = [T_VARIABLE, T_LNUMBER, T_DNUMBER, T_STRING, ')', ']'];

/** Calls whose last argument makes no difference among values of one type. */
const COMPARE_STRICTLY = ['in_array', 'array_search', 'array_keys'];

/** A change that loops for ever is noticed. */
const MOST_SECONDS = 300;

$given = getopt('', ['count::', 'seed::', 'in::', 'part::', 'features']);
$count = (int) ($given['count'] ?? 60);
[$part, $of] = array_map(intval(...), explode('/', is_string($given['part'] ?? null) ? $given['part'] : '1/1'));
$root = dirname(__DIR__);
$places = [];
foreach (explode(',', is_string($given['in'] ?? null) ? $given['in'] : 'core/Dialogue,core/Diary,core/Delivery') as $folder) {
    array_push($places, ...placesIn($root, $folder));
}
mt_srand((int) ($given['seed'] ?? 1));
shuffle($places);
$chosen = array_filter(array_slice($places, 0, $count), static fn (int $n): bool => $n % $of === $part - 1, ARRAY_FILTER_USE_KEY);

$copy = sys_get_temp_dir().'/mutants-'.getmypid();
mkdir($copy);
register_shutdown_function(static fn () => passthru('rm -rf '.escapeshellarg($copy)));
foreach (['app', 'bootstrap', 'compat', 'composer.json', 'config', 'core', 'data', 'database', 'phpunit.xml', 'resources', 'ringo', 'routes', 'tests', 'tools', 'training', 'docs', 'README.md', 'package.json', 'artisan', 'public'] as $needed) {
    passthru('cp -r '.escapeshellarg("$root/$needed").' '.escapeshellarg($copy));
}
passthru('cp -al '.escapeshellarg("$root/vendor").' '.escapeshellarg($copy));
symlink("$root/node_modules", "$copy/node_modules");
foreach (['app', 'logs', 'framework/cache', 'framework/views', 'framework/sessions', 'framework/testing'] as $folder) {
    mkdir("$copy/storage/$folder", 0o777, true);
}

if (($ill = noticedBy($copy, ($chosen[array_key_first($chosen)] ?? exit("Nothing there to change.\n"))[0], isset($given['features']))) !== null) {
    exit("The tests fail before anything is changed ($ill): mend them first.\n".file_get_contents("$copy/told.txt"));
}
$killed = 0;
foreach ($chosen as [$file, $line, $at, $was, $now]) {
    $text = (string) file_get_contents("$root/$file");
    file_put_contents("$copy/$file", substr($text, 0, $at).$now.substr($text, $at + strlen($was)));
    $noticed = noticedBy($copy, $file, isset($given['features']));
    file_put_contents("$copy/$file", $text);
    $killed += $noticed === null ? 0 : 1;
    printf("%-9s %s:%d  %s → %s%s\n", $noticed === null ? 'SURVIVED' : 'noticed', $file, $line, $was, $now === '' ? 'nothing' : $now, $noticed === null ? '' : "  ($noticed)");
}
printf("%d of %d noticed, %d %%\n", $killed, count($chosen), count($chosen) === 0 ? 0 : round(100 * $killed / count($chosen)));

/** @return list<array{string, int, int, string, string}> file, line, byte, what stands there, what is put in its place */
function placesIn(string $root, string $folder): array
{
    $places = [];
    foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator("$root/$folder", FilesystemIterator::SKIP_DOTS)) as $file) {
        if ($file->getExtension() !== 'php') {
            continue;
        }
        $before = null;
        $calls = [];
        foreach (PhpToken::tokenize((string) file_get_contents($file->getPathname())) as $token) {
            if ($token->text === '(') {
                $calls[] = $before?->text;
            } elseif ($token->text === ')') {
                array_pop($calls);
            }
            $now = in_array(end($calls), COMPARE_STRICTLY, true) && $token->text === 'true' ? null : changed($token, $before);
            if ($now !== null && $token->line > 5) {
                $places[] = [substr($file->getPathname(), strlen($root) + 1), $token->line, $token->pos, $token->text, $now];
            }
            $before = $token->isIgnorable() ? $before : $token;
        }
    }
    usort($places, static fn (array $a, array $b): int => [$a[0], $a[2]] <=> [$b[0], $b[2]]);

    return $places;
}

function changed(PhpToken $token, ?PhpToken $before): ?string
{
    if (isset(SWAPS[$token->id])) {
        return SWAPS[$token->id];
    }
    if ($token->id === T_LNUMBER) {
        return (string) ((int) $token->text + 1);
    }
    if ($token->id === T_STRING && in_array($token->text, ['true', 'false'], true)) {
        return in_array($before?->text, [':', '?', '|'], true) ? null : ($token->text === 'true' ? 'false' : 'true');
    }
    if ($token->text === '!') {
        return '';
    }

    return isset(SIGNS[$token->text]) && $before?->is(ENDS_A_VALUE) === true ? SIGNS[$token->text] : null;
}

/** The suite that noticed, or null: first the tests of the same part, then the whole core suite. */
function noticedBy(string $copy, string $file, bool $features): ?string
{
    $own = 'tests/Core/'.explode('/', $file)[1];
    $suites = [...(is_dir("$copy/$own") ? [$own => escapeshellarg($own)] : []), 'the core suite' => '--testsuite Core'];
    foreach ($features ? [...$suites, 'the feature suite' => '--testsuite Feature'] : $suites as $name => $which) {
        exec('cd '.escapeshellarg($copy).' && timeout '.MOST_SECONDS." php -d memory_limit=1G -d opcache.enable_cli=1 -d opcache.jit=tracing -d opcache.jit_buffer_size=128M vendor/bin/phpunit --do-not-cache-result --stop-on-defect $which > told.txt 2>&1", $said, $code);
        if ($code !== 0) {
            return $name.($code === 124 ? ', without end' : '');
        }
    }

    return null;
}
