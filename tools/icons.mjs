// Gathers the icons that the pages use into one sprite, public/build/icons.svg. Part of `npm run build`.
import {mkdirSync, readFileSync, readdirSync, writeFileSync} from 'node:fs';
import {join} from 'node:path';

const root = new URL('..', import.meta.url).pathname;
const names = new Set();
const walk = (folder) => {
    for (const entry of readdirSync(folder, {withFileTypes: true})) {
        const path = join(folder, entry.name);
        if (entry.isDirectory()) {
            walk(path);
        } else if (path.endsWith('.blade.php') || path.endsWith('.js')) {
            for (const found of readFileSync(path, 'utf8').matchAll(/x-icon name="([a-z0-9-]+)"|icons\.svg#([a-z0-9-]+)/g)) {
                names.add(found[1] ?? found[2]);
            }
        }
    }
};
walk(join(root, 'resources'));
const symbols = [...names].sort().map((name) => {
    const svg = readFileSync(join(root, 'node_modules/lucide-static/icons', `${name}.svg`), 'utf8');
    const inner = svg.replace(/<!--[\s\S]*?-->/g, '').match(/<svg[^>]*>([\s\S]*)<\/svg>/)[1].replace(/\s+/g, ' ').trim();
    return `<symbol id="${name}" viewBox="0 0 24 24" fill="none" stroke="currentColor" stroke-width="2" stroke-linecap="round" stroke-linejoin="round">${inner}</symbol>`;
});
mkdirSync(join(root, 'public/build'), {recursive: true});
writeFileSync(join(root, 'public/build/icons.svg'), `<svg xmlns="http://www.w3.org/2000/svg">${symbols.join('')}</svg>\n`);
console.log(`${symbols.length} icons`);
