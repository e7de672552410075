<script lang="ts">
    /** The rooms of the swatch bench, as one line of words under its heading. */
    import { page } from '@inertiajs/svelte';
    import * as texts from './texts';

    const rooms = [
        { name: 'Hardness', href: '/swatches' },
        { name: 'Colour', href: '/swatches/colour' },
        { name: 'Drawer', href: '/swatches/drawer' },
        { name: 'Make a series', href: '/swatches/series' },
        { name: 'Formulas', href: '/formulas' },
    ];
    const path = $derived(page.url.split(/[?#]/)[0] ?? '');
    const here = (href: string): boolean => (href === '/swatches' ? path === href : path.startsWith(href));
</script>

<nav class="rooms" aria-label={texts.swatches}>
    {#each rooms as room (room.href)}<a href={room.href} class:on={here(room.href)} aria-current={here(room.href) ? 'page' : undefined}
            >{room.name}</a
        >{/each}
</nav>

<style>
    .rooms {
        display: flex;
        flex-wrap: wrap;
        gap: 0.15rem 1.1rem;
    }
    .rooms a {
        display: inline-flex;
        align-items: center;
        justify-content: center;
        min-width: 2.75rem;
        min-height: 2.75rem;
        border-bottom: 3px solid transparent;
        color: var(--color-neutral);
    }
    .rooms a.on {
        border-color: var(--color-accent);
        color: var(--color-base-content);
        font-weight: 700;
    }
</style>
