<script lang="ts">
    /** What was told is far from what was to be expected: a slip, another coat, another time, or really so? */
    import AsOf from './AsOf.svelte';
    import * as texts from './Really.texts';

    type Props = {
        why: string;
        /** Other coats it may have been. */
        others?: { id: string; name: string }[];
        onso: () => void;
        onthen: (ms: number) => void;
        onother?: (id: string) => void;
        onslip: () => void;
    };
    let { why, others = [], onso, onthen, onother, onslip }: Props = $props();
    let at = $state<number | null>(null);
</script>

<section class="really" role="alert" aria-label={texts.isItReallySo}>
    <p class="says"><b>{why}</b></p>
    <p class="ways">
        <button class="btn" onclick={onslip}>{texts.aSlipWriteNothingDown}</button>
        {#each others as other (other.id)}<button class="btn" onclick={() => onother?.(other.id)}>{texts.itWas(other.name)}</button>{/each}
        {#if at !== null}<button class="btn btn-primary" onclick={() => at !== null && onthen(at)}>{texts.itWasThen}</button>{/if}
        <button class="btn" onclick={onso}>{texts.itIsReallySo}</button>
    </p>
    <AsOf bind:value={at} words="It was at another time …" />
</section>

<style>
    .really {
        border-left: 6px solid var(--color-warning);
        padding: 0.5rem 0 0.3rem 1.1rem;
        margin-top: 1rem;
    }
    .says {
        max-width: 60ch;
    }
    .ways {
        display: flex;
        flex-wrap: wrap;
        gap: 0.5rem;
        margin-top: 0.6rem;
    }
    .btn {
        min-height: 3.5rem;
        height: auto;
    }
</style>
