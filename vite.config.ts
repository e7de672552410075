import { svelte } from '@sveltejs/vite-plugin-svelte';
import tailwindcss from '@tailwindcss/vite';
import laravel from 'laravel-vite-plugin';
import { defineConfig } from 'vite';
import { compression } from 'vite-plugin-compression2';
import { VitePWA } from 'vite-plugin-pwa';

export default defineConfig({
    plugins: [
        laravel({ input: ['resources/css/app.css', 'resources/js/app.ts'] }),
        tailwindcss(),
        svelte(),
        // What a tablet keeps: all pages but the study of a model, which is of no use without the computer that reckons it.
        VitePWA({
            strategies: 'injectManifest',
            srcDir: 'resources/js/away',
            filename: 'worker.ts',
            injectRegister: false,
            manifest: false,
            injectManifest: {
                globDirectory: 'public/build',
                globPatterns: ['assets/*.{js,css,woff2}'],
                globIgnores: ['**/Study-*.js', '**/PieceIn3d-*.js'],
                modifyURLPrefix: { '': '/build/' },
            },
        }),
        // Packed once, here, as tightly as it goes; whoever serves it sends what the browser takes.
        compression({ algorithms: ['gzip', 'brotliCompress'], include: /\.(js|css|svg|json)$/, threshold: 0 }),
    ],
    // One script of what every screen has around it; a page's own comes when the page is opened.
    build: { chunkSizeWarningLimit: 900 },
});
