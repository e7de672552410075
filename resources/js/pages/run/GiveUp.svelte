<script lang="ts">
    /** A pour nobody will finish: what became of its grams is asked, and it stands in the log. */
    import { bench } from '../../lib/bench.svelte';
    import type { LiveRun } from '../../lib/run.svelte';
    import { measure } from '../../lib/units';
    import * as texts from './texts';

    let { open = $bindable(), live }: { open: boolean; live: LiveRun } = $props();
    let dialog: HTMLDialogElement;
    let fate = $state('');
    let note = $state('');
    const met = $derived(live.run.clock.met_ms !== null || live.run.wait.poured_ms !== null);
    const fates = $derived(
        [
            ['back', 'Back in its tubs: nothing has met yet'],
            ['elsewhere', 'Poured into something else that waited'],
            ['waste', 'It cures in the cup and is thrown away'],
        ].filter(([id]) => id !== 'back' || !met),
    );
    $effect(() => {
        if (open && !dialog.open) {
            dialog.showModal();
        } else if (!open && dialog.open) {
            dialog.close();
        }
    });

    async function give(event: SubmitEvent): Promise<void> {
        event.preventDefault();
        await live.record('given_up', { fate, note });
        open = false;
    }
</script>

<dialog class="modal" bind:this={dialog} aria-labelledby="give-up" onclose={() => (open = false)}>
    <form class="modal-box bg-secondary grid gap-3" onsubmit={give}>
        <h2 id="give-up" class="text-2xl">{texts.giveThisPourUp}</h2>
        <p>
            {live.run.weighed_g > 0
                ? `${measure(live.run.weighed_g, 'mass', bench.units)} are weighed in. What becomes of them?`
                : 'Nothing is weighed in yet.'} It stays in the log as given up, and can be taken back.
        </p>
        {#each fates as [id, words] (id)}
            <label class="flex items-center gap-3"
                ><input type="radio" class="radio" name="fate" value={id} bind:group={fate} />{words}</label
            >
        {/each}
        <label class="grid gap-1"
            ><span class="quiet">{texts.whyInAWordOrTwo}</span><textarea class="textarea w-full" rows="2" bind:value={note}
            ></textarea></label
        >
        <p class="flex flex-wrap gap-2">
            <button class="btn btn-primary" disabled={fate === ''}>{texts.giveItUp}</button>
            <button type="button" class="btn btn-ghost" onclick={() => (open = false)}>{texts.goOnWithIt}</button>
        </p>
    </form>
</dialog>
