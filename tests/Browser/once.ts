import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';

/** Where the databases lie that every shop of the tests begins as a copy of. */
export const made = (which: 'empty' | 'demo'): string => join(process.env.APALOS_MADE_ONCE ?? '', `${which}.sqlite`);

/** Makes an empty shop and the demo once for all workers: a copy takes a moment, growing a workshop most of a minute. */
export default function once(): () => void {
    const folder = mkdtempSync(join(tmpdir(), 'apalos-once-'));
    process.env.APALOS_MADE_ONCE = folder;
    for (const which of ['empty', 'demo'] as const) {
        writeFileSync(made(which), '');
        execFileSync('php', ['artisan', 'migrate', '--force', ...(which === 'demo' ? ['--seed'] : [])], {
            cwd: resolve(import.meta.dirname, '../..'),
            env: { ...process.env, APP_ENV: 'production', DB_CONNECTION: 'sqlite', DB_DATABASE: made(which) },
            stdio: 'pipe',
        });
    }
    return () => {
        rmSync(folder, { recursive: true, force: true });
    };
}
