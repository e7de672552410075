<script lang="ts" generics="A">
    /**
     * What was told on this tablet while it was cut off, where it does not go with what was told elsewhere meanwhile: both stand here, and
     * one is chosen.
     */
    import { bench } from '../lib/bench.svelte';
    import type { Fact, Outbox } from '../lib/outbox.svelte';
    import { toldWords } from '../lib/told';
    import * as texts from './Clashing.texts';

    type Props = {
        live: { outbox: Outbox<A>; doubted: { fact: Fact; why: string } | null; forgetDoubt: () => void };
        /**
         * What was told last on the bench computer: its number, where it can be taken back, what it is called and of which step or
         * operation it is.
         */
        back: { of: number; words: string; about: string | null } | null;
        digits: number;
    };
    let { live, back, digits }: Props = $props();
    const mine = $derived(live.outbox.clash);
    const words = $derived(mine.map((fact) => toldWords(fact, bench.units, digits, bench.now)));
    const about = $derived(mine[0]?.payload.step ?? mine[0]?.payload.op);
    /** One thing was told instead: it can be taken back for this. */
    const same = $derived(typeof about === 'string' && back !== null && back.of > 0 && about === back.about);
    const asked = $derived(live.doubted?.fact.away === true ? live.doubted : null);

    async function so(): Promise<void> {
        if (asked !== null) {
            live.doubted = null;
            await live.outbox.add(`${asked.fact.key}/sure`, asked.fact.kind, { ...asked.fact.payload, sure: true });
        }
    }
</script>

{#if asked !== null}
    <section class="clash" role="alert" aria-label={texts.toldWhileCutOffIsIt}>
        <p><b>{asked.why}</b></p>
        <p class="ways">
            <button class="btn big" onclick={() => void so()}>{texts.itWasSoAllTheSame}</button>
            <button class="btn big" onclick={() => live.forgetDoubt()}>{texts.itWasNotSo}</button>
        </p>
    </section>
{/if}
{#if mine.length > 0}
    <section class="clash" role="alert" aria-label={texts.toldHereAndElsewhere}>
        <h2 class="text-xl">{texts.toldHereWhileCutOffAnd}</h2>
        <div class="two">
            <div>
                <h3 class="font-bold">{texts.here}</h3>
                <ul>
                    {#each words as one, i (i)}<li>{one}</li>{/each}
                </ul>
            </div>
            <div>
                <h3 class="font-bold">{texts.onTheBenchComputer}</h3>
                <p>{back === null ? 'Nothing that can be taken back.' : `Last: ${back.words}.`}</p>
            </div>
        </div>
        <p class="ways">
            <button
                class="btn big"
                onclick={() => void live.outbox.keepTheirs(`Told on a tablet that was cut off, and not taken: ${words.join('; ')}.`)}
                >{texts.whatStandsThereIsRight}</button
            >
            {#if same && back !== null}<button class="btn big" onclick={() => void live.outbox.takeMine(back.of)}
                    >{texts.takeWhatWasToldHereInstead}</button
                >{/if}
        </p>
        <p class="quiet">Nothing vanishes: what is not taken goes into the notes here.</p>
    </section>
{/if}

<style>
    .clash {
        border-left: 6px solid var(--color-warning);
        padding: 0.5rem 0 0.3rem 1.1rem;
        margin-top: 1rem;
    }
    .two {
        display: grid;
        grid-template-columns: repeat(auto-fit, minmax(16rem, 1fr));
        gap: 0.75rem 2rem;
        margin-top: 0.5rem;
    }
    .ways {
        display: flex;
        flex-wrap: wrap;
        gap: 0.75rem;
        margin-top: 0.75rem;
    }
</style>
