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
    // What things are measured in, by kind, each in metres, kilograms, litres and square metres.
    'measures' => [
        'length' => ['mm' => 0.001, 'millimetre' => 0.001, 'millimetres' => 0.001, 'mil' => 0.001, 'cm' => 0.01, 'centimetre' => 0.01, 'centimetres' => 0.01, 'centimeters' => 0.01, 'metre' => 1, 'metres' => 1, 'meter' => 1, 'meters' => 1, 'm' => 1, 'km' => 1000, 'kilometre' => 1000, 'kilometres' => 1000, 'inch' => 0.0254, 'inches' => 0.0254, 'foot' => 0.3048, 'feet' => 0.3048, 'ft' => 0.3048, 'yard' => 0.9144, 'yards' => 0.9144, 'mile' => 1609.344, 'miles' => 1609.344],
        'weight' => ['gram' => 0.001, 'grams' => 0.001, 'g' => 0.001, 'kilo' => 1, 'kilos' => 1, 'kg' => 1, 'kilogram' => 1, 'kilograms' => 1, 'tonne' => 1000, 'tonnes' => 1000, 'ton' => 1000, 'tons' => 1000, 'stone' => 6.350293, 'hundredweight' => 50.802345, 'pound' => 0.453592, 'pounds' => 0.453592, 'lb' => 0.453592, 'lbs' => 0.453592, 'ounce' => 0.02835, 'ounces' => 0.02835],
        'volume' => ['ml' => 0.001, 'millilitres' => 0.001, 'litre' => 1, 'litres' => 1, 'liter' => 1, 'liters' => 1, 'pint' => 0.568261, 'pints' => 0.568261, 'gallon' => 4.54609, 'gallons' => 4.54609],
        'area' => ['acre' => 4046.856, 'acres' => 4046.856, 'hectare' => 10000, 'hectares' => 10000],
    ],
    // What may stand behind a number that is a length by itself.
    'behind_a_length' => ['at a time', 'please', 'if you can', 'if possible', 'if that is all right', "if that's ok", 'thanks', 'thank you', 'will do', 'would do', 'is fine', "that's fine", 'would be better', 'would be best', 'each time', 'in one go', 'ideally', 'i think', 'then'],
    // Nights of what is no length by itself, the longer sayings first.
    // Behind 'and': that a stay is over.
    'ends_a_stay' => ['leave', 'leaving', 'leaves', 'go', 'going', 'goes', 'back', 'away', 'out', 'off', 'return', 'returning', 'depart', 'departing', 'fly', 'flying', 'home', 'finish', 'finishes', 'ends', 'end'],
    // Days that are no length.
    'idle_days' => ['on a good day', 'on a bad day', 'at the end of the day', 'one of these days', 'the other day', 'these days', 'those days', 'any day now', 'back in the day', 'day in day out', 'in this day and age', 'to this day', 'on the day'],
    'nights_of' => ['long weekend' => 3, 'bank holiday weekend' => 3, 'weekend' => 2, 'overnight' => 1],
    'durations' => [
        'second' => 'TS', 'seconds' => 'TS', 'sec' => 'TS', 'secs' => 'TS', 'minute' => 'TM', 'minutes' => 'TM', 'min' => 'TM', 'mins' => 'TM', 'hour' => 'TH', 'hours' => 'TH', 'hr' => 'TH', 'hrs' => 'TH',
        "day's" => 'D', "days'" => 'D', "week's" => 'W', "weeks'" => 'W', "fortnight's" => 'F', "month's" => 'M', "months'" => 'M', "year's" => 'Y', "hour's" => 'TH',
        'day' => 'D', 'days' => 'D', 'night' => 'D', 'nights' => 'D', 'week' => 'W', 'weeks' => 'W', 'wk' => 'W', 'wks' => 'W', 'fortnight' => 'F', 'fortnights' => 'F', 'month' => 'M', 'months' => 'M', 'year' => 'Y', 'years' => 'Y', 'yr' => 'Y', 'yrs' => 'Y', 'quarter' => 'Q', 'decade' => 'X', 'decades' => 'X',
    ],
];
