<script lang="ts" generics="T">
    /** One of a few, beside the fields of `Measure` and as high as they are. */
    import type { Snippet } from 'svelte';

    type Props = {
        label: string;
        value: T;
        /** What it is called where the label alone would not tell it from its neighbours. */
        named?: string;
        error?: string | null;
        onchange?: (value: T) => void;
        /** The options. */
        children: Snippet;
    };
    let { label, value = $bindable(), named, error = null, onchange, children }: Props = $props();
    const id = $props.id();
</script>

<div class="entry">
    <label for={id}>{label}</label>
    <select
        {id}
        class="select w-full"
        bind:value
        onchange={() => onchange?.(value)}
        aria-label={named}
        aria-invalid={error !== null}
        aria-describedby={error === null ? undefined : `${id}-say`}>{@render children()}</select
    >
    {#if error !== null}<p id="{id}-say" role="alert">{error}</p>{/if}
</div>
