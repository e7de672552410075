<script lang="ts">
    /** What is wrong, in a sentence that says what to do; nothing where nothing is. */
    let { says }: { says: string | null | undefined } = $props();
</script>

{#if says !== null && says !== undefined}<p class="font-bold text-error" role="alert">{says}</p>{/if}
