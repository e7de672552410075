<script lang="ts">
    /** What a link is of: a base that is poured here, or, where it may be, something printed, machined or bought. */
    import type { Material } from './NewJob.svelte';

    import Choice from '../../parts/Choice.svelte';
    import * as texts from './texts';

    type Props = {
        label: string;
        materials: Material[];
        value: string;
        /** The surface of what is not poured here, by id; where it cannot be had, nothing is offered. */
        surfaces?: Record<string, string> | null;
        surface?: string;
    };
    let { label, materials, value = $bindable(), surfaces = null, surface = $bindable('') }: Props = $props();
    const offered = $derived(materials.filter((m) => m.here || m.code === value));
    const families = $derived([...new Set(offered.map((m) => m.family))]);
    const HAD = 'had:';
    const FIRST = ['print-resin', 'print-fdm', 'metal', 'wood', 'acrylic', 'abs-brick', 'pp-sheet', 'plaster'];
    const had = $derived(
        Object.entries(surfaces ?? {}).sort(([one], [other]) => {
            const place = (id: string): number => (FIRST.includes(id) ? FIRST.indexOf(id) : FIRST.length);
            return place(one) - place(other);
        }),
    );

    function choose(chosen: string): void {
        const of = chosen.startsWith(HAD) ? chosen.slice(HAD.length) : null;
        value = of === null ? chosen : '';
        surface = of ?? '';
    }
</script>

<Choice {label} bind:value={() => (surfaces !== null && value === '' && surface !== '' ? `${HAD}${surface}` : value), choose}>
    {#if value !== '' && !materials.some((m) => m.code === value)}<option {value}>{value}</option>{/if}
    {#if value === '' && surface === ''}<option value="">{texts.notChosenYet}</option>{/if}
    {#if surfaces !== null}
        <optgroup label={texts.notPouredHerePrintedMachinedBought}>
            {#each had as [id, name] (id)}<option value="{HAD}{id}">{name}</option>{/each}
        </optgroup>
    {/if}
    {#each families as family (family)}
        <optgroup label={family.replace('-', ' ')}>
            {#each offered.filter((m) => m.family === family) as m (m.code)}<option value={m.code}>{m.name}</option>{/each}
        </optgroup>
    {/each}
</Choice>
