<?php

declare(strict_types=1);

/*
 * Derives core/Numbering/zones.json from the area tables of the package giggsey/libphonenumber-for-php (version 9).
 *
 * Run: php tools/numbering-zones.php FOLDER   where FOLDER has the package's vendor/autoload.php; only when the package is updated.
 *
 * What is kept: for countries with several time zones, the zones of every area, and which numbers tell no area.
 * A prefix under which no number of a fixed line can stand is left out (mobile numbers that belong to no area),
 * except where mobile numbers carry the area's digits. In the shared plan of +1 an area is its three digits as a whole.
 */

use libphonenumber\PhoneNumberUtil;
use libphonenumber\timezone\data\Map;

$folder = $argv[1] ?? exit("Name the folder that holds vendor/autoload.php of the package.\n");
require $folder.'/vendor/autoload.php';

/** Calling codes under which mobile numbers carry the digits of an area. */
const MOBILE_BY_AREA = ['1', '52', '54', '55'];
/** Where the package takes one state's clock for another's: Queensland keeps no summer time, the north of Australia neither. */
const CORRECTED = ['617' => ['Australia/Brisbane'], '6188' => ['Australia/Adelaide', 'Australia/Darwin']];
/** Mobile numbers whose plan does not set them apart from fixed lines. */
const MOBILE_PREFIXES = ['569'];
const TRIES = 4000;

mt_srand(20);
$util = PhoneNumberUtil::getInstance();
$areas = [];
foreach (Map::DATA as $prefix => $zones) {
    $prefix = (string) $prefix;
    $code = null;
    for ($length = 1; $length <= 3 && $code === null; $length++) {
        $code = $util->getRegionCodesForCountryCode((int) substr($prefix, 0, $length)) ? substr($prefix, 0, $length) : null;
    }
    if ($code === null || strlen($prefix) === strlen($code)) {
        continue;
    }
    if ($code === '1') {
        $areas[$code][substr($prefix, 0, 4)] = array_values(array_unique([...($areas[$code][substr($prefix, 0, 4)] ?? []), ...explode('&', $zones)]));

        continue;
    }
    $areas[$code][$prefix] = explode('&', $zones);
}
$kept = [];
$nowhere = [];
foreach ($areas as $code => $prefixes) {
    $code = (string) $code;
    $regions = $util->getRegionCodesForCountryCode((int) $code);
    $several = array_filter($regions, static fn (string $region): bool => count(zonesOf($region)) > 1);
    if ($several === []) {
        continue;
    }
    foreach ($prefixes as $prefix => $zones) {
        if (in_array($code, MOBILE_BY_AREA, true) || ! in_array((string) $prefix, MOBILE_PREFIXES, true) && fixed($util, $regions, substr((string) $prefix, strlen($code)))) {
            $zones = CORRECTED[$prefix] ?? $zones;
            sort($zones);
            $kept[implode(' ', $zones)][] = (string) $prefix;
        }
    }
    foreach ($regions as $region) {
        $data = $util->getMetadataForRegion($region);
        $patterns = [];
        foreach (['getTollFree', 'getPremiumRate', 'getSharedCost', 'getPersonalNumber', 'getVoip', 'getUan', 'getVoicemail', 'getPager', ...(in_array($code, MOBILE_BY_AREA, true) ? [] : ['getMobile'])] as $kind) {
            $desc = $data?->{$kind}();
            if ($desc !== null && $desc->hasNationalNumberPattern() && $desc->getNationalNumberPattern() !== '' && $desc->getNationalNumberPattern() !== 'NA') {
                $patterns[] = $desc->getNationalNumberPattern();
            }
        }
        if ($patterns !== [] && count(zonesOf($region)) > 1) {
            $nowhere[$region] = ['tells_no_area' => implode('|', $patterns), 'fixed' => (string) $data->getFixedLine()?->getNationalNumberPattern()];
        }
    }
}
ksort($kept);
ksort($nowhere);
file_put_contents(__DIR__.'/../core/Numbering/zones.json', json_encode(['areas' => $kept, 'nowhere' => $nowhere], JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR));
echo array_sum(array_map(count(...), $kept)), ' areas, ', count($nowhere), " countries\n";

/** @return list<string> */
function zonesOf(string $region): array
{
    return preg_match('/^[A-Z]{2}$/', $region) === 1 ? DateTimeZone::listIdentifiers(DateTimeZone::PER_COUNTRY, $region) : [];
}

/** @param list<string> $regions */
function fixed(PhoneNumberUtil $util, array $regions, string $rest): bool
{
    foreach ($regions as $region) {
        $pattern = '/^(?:'.$util->getMetadataForRegion($region)?->getFixedLine()?->getNationalNumberPattern().')$/';
        $lengths = $util->getMetadataForRegion($region)?->getFixedLine()?->getPossibleLength() ?: $util->getMetadataForRegion($region)?->getGeneralDesc()?->getPossibleLength() ?? [];
        foreach ($lengths as $length) {
            for ($n = 0; $length > strlen($rest) && $n < TRIES; $n++) {
                $digits = $rest;
                while (strlen($digits) < $length) {
                    $digits .= mt_rand(0, 9);
                }
                if (preg_match($pattern, $digits) === 1) {
                    return true;
                }
            }
        }
    }

    return false;
}
