<script lang="ts">
    import * as texts from './texts';
    /** Some of many, each with its name; folded while it is not being filled in. */
    type Props = { label: string; value: string[]; all: string[]; named: Record<string, string>; error?: string | null };
    let { label, value = $bindable(), all, named, error = null }: Props = $props();

    const chosen = $derived(value.map((id) => named[id] ?? id).join(', '));
    function toggle(id: string): void {
        value = value.includes(id) ? value.filter((one) => one !== id) : [...value, id];
    }
</script>

<details class="several" class:wrong={error !== null} open={error !== null}>
    <summary><span class="quiet">{label}</span><b>{chosen === '' ? texts.notSaid : chosen}</b></summary>
    <div class="all">
        {#each all as id (id)}
            <label
                ><input type="checkbox" class="checkbox" checked={value.includes(id)} onchange={() => toggle(id)} />{named[id] ?? id}</label
            >
        {/each}
    </div>
</details>
{#if error !== null}<p class="font-bold text-error" role="alert">{error}</p>{/if}

<style>
    .several {
        border: 1.5px solid var(--color-base-300);
        border-radius: 0.9rem;
        background: var(--color-secondary);
    }
    .wrong {
        border-color: var(--color-error);
    }
    summary {
        min-height: 2.75rem;
        padding: 0.45rem 0.9rem;
        cursor: pointer;
    }
    summary b {
        display: block;
    }
    .all {
        display: grid;
        grid-template-columns: repeat(auto-fill, minmax(15rem, 1fr));
        padding: 0 0.9rem 0.6rem;
    }
    label {
        display: flex;
        gap: 0.6rem;
        align-items: center;
        min-height: 2.75rem;
    }
</style>
