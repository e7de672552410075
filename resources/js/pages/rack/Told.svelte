<script lang="ts">
    /** What was told of a mould beside its casts. */
    import { bench } from '../../lib/bench.svelte';
    import type { Tell } from '../../lib/tell.svelte';
    import { measure } from '../../lib/units';
    import { when } from '../../lib/when';
    import type { MouldPageView } from '../../types/server';
    import { acts, conditions, marks, whys } from './words';
    import * as texts from './texts';

    let { told }: { told: Tell<MouldPageView> } = $props();
    const mould = $derived(told.view);

    function happened(fact: MouldPageView['facts'][number]): string {
        const said = fact.payload as Record<string, unknown>;
        const text = (key: string): string => (typeof said[key] === 'string' ? said[key] : '');
        switch (fact.kind) {
            case 'cared':
                return [(acts[text('act')] ?? text('act')).toLowerCase(), text('note')].filter((t) => t !== '').join(': ');
            case 'looked':
                return [
                    `looked at: ${[conditions[text('condition')] ?? '', ...((said.marks as string[] | undefined) ?? []).map((m) => marks[m] ?? m)].join(', ')}`,
                    text('note'),
                ]
                    .filter((t) => t !== '')
                    .join('. ');
            case 'counted':
                return `${String(said.casts)} casts were made in it before they were written down`;
            case 'weighed':
                return `weighed ${measure(Number(said.mass_g), 'mass', bench.units)}`;
            case 'placed':
                return `put at ${text('place')}`;
            case 'named':
                return `called ${text('name')}`;
            case 'photographed':
                return 'photographed';
            case 'priced':
                return `cost ${text('cost')} to make`;
            case 'retired':
                return [`retired, ${whys[text('why')] ?? text('why')}`, text('note')].filter((t) => t !== '').join(': ');
            case 'returned':
                return 'back in use';
            case 'undone':
                return 'the last word taken back';
            default:
                return text('text');
        }
    }
</script>

<section aria-label={texts.whatWasToldOfIt}>
    <h2 class="text-2xl">{texts.toldOfIt}</h2>
    {#if mould.take_back !== null}<button
            class="btn btn-ghost btn-sm"
            disabled={told.busy}
            onclick={() => void told.tell('undone', { of: mould.take_back })}>{texts.takeBackTheLast}</button
        >{/if}
    <ul class="text-sm">
        {#each mould.facts as fact (fact.id)}<li>
                <span class="quiet">{when(fact.at_ms, bench.now)}</span>
                {happened(fact)}{fact.by === null ? '' : `, ${fact.by}`}
            </li>{:else}<li class="quiet">Nothing beside its casts.</li>{/each}
    </ul>
</section>
