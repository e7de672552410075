<script lang="ts">
    /** Anything of the shop, to practise: nothing of it touches what it was taken from. */
    import { router } from '@inertiajs/svelte';
    import { practice } from '../lib/practice.svelte';
    import { refused } from '../lib/refused';
    import Wrong from './Wrong.svelte';
    import * as texts from './PractiseThis.texts';

    let { of }: { of: { pour: number } | { version: number } | { build: number } } = $props();
</script>

{#if practice.id === null}
    <button class="btn btn-ghost" onclick={() => router.post('/practice/this', of)}>{texts.practiseThis}</button>
    <Wrong says={refused('practice')} />
{/if}
