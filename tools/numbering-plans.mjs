// Derives core/Numbering/plans.php from the metadata of the npm package libphonenumber-js.
// Run: node tools/numbering-plans.mjs   (after npm install; only when the package is updated)
import {readFileSync, writeFileSync} from 'node:fs';

const source = JSON.parse(readFileSync(new URL('../node_modules/libphonenumber-js/metadata.max.json', import.meta.url)));
const countries = {};
for (const [country, row] of Object.entries(source.countries)) {
    const [code, , pattern, lengths, formats, nationalPrefix, , prefixForParsing, transform, , leadingDigits, types] = row;
    countries[country] = {
        code,
        pattern,
        lengths,
        prefix: nationalPrefix || null,
        parsing: prefixForParsing || null,
        transform: transform || null,
        leading: leadingDigits || null,
        international: row[1] || null,
        types: (types || []).map((type) => (type ? type[0] : null)).filter(Boolean),
        formats: (formats || []).map(([match, format, leading, rule]) => ({
            match, format, leading: leading && leading.length ? leading[leading.length - 1] : null, rule: rule || null,
        })),
    };
}
const quoted = (text) => `'${text.replaceAll('\\', '\\\\').replaceAll("'", "\\'")}'`;
const written = (value) => Array.isArray(value) ? `[${value.map(written).join(', ')}]`
    : value !== null && typeof value === 'object' ? `[${Object.entries(value).map(([key, one]) => `${quoted(key)} => ${written(one)}`).join(', ')}]`
    : typeof value === 'string' ? quoted(value) : String(value);
const lines = Object.entries(countries).map(([country, plan]) => `        ${quoted(country)} => ${written(plan)},\n`).join('');
writeFileSync(new URL('../core/Numbering/plans.php', import.meta.url), `<?php\n\ndeclare(strict_types=1);\n\n// Numbering plans by country; written by tools/numbering-plans.mjs.\n\nreturn [\n    'callingCodes' => ${written(source.country_calling_codes)},\n    'countries' => [\n${lines}    ],\n];\n`);
