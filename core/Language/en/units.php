<?php

declare(strict_types=1);

// Words for money and lengths of time.
return [
    'currencies' => [
        'pound' => 'GBP', 'pounds' => 'GBP', 'quid' => 'GBP', '£' => 'GBP', 'gbp' => 'GBP', 'sterling' => 'GBP', 'pounds sterling' => 'GBP', 'squid' => 'GBP', 'nicker' => 'GBP',
        'dollar' => 'USD', 'dollars' => 'USD', 'bucks' => 'USD', 'buck' => 'USD', '$' => 'USD', 'usd' => 'USD', 'us dollars' => 'USD',
        'euro' => 'EUR', 'euros' => 'EUR', '€' => 'EUR', 'eur' => 'EUR', 'francs' => 'CHF', 'franc' => 'CHF', 'swiss francs' => 'CHF', 'yen' => 'JPY', 'rupees' => 'INR', 'rupee' => 'INR', 'zloty' => 'PLN', 'kroner' => 'NOK', 'kronor' => 'SEK',
        'canadian dollars' => 'CAD', 'australian dollars' => 'AUD', 'new zealand dollars' => 'NZD', 'rand' => 'ZAR', '¥' => 'JPY', '₹' => 'INR', 'cad' => 'CAD', 'aud' => 'AUD', 'chf' => 'CHF',
    ],
    'cents' => ['p' => 'GBP', 'pence' => 'GBP', 'penny' => 'GBP', 'pennies' => 'GBP', 'cents' => null, 'cent' => null, '¢' => 'USD'],
    'notes' => ['tenner' => [10, 'GBP'], 'tenners' => [10, 'GBP'], 'fiver' => [5, 'GBP'], 'fivers' => [5, 'GBP'], 'grand' => [1000, null], 'pony' => [25, 'GBP'], 'monkey' => [500, 'GBP'], 'benjamin' => [100, 'USD']],
    'country_currency' => [
        'GB' => 'GBP', 'US' => 'USD', 'CA' => 'CAD', 'AU' => 'AUD', 'NZ' => 'NZD', 'IE' => 'EUR', 'DE' => 'EUR', 'FR' => 'EUR', 'ES' => 'EUR', 'IT' => 'EUR', 'NL' => 'EUR', 'BE' => 'EUR', 'AT' => 'EUR', 'PT' => 'EUR', 'FI' => 'EUR', 'GR' => 'EUR', 'CH' => 'CHF', 'IN' => 'INR', 'JP' => 'JPY', 'PL' => 'PLN', 'SE' => 'SEK', 'NO' => 'NOK', 'DK' => 'DKK', 'ZA' => 'ZAR', 'SG' => 'SGD', 'HK' => 'HKD', 'IM' => 'GBP', 'JE' => 'GBP', 'GG' => 'GBP',
    ],
    'symbols' => ['GBP' => '£', 'USD' => '$', 'EUR' => '€', 'JPY' => '¥', 'INR' => '₹'],
    'spoken' => [
        'GBP' => ['pound', 'pounds', 'pence'], 'USD' => ['dollar', 'dollars', 'cents'], 'EUR' => ['euro', 'euros', 'cents'], 'CHF' => ['franc', 'francs', 'centimes'], 'CAD' => ['Canadian dollar', 'Canadian dollars', 'cents'], 'AUD' => ['Australian dollar', 'Australian dollars', 'cents'],
        'NZD' => ['New Zealand dollar', 'New Zealand dollars', 'cents'], 'INR' => ['rupee', 'rupees', 'paise'], 'JPY' => ['yen', 'yen', 'sen'], 'PLN' => ['zloty', 'zloty', 'groszy'], 'SEK' => ['krona', 'kronor', 'ore'], 'NOK' => ['krone', 'kroner', 'ore'], 'ZAR' => ['rand', 'rand', 'cents'],
    ],
    // ISO 8601 designators: D, W, M, Y before the T; TH, TM, TS behind it.
    'durations' => [
        'second' => 'TS', 'seconds' => 'TS', 'sec' => 'TS', 'secs' => 'TS', 'minute' => 'TM', 'minutes' => 'TM', 'min' => 'TM', 'mins' => 'TM', 'hour' => 'TH', 'hours' => 'TH', 'hr' => 'TH', 'hrs' => 'TH',
        'day' => 'D', 'days' => 'D', 'night' => 'D', 'nights' => 'D', 'week' => 'W', 'weeks' => 'W', 'wk' => 'W', 'wks' => 'W', 'fortnight' => 'F', 'fortnights' => 'F', 'month' => 'M', 'months' => 'M', 'year' => 'Y', 'years' => 'Y', 'yr' => 'Y', 'yrs' => 'Y', 'quarter' => 'Q', 'decade' => 'X', 'decades' => 'X',
    ],
];
