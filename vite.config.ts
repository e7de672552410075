import { svelte } from '@sveltejs/vite-plugin-svelte';
import tailwindcss from '@tailwindcss/vite';
import laravel from 'laravel-vite-plugin';
import { defineConfig } from 'vite';
import { compression } from 'vite-plugin-compression2';

export default defineConfig({
    plugins: [
        laravel({ input: ['resources/css/app.css', 'resources/js/app.ts'] }),
        tailwindcss(),
        svelte(),
        // Packed once, here, as tightly as it goes; whoever serves it sends what the browser takes.
        compression({ algorithms: ['gzip', 'brotliCompress'], include: /\.(js|css|svg|json)$/, threshold: 0 }),
    ],
    // One script of what every screen has around it; a page's own comes when the page is opened.
    build: { chunkSizeWarningLimit: 900 },
});
