<script lang="ts">
    import Cautions from '../../parts/Cautions.svelte';
    import type { StoresView } from '../../types/server';

    let { sheet }: { sheet: StoresView['additives'][number] } = $props();
</script>

<div class="border-l-[14px] pl-5" style="border-color:{sheet.colour}">
    <h2 class="text-3xl">{sheet.name}</h2>
    <p class="quiet">house code <span class="fig">{sheet.code}</span> · {sheet.role.replace('-', ' ')}</p>
    <p class="mt-2 max-w-prose text-lg">{sheet.summary}</p>
</div>
<div class="mt-6 grid gap-8 lg:grid-cols-2">
    <section>
        <h3 class="text-xl">How much</h3>
        <p class="mt-1 text-lg">up to <b class="fig">{sheet.max}</b> {sheet.basis}, unless the base’s own sheet says less</p>
        <p>
            Into {sheet.into === 'after' ? 'the mixed cup, last' : `part ${sheet.into.toUpperCase()}`}. Density
            <span class="fig">{sheet.sg}</span>
            g/ml, {sheet.measured.includes('sg') ? 'measured' : 'typical'}.
        </p>
        <p class="mt-2">For {sheet.families.map((f) => f.replace('-', ' ')).join(', ')}.</p>
        {#if sheet.notes !== ''}<p class="mt-2 font-bold">{sheet.notes}</p>{/if}
    </section>
    <section>
        <h3 class="text-xl">Mind</h3>
        <div class="mt-1"><Cautions cautions={sheet.cautions} /></div>
    </section>
</div>
