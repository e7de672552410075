<script lang="ts">
    /** A cup has some left, or the level stands too low. */
    import { ask } from '../../lib/api';
    import type { Kept } from '../../lib/kept.svelte';
    import type { LiveRun } from '../../lib/run.svelte';
    import type { Entry } from '../../lib/units';
    import Measure from '../../parts/Measure.svelte';
    import TextLine from '../../parts/TextLine.svelte';
    import Wrong from '../../parts/Wrong.svelte';
    import { bench } from '../../lib/bench.svelte';
    import { measure } from '../../lib/units';
    import * as texts from './texts';

    let { live, kept }: { live: LiveRun; kept: Kept } = $props();
    let left = $state<Entry>(null);
    let area = $state<Entry>(null);
    let height = $state<Entry>(null);
    let name = $state('');
    let ml = $state<Entry>(null);
    let says = $state<string | null>(null);
    let missing = $state<string | null>(null);
    let wrong = $state<string | null>(null);
    /** At each cup what is left in it; afterwards, in all of them. */
    const what = $derived(
        live.run.batches === 1 || live.run.laid
            ? 'Left in the cup'
            : live.run.step.kind === 'wait'
              ? 'Left in all cups'
              : 'Left in this cup',
    );
    const url = $derived(`/pours/${String(live.run.pour_id)}`);

    async function rest(): Promise<void> {
        const answer = await ask<{ says: string }>('POST', `${url}/left-over`, { left_g: left });
        wrong = answer.ok ? null : answer.wrong.message;
        says = answer.ok ? answer.data.says : null;
        // Said once: the grade begins with it.
        if (answer.ok && live.run.step.kind === 'wait') {
            await live.record('left_over', { left_g: left }, String(left));
        } else if (answer.ok && !live.run.laid) {
            await live.record('left_over', { left_g: left, batch: live.run.step.batch }, `${String(live.run.step.batch)}/${String(left)}`);
        }
    }
    async function short(): Promise<void> {
        const answer = await ask<{ says: string }>('POST', `${url}/came-short`, { area_mm2: area, height_mm: height });
        wrong = answer.ok ? null : answer.wrong.message;
        missing = answer.ok ? answer.data.says : null;
    }
    async function wait(gone: string | null): Promise<void> {
        const answer = await ask('PUT', '/waiting', gone === null ? { name, ml } : { name: gone, gone: true });
        wrong = answer.ok ? null : answer.wrong.message;
        if (answer.ok) {
            [name, ml] = ['', null];
            await kept.look();
        }
    }
</script>

<details class="mt-4">
    <summary class="link min-h-14 py-4">{texts.someLeftInTheCupOr}</summary>
    <div class="two">
        <form
            class="grid content-start gap-2"
            onsubmit={(event) => {
                event.preventDefault();
                void rest();
            }}
        >
            <Measure label={what} kind="mass" bind:value={left} />
            <button class="btn big justify-self-start" disabled={left === null}>{texts.whatWouldItFill}</button>
            {#if says !== null}<p role="status">{says}</p>{/if}
            {#if live.run.batches > 1 && live.run.left_g !== null}<p class="quiet">
                    {measure(live.run.left_g, 'mass', bench.units)} left so far, in all cups.
                </p>{/if}
        </form>
        <form
            class="grid content-start gap-2"
            onsubmit={(event) => {
                event.preventDefault();
                void short();
            }}
        >
            <div class="grid grid-cols-2 gap-2">
                <Measure label={texts.areaThatIsShort} kind="area" bind:value={area} />
                <Measure label={texts.tooLowBy} kind="length" bind:value={height} />
            </div>
            <button class="btn big justify-self-start" disabled={area === null || height === null}>{texts.howMuchIsMissing}</button>
            {#if missing !== null}<p role="status">{missing}</p>{/if}
        </form>
    </div>
    <Wrong says={wrong} />
    <p class="quiet mt-2">What waits for a rest of rubber:</p>
    <ul class="flex flex-wrap gap-2">
        {#each kept.view?.waiting ?? [] as thing (thing.name)}<li class="flex items-center gap-2">
                {thing.name}, {measure(thing.ml, 'volume', bench.units)}
                <button class="btn btn-ghost big" onclick={() => void wait(thing.name)}>{texts.takeOff}</button>
            </li>{:else}<li>nothing yet</li>{/each}
    </ul>
    <form
        class="mt-2 flex flex-wrap items-end gap-2"
        onsubmit={(event) => {
            event.preventDefault();
            void wait(null);
        }}
    >
        <TextLine label={texts.aSmallThing} placeholder={texts.keyTray} bind:value={name} />
        <Measure label={texts.takes} kind="volume" bind:value={ml} />
        <button class="btn big" disabled={name === '' || ml === null}>{texts.itWaits}</button>
    </form>
</details>

<style>
    .two {
        display: grid;
        grid-template-columns: repeat(auto-fit, minmax(15rem, 1fr));
        gap: 1.5rem;
    }
</style>
