import { svelte } from '@sveltejs/vite-plugin-svelte';
import { defineConfig } from 'vitest/config';

/** The browser's own modules, without a browser. */
export default defineConfig({
    plugins: [svelte()],
    resolve: { conditions: ['browser'] },
    test: { include: ['tests/Modules/**/*.test.ts'], environment: 'jsdom', globals: false, testTimeout: 20_000 },
});
