<script lang="ts">
    /** Another way of making the same thing, typed or taken from another job, and where the lines cross. */
    import { ask } from '../../lib/api';
    import Choice from '../../parts/Choice.svelte';
    import TextLine from '../../parts/TextLine.svelte';
    import type { CostView } from '../../types/server';
    import Crossing from './Crossing.svelte';
    import * as texts from './texts';

    type Props = {
        asked: { against: { name: string; fixed: string; each: string } };
        others: CostView['others'];
        even: NonNullable<CostView['answer']>['break_even'];
        money: (amount: string) => string;
        at: (field: string) => string | null;
        onchange: () => void;
    };
    let { asked, others, even, money, at, onchange }: Props = $props();

    let beside = $state('');
    let besideSays = $state<string | null>(null);
    async function set(): Promise<void> {
        if (beside === '') {
            return;
        }
        const way = await ask<{ name: string; fixed: string; each: string; complete: boolean }>('GET', `/jobs/${beside}/cost/way`);
        if (way.ok) {
            asked.against = { name: way.data.name, fixed: way.data.fixed, each: way.data.each };
            besideSays = way.data.complete ? null : `Some prices of ${way.data.name} are not known: it comes out cheaper than it is.`;
            onchange();
        } else {
            besideSays = way.wrong.message;
        }
    }
</script>

<section class="mt-6 grid gap-3" aria-label={texts.besideAnotherWay}>
    <h2 class="text-2xl">{texts.besideAnotherWay}</h2>
    <Choice label={texts.asAnotherJobIsMade} bind:value={beside} onchange={() => void set()}>
        <option value="">{texts.typeItOrChooseAJob}</option>
        {#each others as other (other.id)}<option value={String(other.id)}>{other.name}</option>{/each}
    </Choice>
    <form class="three" oninput={onchange} onsubmit={(event) => event.preventDefault()}>
        <TextLine label={texts.theOtherWay} placeholder={texts.boughtIn} bind:value={asked.against.name} error={at('against.name')} />
        <TextLine label={texts.beforeTheFirstPiece} fig inputmode="decimal" bind:value={asked.against.fixed} error={at('against.fixed')} />
        <TextLine label={texts.andAPiece} fig inputmode="decimal" bind:value={asked.against.each} error={at('against.each')} />
    </form>
    {#if besideSays !== null}<p class="text-sm">{besideSays}</p>{/if}
    {#if even !== null}
        <Crossing other={asked.against} {even} {money} />
    {/if}
</section>

<style>
    .three {
        display: grid;
        grid-template-columns: repeat(auto-fit, minmax(9rem, 1fr));
        gap: 0.6rem;
    }
</style>
