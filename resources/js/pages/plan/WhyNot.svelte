<script lang="ts">
    /** Any combination one has in mind: the first thing that forbids it, or what it would come to. */
    import Choice from '../../parts/Choice.svelte';
    import type { PlanItView } from '../../types/server';
    import * as texts from './texts';

    type Asked = { kind: string; base: string | null; cast: string | null };
    let { plan, cast, says, onask }: { plan: PlanItView; cast: string; says: string | null; onask: (what: Asked) => void } = $props();
    let kind = $state('');
    let base = $state('');
    const moulds = $derived(plan.bases.filter((one) => one.mould));
    const first = $derived(Object.keys(plan.kinds)[0] ?? '');
</script>

<form
    class="grid items-end gap-3 sm:grid-cols-[1fr_1fr_auto]"
    aria-label={texts.whyNotHeading}
    onsubmit={(event) => {
        event.preventDefault();
        onask({
            kind: kind === '' ? first : kind,
            base: base === '' ? (moulds[0]?.code ?? null) : base,
            cast: cast.startsWith('family:') ? null : cast,
        });
    }}
>
    <Choice label={texts.whyNotA} bind:value={kind}
        >{#each Object.entries(plan.kinds) as [id, name] (id)}<option value={id === first ? '' : id}>{name}</option>{/each}</Choice
    >
    <Choice label={texts.ofWord} bind:value={base}
        >{#each moulds as one, i (one.code)}<option value={i === 0 ? '' : one.code}>{one.name}</option>{/each}</Choice
    >
    <button class="btn">{texts.ask}</button>
</form>
{#if says !== null}<p class="mt-2 border-l-4 border-warning pl-3" role="status">{says}</p>{/if}
