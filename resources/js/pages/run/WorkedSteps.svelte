<script lang="ts">
    /** A step in the words of the process: what is done, and what to watch. */
    import Craft from '../../parts/Craft.svelte';
    import type { RunView } from '../../types/server';

    let { said }: { said: RunView['worked']['mix'] } = $props();
</script>

<h1 class="text-4xl">{said.title}</h1>
<ul class="mt-3 grid max-w-[44ch] gap-2 text-xl">
    {#each said.points as point (point)}<li><Craft text={point} /></li>{/each}
</ul>
