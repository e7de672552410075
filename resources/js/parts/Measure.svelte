<script lang="ts">
    import { onMount, untrack } from 'svelte';
    import { bench } from '../lib/bench.svelte';
    import { figure, sign, type Quantity, typed } from '../lib/units';

    type Props = {
        label: string;
        kind: Quantity;
        /** In metric; the text as typed where it is no number. */
        value: number | string | null | undefined;
        error?: string | null;
        /** Nothing is there yet: said quietly. */
        missing?: boolean;
        hint?: string;
        /** The unit of what is no length, mass or time. */
        suffix?: string;
        /** One comes here to type it. */
        first?: boolean;
        /** Decimals it stands with while nobody types; as many as it needs where nothing is said. */
        fine?: number;
        onchange?: (value: number | string | null) => void;
    };
    let {
        label,
        kind,
        value = $bindable(),
        error = null,
        missing = false,
        hint = '',
        suffix = '',
        first = false,
        fine,
        onchange,
    }: Props = $props();
    const id = $props.id();
    const unit = $derived(suffix === '' ? sign(kind, bench.units) : suffix);

    const shown = (): string =>
        typeof value === 'string'
            ? value
            : value === null || value === undefined
              ? ''
              : figure(value, kind, bench.units, fine).replace('−', '-');
    let text = $state(untrack(shown));
    let editing = false;
    let input: HTMLInputElement;
    onMount(() => {
        if (first) {
            input.focus();
        }
    });

    $effect(() => {
        const now = shown();
        if (!editing) {
            text = now;
        }
    });

    function edit(): void {
        editing = true;
        value = typed(text, kind, bench.units);
        onchange?.(value);
    }
</script>

<div class="measure">
    <label for={id}>{label}</label>
    <span class="field" class:wrong={error !== null && !missing}>
        <input
            {id}
            class="fig"
            bind:this={input}
            inputmode="decimal"
            autocomplete="off"
            bind:value={text}
            oninput={edit}
            onblur={() => {
                editing = false;
                text = shown();
            }}
            aria-invalid={error !== null && !missing}
            data-missing={missing || undefined}
            aria-describedby={error !== null || hint !== '' ? `${id}-say` : undefined}
        />
        {#if unit !== ''}<span class="unit">{unit}</span>{/if}
    </span>
    {#if error !== null && !missing}
        <p class="say wrong" id="{id}-say" role="alert">{error}</p>
    {:else if missing}
        <p class="say" id="{id}-say">needed</p>
    {:else if hint !== ''}
        <p class="say" id="{id}-say">{hint}</p>
    {/if}
</div>

<style>
    .measure {
        display: grid;
        gap: 0.15rem;
        align-content: start;
    }
    label {
        font-size: 0.9rem;
        color: var(--color-neutral);
    }
    .field {
        display: flex;
        align-items: center;
        gap: 0.35rem;
        background: var(--color-secondary);
        border: 1.5px solid var(--color-base-300);
        border-radius: 0.9rem;
        padding: 0 0.75rem;
        min-height: 2.75rem;
    }
    .field:focus-within {
        outline: 3px solid var(--color-accent);
        outline-offset: 1px;
    }
    .field.wrong {
        border-color: var(--color-error);
    }
    input {
        flex: 1;
        min-width: 3ch;
        width: 100%;
        font-size: 1.15rem;
        background: transparent;
        outline: none;
    }
    .unit {
        color: var(--color-neutral);
        font-size: 0.9rem;
        white-space: nowrap;
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
