<script lang="ts">
    /** It was poured already, by the printed card: the run begins when the card says, and the rest is typed in. */
    import { router } from '@inertiajs/svelte';
    import { bench } from '../../lib/bench.svelte';
    import type { LiveSheet } from '../../lib/pourSheet.svelte';
    import { refused } from '../../lib/refused';
    import MomentEntry from '../../parts/MomentEntry.svelte';
    import WhyEarly from '../../parts/WhyEarly.svelte';
    import Wrong from '../../parts/Wrong.svelte';
    import * as texts from './texts';

    let { live, pour }: { live: LiveSheet; pour: number } = $props();
    let open = $state(false);
    let began = $state<number | null>(null);
    let sending = $state(false);
    let left = $state<string | null>(null);
    const wrong = $derived(refused('card'));
    const early = $derived(refused('card_early'));

    async function begin(why: string | null = null): Promise<void> {
        if (sending || began === null) {
            return;
        }
        sending = true;
        if (await live.settled()) {
            router.post(
                `/pours/${String(pour)}/card?edition=${String(live.edition)}`,
                { began_ms: began, stamp: live.answer.stamp, ...(why === null ? {} : { early: why }) },
                { onFinish: () => (sending = false), onError: () => live.look() },
            );
        } else {
            sending = false;
        }
    }
</script>

{#if open}
    <form
        class="by-card"
        onsubmit={(event) => {
            event.preventDefault();
            void begin();
        }}
    >
        <p class="max-w-prose">{texts.theseAreTheCups(live.answer.stamp.slice(0, 6))}</p>
        <div class="row">
            <MomentEntry label={texts.whenWasItBegun} bind:value={began} near={bench.now} error={wrong} />
            <button class="btn btn-primary" disabled={began === null || sending || live.clash !== null}>{texts.beginAsOfThen}</button>
            <button type="button" class="btn btn-ghost" onclick={() => (open = false)}>{texts.notByCard}</button>
        </div>
        {#if early !== null && early !== left}
            <WhyEarly says={early} words={texts.beginAsOfThen} onsay={(why) => void begin(why)} onleave={() => (left = early)} />
        {/if}
        <Wrong says={refused('sheet')} />
    </form>
{:else}
    <p class="mt-2"><button class="link quiet min-h-11" onclick={() => (open = true)}>{texts.pouredByItsCard}</button></p>
{/if}

<style>
    .by-card {
        margin-top: 1rem;
        border-left: 6px solid var(--color-base-300);
        padding: 0.3rem 0 0.3rem 1.1rem;
    }
    .row {
        display: flex;
        flex-wrap: wrap;
        gap: 0.8rem;
        align-items: end;
        margin-top: 0.5rem;
    }
    .btn {
        min-height: 3rem;
    }
</style>
