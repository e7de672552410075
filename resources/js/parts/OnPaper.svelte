<script lang="ts">
    /** The same on paper: as a file to print, or as a page this browser prints. */
    import { paperAsked } from '../lib/paper';
    import { practice } from '../lib/practice.svelte';
    import { refused } from '../lib/refused';
    import Wrong from './Wrong.svelte';
    import * as texts from './OnPaper.texts';

    /** `what`: the address below /paper, without its ending; `more`: what else it asks. */
    let { what, words, more = '' }: { what: string; words: string; more?: string } = $props();
    const query = $derived(paperAsked(more));
</script>

{#if practice.id === null}
    <span class="paper"
        ><a class="btn btn-sm" href="/paper/{what}.pdf?{query}" target="_blank" rel="noopener">{texts.pdf(words)}</a><a
            class="btn btn-sm btn-ghost"
            href="/paper/{what}.html?{query}"
            target="_blank"
            rel="noopener">{texts.asAPage}<span class="sr-only"> {texts.toPrint(words)}</span></a
        ></span
    >
    <Wrong says={refused('paper')} />
{/if}

<style>
    .paper {
        display: inline-flex;
        flex-wrap: wrap;
        gap: 0.25rem;
    }
    .paper .btn {
        min-height: 2.75rem;
    }
    @media print {
        .paper {
            display: none;
        }
    }
</style>
