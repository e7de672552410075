<script lang="ts">
    import type { Material } from './NewJob.svelte';

    let { materials, value = $bindable() }: { materials: Material[]; value: string } = $props();
    const families = $derived([...new Set(materials.map((m) => m.family))]);
</script>

<select class="select w-full" bind:value>
    {#if value !== '' && !materials.some((m) => m.code === value)}<option {value}>{value}</option>{/if}
    {#each families as family (family)}
        <optgroup label={family.replace('-', ' ')}>
            {#each materials.filter((m) => m.family === family) as m (m.code)}<option value={m.code}>{m.name}</option>{/each}
        </optgroup>
    {/each}
</select>
