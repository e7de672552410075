<script lang="ts">
    /** "It was at …": what is told now happened before. */
    import { bench } from '../lib/bench.svelte';
    import { inField, ofField } from '../lib/when';
    import * as texts from './AsOf.texts';

    type Props = {
        /** The moment; null where it is now. */
        value: number | null;
        /** How the way to it is called. */
        words?: string;
    };
    let { value = $bindable(), words = 'It was earlier than now …' }: Props = $props();
    const id = $props.id();
    let text = $state('');

    function open(): void {
        text = inField(bench.now);
        value = ofField(text);
    }
    function say(): void {
        value = ofField(text) ?? value;
    }
</script>

{#if value === null}
    <p><button type="button" class="link quiet py-3" onclick={open}>{words}</button></p>
{:else}
    <div class="as-of">
        <label for={id}>{texts.itWasAt}</label>
        <input {id} type="datetime-local" class="input fig" max={inField(bench.now)} bind:value={text} oninput={say} />
        <button type="button" class="btn btn-ghost" onclick={() => (value = null)}>{texts.itIsNow}</button>
    </div>
{/if}

<style>
    .as-of {
        display: flex;
        flex-wrap: wrap;
        gap: 0.4rem 0.8rem;
        align-items: center;
        margin-top: 0.5rem;
    }
    input {
        width: auto;
        min-height: 3rem;
        font-size: 1.05rem;
    }
    .btn {
        min-height: 3rem;
    }
</style>
