<script lang="ts">
    /** Many pieces from a few moulds: how many days, what holds it up, and what one more mould would bring. */
    import { ask } from '../../lib/api';
    import { bench } from '../../lib/bench.svelte';
    import { Typing } from '../../lib/typing.svelte';
    import { span, type Entry } from '../../lib/units';
    import { when } from '../../lib/when';
    import Measure from '../../parts/Measure.svelte';
    import Wrong from '../../parts/Wrong.svelte';
    import * as texts from './texts';

    type Told = {
        cycles: number;
        days: number;
        end_ms: number | null;
        bottleneck: string;
        one_more_saves_min: number | null;
        pours_ms: number[];
        loads: Record<string, number>;
    };
    const typed = new Typing<{
        pieces: Entry;
        pieces_a_mould: Entry;
        moulds: Entry;
        pour_min: Entry;
        chamber_min: Entry;
        wait_min: Entry;
        open_min: Entry;
    }>('gang', { pieces: 24, pieces_a_mould: 4, moulds: 1, pour_min: 25, chamber_min: 0, wait_min: 240, open_min: 10 });
    const said = typed.value;
    let told = $state<Told | null>(null);
    let wrong = $state<{ field: string; message: string } | null>(null);
    const error = (field: string): string | null => (wrong?.field === field ? wrong.message : null);
    const holds: Record<string, string> = { hands: 'hands', moulds: 'moulds', chamber: 'the vacuum chamber' };

    async function reckon(event: SubmitEvent): Promise<void> {
        event.preventDefault();
        const answer = await ask<Told>('POST', '/day/gang', $state.snapshot(said));
        [told, wrong] = answer.ok ? [answer.data, null] : [null, answer.wrong];
    }
</script>

<section class="gang" aria-labelledby="gang">
    <h2 id="gang" class="text-2xl">{texts.manyFromAFewMoulds}</h2>
    <form class="fields" onsubmit={reckon}>
        <Measure label={texts.pieces} kind="plain" bind:value={said.pieces} error={error('pieces')} />
        <Measure label={texts.piecesAMould} kind="plain" bind:value={said.pieces_a_mould} error={error('pieces_a_mould')} />
        <Measure label={texts.moulds} kind="plain" bind:value={said.moulds} error={error('moulds')} />
        <Measure label={texts.mixAndPourEach} kind="minutes" bind:value={said.pour_min} error={error('pour_min')} />
        <Measure label={texts.ofThatInTheChamber} kind="minutes" bind:value={said.chamber_min} error={error('chamber_min')} />
        <Measure label={texts.inTheMould} kind="minutes" bind:value={said.wait_min} error={error('wait_min')} />
        <Measure label={texts.openAndCleanEach} kind="minutes" bind:value={said.open_min} error={error('open_min')} />
        <button class="btn btn-primary">{texts.layItOut}</button>
    </form>
    <Wrong says={wrong !== null && !(wrong.field in said) ? wrong.message : null} />
    {#if told !== null}
        <p class="mt-3 text-lg" role="status">
            {#if told.end_ms === null}{told.cycles} cycles do not fit into the ten days one looks ahead.{:else}
                {told.cycles} cycles, done <b>{when(told.end_ms, bench.now)}</b>, on {told.days === 1
                    ? 'one day'
                    : `${String(told.days)} days`}. What holds it up: <b>{holds[told.bottleneck] ?? told.bottleneck}</b>.
                {#if told.one_more_saves_min !== null}{told.one_more_saves_min >= 1
                        ? `One more mould would bring it ${span(told.one_more_saves_min * 60_000)} forward.`
                        : 'One more mould would bring nothing.'}{/if}
            {/if}
        </p>
        {#if told.pours_ms.length > 0}<p class="mt-1">
                Pour at {told.pours_ms
                    .slice(0, 12)
                    .map((at) => when(at, bench.now))
                    .join(', ')}{told.pours_ms.length > 12 ? ' …' : ''}.
            </p>{/if}
    {/if}
</section>

<style>
    .gang {
        margin-top: 2rem;
    }
    .fields {
        display: grid;
        grid-template-columns: repeat(auto-fill, minmax(9.5rem, 1fr));
        gap: 0.7rem;
        align-items: end;
        margin-top: 0.6rem;
    }
</style>
