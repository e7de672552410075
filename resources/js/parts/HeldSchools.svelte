<script lang="ts">
    /** Where schools differ, the shop ticks its own: what it holds comes first, and nothing is safe for being held. */
    import { ask } from '../lib/api';
    import type { SchoolsView } from '../types/server';
    import Choice from './Choice.svelte';
    import * as texts from './HeldSchools.texts';

    let { held = $bindable() }: { held: Record<string, string> } = $props();
    let known = $state<SchoolsView['schools']>([]);
    void ask<SchoolsView>('GET', '/workshop/schools').then((answer) => {
        known = answer.ok ? answer.data.schools : [];
    });
</script>

{#if known.length > 0}
    <fieldset class="grid gap-3">
        <legend class="quiet mb-1">{texts.howItIsDoneHereWhere}</legend>
        <div class="grid gap-3 sm:grid-cols-2">
            {#each known as school (school.id)}
                <Choice label={school.ask} value={held[school.id] ?? ''} onchange={(option) => (held = { ...held, [school.id]: option })}>
                    <option value="">{texts.asComes}</option>
                    {#each school.options as option (option.id)}<option value={option.id}>{option.name}</option>{/each}
                </Choice>
            {/each}
        </div>
    </fieldset>
{/if}
