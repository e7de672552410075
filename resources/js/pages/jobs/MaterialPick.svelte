<script lang="ts">
    import type { Material } from './NewJob.svelte';

    import Choice from '../../parts/Choice.svelte';

    let { label, materials, value = $bindable() }: { label: string; materials: Material[]; value: string } = $props();
    const offered = $derived(materials.filter((m) => m.here || m.code === value));
    const families = $derived([...new Set(offered.map((m) => m.family))]);
</script>

<Choice {label} bind:value>
    {#if value !== '' && !materials.some((m) => m.code === value)}<option {value}>{value}</option>{/if}
    {#each families as family (family)}
        <optgroup label={family.replace('-', ' ')}>
            {#each offered.filter((m) => m.family === family) as m (m.code)}<option value={m.code}>{m.name}</option>{/each}
        </optgroup>
    {/each}
</Choice>
