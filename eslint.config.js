import js from '@eslint/js';
import svelte from 'eslint-plugin-svelte';
import globals from 'globals';
import ts from 'typescript-eslint';
import svelteConfig from './svelte.config.js';

export default ts.config(
    {
        ignores: [
            'public/',
            'vendor/',
            'node_modules/',
            'var/',
            'storage/',
            'test-results/',
            'playwright-report/',
            'resources/js/types/server.ts',
        ],
    },
    js.configs.recommended,
    ...ts.configs.strict,
    ...svelte.configs.recommended,
    { languageOptions: { globals: { ...globals.browser, ...globals.node } } },
    { rules: { '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_$' }] } },
    {
        files: ['**/*.svelte', '**/*.svelte.ts'],
        languageOptions: { parserOptions: { parser: ts.parser, extraFileExtensions: ['.svelte'], svelteConfig } },
        rules: {
            // Addresses come from the server whole; there is no client router whose base they would need.
            'svelte/no-navigation-without-resolve': 'off',
        },
    },
);
