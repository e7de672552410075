import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';

const root = resolve(import.meta.dirname, '../..');
const folder = (): string => process.env.APALOS_MADE_ONCE ?? '';

/** What a shop is told of its surroundings; as it stands while things are made once. */
export const surroundings = (database: string, ports: readonly [scale: string, thermometer: string, probe: string, labels: string]) => ({
    APP_ENV: 'production',
    APP_DEBUG: 'false',
    APP_KEY: 'base64:MDEyMzQ1Njc4OWFiY2RlZjAxMjM0NTY3ODlhYmNkZWY=',
    DB_DATABASE: database,
    SCALE_ADDRESS: ports[0],
    THERMOMETER_ADDRESS: ports[1],
    PROBE_ADDRESS: ports[2],
    LABELS_ADDRESS: ports[3],
    DEVICES_SIMULATED: 'true',
});

const SOME = surroundings('/made/once/shop.sqlite', ['made-scale', 'made-thermometer', 'made-probe', 'made-labels']);

/** Where the databases lie that every shop of the tests begins as a copy of. */
export const made = (which: 'empty' | 'demo'): string => join(folder(), `${which}.sqlite`);

/** Its settings read once and its routes sorted once, as where it is served: a page of a shop of the tests takes half as long. */
export function settled(own: ReturnType<typeof surroundings>, into: string): NodeJS.ProcessEnv {
    let settings = readFileSync(join(folder(), 'config.php'), 'utf8');
    for (const [name, some] of Object.entries(SOME)) {
        settings = settings.replaceAll(`'${some}'`, `'${own[name as keyof typeof own]}'`);
    }
    writeFileSync(join(into, 'config.php'), settings);
    return { APP_CONFIG_CACHE: join(into, 'config.php'), APP_ROUTES_CACHE: join(folder(), 'routes.php') };
}

/** What is compiled once is there for every server of the tests. */
export const compiled = (): string[] => ['-d', 'opcache.enable_cli=1', '-d', `opcache.file_cache=${folder()}`];

/** Makes an empty shop and the demo once for all workers: a copy takes a moment, growing a workshop most of a minute. */
export default function once(): () => void {
    const here = mkdtempSync(join(tmpdir(), 'apalos-once-'));
    process.env.APALOS_MADE_ONCE = here;
    const artisan = (env: NodeJS.ProcessEnv, ...words: string[]): void => {
        execFileSync('php', ['artisan', ...words], { cwd: root, env: { ...process.env, ...env }, stdio: 'pipe' });
    };
    for (const which of ['empty', 'demo'] as const) {
        writeFileSync(made(which), '');
        artisan(
            { APP_ENV: 'production', DB_CONNECTION: 'sqlite', DB_DATABASE: made(which) },
            ...['migrate', '--force', ...(which === 'demo' ? ['--seed'] : [])],
        );
    }
    const cached = { ...SOME, APP_CONFIG_CACHE: join(here, 'config.php'), APP_ROUTES_CACHE: join(here, 'routes.php') };
    artisan(cached, 'config:cache');
    artisan(cached, 'route:cache');
    return () => {
        rmSync(here, { recursive: true, force: true });
    };
}
