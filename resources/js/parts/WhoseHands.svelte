<script lang="ts">
    /** Whose hands the bench is in: handed over in two taps, and given back by itself where nobody has touched it for a while. */
    import { router } from '@inertiajs/svelte';
    import { onMount } from 'svelte';
    import { ask } from '../lib/api';
    import { away } from '../lib/away.svelte';
    import { bench } from '../lib/bench.svelte';
    import HandsPicker from './HandsPicker.svelte';
    import * as texts from './WhoseHands.texts';

    let dialog: HTMLDialogElement;
    let open = $state(false);
    let touched = Date.now();
    const hands = $derived(bench.frame?.hands ?? null);
    const tablet = $derived(bench.frame?.tablet ?? null);

    function show(): void {
        open = true;
        dialog.showModal();
    }

    /** What the tablet keeps is kept anew, in their name. */
    function taken(): void {
        dialog.close();
        void away.keep();
    }

    async function rest(): Promise<void> {
        const answer = await ask('POST', '/hands/rest', {});
        if (answer.ok) {
            await bench.refresh();
        }
    }

    onMount(() => {
        const idle = setInterval(() => {
            if (tablet !== null && hands !== null && Date.now() - touched > (bench.frame?.unused_min ?? 10) * 60_000) {
                void rest().then(show);
            }
        }, 10_000);
        return () => {
            clearInterval(idle);
        };
    });
</script>

<svelte:window onpointerdown={() => (touched = Date.now())} onkeydown={() => (touched = Date.now())} />

{#if hands !== null || tablet !== null}
    <button class="btn btn-ghost btn-sm" title={hands?.name ?? texts.whoseHands} onclick={show}>
        <span class="mark" style:background={hands?.colour ?? 'var(--color-neutral)'} aria-hidden="true"
            >{hands?.name.slice(0, 1) ?? '?'}</span
        ><span class="sr-only">{texts.handOver(hands?.name ?? texts.whoseHands)}</span>
    </button>
{:else if bench.frame !== null}
    <!-- Nobody is known by name yet: whoever works alone need not say it. -->
    <a class="btn btn-ghost btn-sm" href="/people" title={texts.whoWorksHere}>
        <span class="mark nobody" aria-hidden="true">+</span><span class="sr-only">{texts.whoWorksHere}</span>
    </a>
{/if}

<dialog class="modal" bind:this={dialog} aria-labelledby="whose-hands" onclose={() => (open = false)}>
    <div class="modal-box bg-secondary">
        <h2 id="whose-hands" class="mb-2 text-2xl">{texts.whoseHands}</h2>
        {#if open}<HandsPicker {taken} />{/if}
        <p class="mt-4 flex flex-wrap justify-between gap-2">
            {#if hands?.role === 'owner'}<a class="btn btn-ghost" href="/people" onclick={() => dialog.close()}>{texts.people}</a>{/if}
            {#if tablet !== null && hands !== null}<button class="btn btn-ghost" onclick={() => void rest().then(() => dialog.close())}
                    >{texts.nobodyJustNow}</button
                >{/if}
            {#if hands !== null && tablet === null && bench.frame?.made_up === false}<button
                    class="btn btn-ghost"
                    onclick={() => router.post('/sign-out')}>{texts.signOut}</button
                >{/if}
            <button class="btn" onclick={() => dialog.close()}>{texts.close}</button>
        </p>
    </div>
</dialog>

<style>
    .mark {
        display: inline-grid;
        place-items: center;
        width: 1.9rem;
        height: 1.9rem;
        border-radius: 62% 38% 55% 45% / 48% 56% 44% 52%;
        color: #fff;
        font-weight: 700;
    }
    .nobody {
        border: 2px dashed currentColor;
        color: inherit;
    }
</style>
