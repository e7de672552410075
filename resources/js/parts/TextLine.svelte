<script lang="ts" generics="T extends string | number | undefined">
    /** A line of words: a name, a label, a date, what to look for. */
    import { onMount } from 'svelte';

    type Props = {
        label: string;
        value: T;
        error?: string | null;
        /** Figures rather than words: set in the face of the scale. */
        fig?: boolean;
        /** One comes here to type it. */
        first?: boolean;
        type?: 'text' | 'date' | 'time';
        placeholder?: string;
        maxlength?: number;
        inputmode?: 'text' | 'decimal' | 'numeric';
        list?: string;
        oninput?: () => void;
        onchange?: () => void;
    };
    let { label, value = $bindable(), error = null, fig = false, first = false, type = 'text', ...rest }: Props = $props();
    const id = $props.id();
    let input: HTMLInputElement;

    onMount(() => {
        if (first) {
            input.focus();
        }
    });
</script>

<div class="entry">
    <label for={id}>{label}</label>
    <input
        {id}
        {type}
        class="input w-full"
        class:fig
        autocomplete="off"
        bind:this={input}
        bind:value
        {...rest}
        aria-invalid={error !== null}
        aria-describedby={error === null ? undefined : `${id}-say`}
    />
    {#if error !== null}<p id="{id}-say" role="alert">{error}</p>{/if}
</div>
