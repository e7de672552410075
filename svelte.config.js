import { vitePreprocess } from '@sveltejs/vite-plugin-svelte';

// Styles are plain CSS: only the scripts need a preprocessor.
export default { preprocess: vitePreprocess({ style: false }) };
