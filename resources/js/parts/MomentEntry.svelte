<script lang="ts">
    /** When something was, as somebody wrote it down: by the clock of the shop. */
    import { bench } from '../lib/bench.svelte';
    import { inField, ofField } from '../lib/when';

    type Props = {
        label: string;
        /** Milliseconds since the epoch; null where nothing is typed. */
        value: number | null;
        /** It was about then: what an empty field opens with. */
        near: number;
        error?: string | null;
        hint?: string;
    };
    let { label, value = $bindable(), near, error = null, hint = '' }: Props = $props();
    const id = $props.id();
    let text = $state('');
    let editing = false;
    $effect(() => {
        const now = value === null ? '' : inField(value);
        if (!editing) {
            text = now;
        }
    });

    function open(): void {
        editing = true;
        if (text === '') {
            text = inField(Math.min(near, bench.now));
            value = ofField(text);
        }
    }
    function say(): void {
        value = text === '' ? null : (ofField(text) ?? value);
    }
</script>

<div class="moment">
    <label for={id}>{label}</label>
    <input
        {id}
        type="datetime-local"
        class="input fig"
        max={inField(bench.now)}
        bind:value={text}
        onfocus={open}
        oninput={say}
        onblur={() => (editing = false)}
        aria-invalid={error !== null}
        aria-describedby={error !== null || hint !== '' ? `${id}-say` : undefined}
    />
    {#if error !== null}<p class="say wrong" id="{id}-say" role="alert">{error}</p>
    {:else if hint !== ''}<p class="say" id="{id}-say">{hint}</p>{/if}
</div>

<style>
    .moment {
        display: grid;
        gap: 0.15rem;
        align-content: start;
    }
    label {
        font-size: 0.9rem;
        color: var(--color-neutral);
    }
    input {
        width: 100%;
        min-width: 17.5rem;
        min-height: 2.75rem;
        font-size: 1rem;
        border-radius: 0.9rem;
    }
    .say {
        font-size: 0.875rem;
        color: var(--color-neutral);
    }
    .say.wrong {
        color: var(--color-error);
        font-weight: 700;
    }
</style>
