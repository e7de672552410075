<script lang="ts">
    /** It is early by the clock: who knows better says why, in a word or two, and goes on. */
    import TextLine from './TextLine.svelte';
    import * as texts from './WhyEarly.texts';

    let { says, words, onsay, onleave }: { says: string; words: string; onsay: (why: string) => void; onleave: () => void } = $props();
    let why = $state('');
</script>

<form
    class="early"
    onsubmit={(event) => {
        event.preventDefault();
        if (why.trim() !== '') {
            onsay(why.trim());
        }
    }}
>
    <p role="alert"><b>{says}</b></p>
    <div class="row">
        <TextLine label={texts.whyItGoesAllTheSame} bind:value={why} maxlength={200} first />
        <button class="btn btn-primary" disabled={why.trim() === ''}>{words}</button>
        <button type="button" class="btn btn-ghost" onclick={onleave}>{texts.waitForIt}</button>
    </div>
</form>

<style>
    .early {
        border-left: 6px solid var(--color-warning);
        padding: 0.4rem 0 0.4rem 1.1rem;
        margin-top: 0.8rem;
        max-width: 60ch;
    }
    .row {
        display: flex;
        flex-wrap: wrap;
        gap: 0.6rem;
        align-items: end;
        margin-top: 0.5rem;
    }
    .btn {
        min-height: 3.5rem;
    }
</style>
