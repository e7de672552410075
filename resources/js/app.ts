import { createInertiaApp, type ResolvedComponent } from '@inertiajs/svelte';
import { mount } from 'svelte';
import Frame from './parts/Frame.svelte';

const pages = import.meta.glob<ResolvedComponent>('./pages/**/*.svelte', { eager: true });

void createInertiaApp({
    resolve: (name) => {
        const page = pages[`./pages/${name}.svelte`];
        if (page === undefined) {
            throw new Error(`There is no page ${name}.`);
        }
        return { default: page.default, layout: page.layout ?? Frame };
    },
    setup: ({ el, App, props }) => {
        if (el !== null) {
            mount(App, { target: el, props });
        }
    },
    progress: { color: '#c8402a', delay: 400 },
});
