<script lang="ts">
    import { router } from '@inertiajs/svelte';
    import { onMount } from 'svelte';
    import { screenKeys } from '../../lib/keys.svelte';
    import type { StoresView } from '../../types/server';
    import AdditiveSheet from './AdditiveSheet.svelte';
    import BaseSheet from './BaseSheet.svelte';

    let { bases, additives, open }: StoresView = $props();
    const codes = $derived([...bases, ...additives].map((s) => s.code));
    const chosen = $derived(open ?? codes[0] ?? '');
    const base = $derived(bases.find((b) => b.code === chosen));
    const additive = $derived(additives.find((a) => a.code === chosen));

    function step(by: number): void {
        const at = codes.indexOf(chosen);
        router.visit(`/stores/${codes[(at + by + codes.length) % codes.length] ?? ''}`, { preserveScroll: true });
    }

    onMount(() =>
        screenKeys([
            { press: 'j', does: 'Next sheet', run: () => step(1) },
            { press: 'k', does: 'Sheet before', run: () => step(-1) },
        ]),
    );
</script>

<svelte:head><title>Stores · Apalos</title></svelte:head>

<h1 class="sr-only">Stores: the sheets</h1>
<div class="stores">
    <nav aria-label="Sheets">
        <h2 class="text-xl">Bases</h2>
        <ul>
            {#each bases as b (b.code)}
                <li>
                    <a href="/stores/{b.code}" aria-current={b.code === chosen ? 'true' : undefined}
                        ><i style="background:{b.colour}"></i><span>{b.name}</span></a
                    >
                </li>
            {/each}
        </ul>
        <h2 class="mt-4 text-xl">To stir in</h2>
        <ul>
            {#each additives as a (a.code)}
                <li>
                    <a href="/stores/{a.code}" aria-current={a.code === chosen ? 'true' : undefined}
                        ><i style="background:{a.colour}"></i><span>{a.name}</span></a
                    >
                </li>
            {/each}
        </ul>
    </nav>
    <article>
        {#if base !== undefined}<BaseSheet sheet={base} />{:else if additive !== undefined}<AdditiveSheet sheet={additive} />{/if}
    </article>
</div>

<style>
    .stores {
        display: grid;
        grid-template-columns: 17rem minmax(0, 1fr);
        gap: 2.5rem;
    }
    nav a {
        display: grid;
        grid-template-columns: 1.4rem 1fr;
        gap: 0.6rem;
        align-items: center;
        padding: 0.28rem 0.5rem;
        border-radius: 0.7rem;
        font-size: 0.95rem;
    }
    nav a[aria-current] {
        background: var(--color-base-200);
        font-weight: 700;
    }
    i {
        width: 1.3rem;
        height: 1.3rem;
        border-radius: 0.3rem 50% 50% 0.3rem;
        border: 1px solid color-mix(in oklab, currentColor 40%, transparent);
    }
    @media (max-width: 800px) {
        .stores {
            grid-template-columns: minmax(0, 1fr);
        }
        article {
            order: -1;
        }
    }
</style>
