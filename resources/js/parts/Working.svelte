<script lang="ts">
    /** How the numbers of an answer come about, line by line, for whoever wants to see it. */
    import type { Snippet } from 'svelte';
    import * as texts from './Working.texts';

    type Props = { lines: string[]; stale?: boolean; open?: boolean; children?: Snippet };
    let { lines, stale = false, open = $bindable(false), children }: Props = $props();
</script>

<details bind:open>
    <summary class="link cursor-pointer">{texts.howTheseNumbersComeAbout}</summary>
    <ol class:stale>
        {#each lines as line, i (i)}<li>{line}</li>{/each}
    </ol>
    {@render children?.()}
</details>

<style>
    ol {
        list-style: decimal;
        padding-left: 1.3rem;
        font-size: 0.9rem;
    }
</style>
