<script lang="ts">
    /** The bench computer does not answer, and this page was never looked at on this tablet. */
    import { onMount } from 'svelte';
    import { away } from '../../lib/away.svelte';
    import * as texts from './texts';

    let kept = $state<{ url: string; title: string }[]>([]);
    onMount(async () => {
        kept = await away.pages();
    });
</script>

<svelte:head><title>Away · Apalos</title></svelte:head>

<h1 class="mt-10 text-4xl">{texts.thisPageIsNotOnThis}</h1>
<p class="mt-3 max-w-prose">
    The bench computer does not answer, and this page was not looked at here before. It opens by itself as soon as the bench computer is
    back.
</p>
{#if kept.length > 0}
    <h2 class="mt-6 text-2xl">{texts.whatOpensWithoutIt}</h2>
    <ul class="mt-2">
        {#each kept as one (one.url)}
            <li><a class="link inline-block py-3" href={one.url}>{one.title}</a></li>
        {/each}
    </ul>
{/if}
