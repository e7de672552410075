<script lang="ts">
    /** Several of one thing, each wanted on a day of its own: how many, from when, and every how many days. */
    import { untrack } from 'svelte';
    import TextLine from '../../parts/TextLine.svelte';
    import * as texts from './texts';

    let { dates = $bindable() }: { dates: string[] } = $props();
    let many = $state('');
    let first = $state('');
    let every = $state('1');
    const MOST = 60;
    const odd = $derived(many.trim() !== '' && !(Number(many) >= 1 && Number(many) <= MOST && Number.isInteger(Number(many))));

    /** A day so many days after another, without a zone: both are days of the shop. */
    function later(day: string, days: number): string {
        return new Date(Date.parse(`${day}T12:00:00Z`) + days * 86_400_000).toISOString().slice(0, 10);
    }

    function fill(): void {
        const [n, step] = [Number(many), Math.max(0, Math.round(Number(every) || 0))];
        if (many.trim() !== '' && !odd && /^\d{4}-\d{2}-\d{2}$/.test(first)) {
            dates = Array.from({ length: n }, (_, i) => later(first, i * step));
        }
    }

    $effect(() => {
        void [many, first, every];
        untrack(fill);
    });
</script>

<fieldset class="copies">
    <legend class="font-bold">{texts.severalCopiesEachForItsOwn}</legend>
    <div class="fields">
        <TextLine label={texts.howManyCopies} fig inputmode="numeric" bind:value={many} />
        <TextLine label={texts.theFirstIsWantedOn} fig type="date" bind:value={first} />
        <TextLine label={texts.thenEverySoManyDays} fig inputmode="numeric" bind:value={every} />
    </div>
    {#if odd}<p role="alert">Give a whole number of copies, 1 to {MOST}. More are planned when those are made.</p>{/if}
    {#if dates.length > 0}
        <ol class="fields" aria-label={texts.daysOfTheCopies}>
            {#each dates as _, i (i)}<li><TextLine label={texts.copy(i + 1)} fig type="date" bind:value={dates[i]} /></li>{/each}
        </ol>
        <p>
            It is one plan: what is changed in it holds for every copy that has not begun.
            <button
                type="button"
                class="btn btn-ghost"
                onclick={() => {
                    dates = [];
                    many = '';
                }}>{texts.oneOnlyAfterAll}</button
            >
        </p>
    {/if}
</fieldset>

<style>
    .copies {
        display: grid;
        gap: 0.6rem;
    }
    .fields {
        display: grid;
        grid-template-columns: repeat(auto-fill, minmax(11rem, 1fr));
        gap: 0.7rem;
    }
</style>
