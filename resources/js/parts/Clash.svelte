<script lang="ts">
    /** Two screens have changed the same thing: both are shown, and one presses which is right. */
    import type { Difference } from '../lib/clash';
    import * as texts from './Clash.texts';

    type Props = {
        says: string;
        differs: Difference[];
        /** What was typed here gives way to what was kept there. */
        ontheirs: () => void;
        /** What was typed here goes over it. */
        onmine: () => void;
    };
    let { says, differs, ontheirs, onmine }: Props = $props();
</script>

<section class="clash" role="alert" aria-label={texts.changedOnAnotherScreen}>
    <p class="font-bold">{says}</p>
    {#if differs.length > 0}
        <div class="rows">
            <table>
                <thead><tr><th scope="col"></th><th scope="col">{texts.here}</th><th scope="col">{texts.there}</th></tr></thead>
                <tbody>
                    {#each differs as one (one.what)}<tr><th scope="row">{one.what}</th><td>{one.mine}</td><td>{one.theirs}</td></tr>{/each}
                </tbody>
            </table>
        </div>
    {/if}
    <div class="flex flex-wrap gap-2">
        <button type="button" class="btn btn-primary" onclick={ontheirs}>{texts.takeWhatStandsThere}</button>
        <button type="button" class="btn" onclick={onmine}>{texts.keepWhatStandsHere}</button>
    </div>
</section>

<style>
    .clash {
        display: grid;
        gap: 0.6rem;
        padding: 0.8rem 1rem;
        border: 2px solid var(--color-warning);
        border-radius: 0.9rem;
        background: var(--color-base-100);
    }
    .rows {
        overflow-x: auto;
        max-height: 40vh;
        overflow-y: auto;
    }
    table {
        width: 100%;
        border-collapse: collapse;
        font-size: 0.95rem;
    }
    th,
    td {
        text-align: left;
        padding: 0.2rem 0.6rem 0.2rem 0;
        vertical-align: top;
        border-bottom: 1px solid var(--color-base-300);
    }
    th[scope='row'] {
        font-weight: 400;
        color: var(--color-neutral);
    }
</style>
