<script lang="ts">
    /** How a recipe looks: thin to thick over light and dark, beside what was wanted, and in its ladder. */
    import type { ColourAnswerView } from '../../types/server';
    import Wedge from './Wedge.svelte';
    import * as texts from './texts';

    let { answer }: { answer: ColourAnswerView } = $props();

    const rungs: Record<string, string> = { '12.5': '⅛', '25': '¼', '50': '½', '100': 'as it is', '200': 'twice' };
</script>

<Wedge chips={answer.tint.chips} />
<div class="beside">
    <p class="half" style="background:{answer.tint.srgb}"><span class="sr-only">As mixed</span></p>
    {#if answer.target !== null}<p class="half" style="background:{answer.target.srgb}"><span class="sr-only">As wanted</span></p>{/if}
</div>
<p class="quiet text-sm">
    {answer.target === null ? 'At the thickness above.' : 'Left as mixed, at the thickness above; right as wanted.'} A screen shows colours only
    about right.
</p>
<p class="mt-2">{answer.depth}</p>
{#if answer.ladder.length > 0}
    <h2 class="text-lg mt-3">{texts.ladderAtThisThickness}</h2>
    <ol class="ladder">
        {#each answer.ladder as rung (rung.share_pct)}
            <li>
                <span style="background:linear-gradient({rung.light} 50%, {rung.dark} 50%)"></span><b class="fig"
                    >{rungs[String(rung.share_pct)] ?? `×${String(rung.share_pct / 100)}`}</b
                >
            </li>
        {/each}
    </ol>
{/if}

<style>
    .beside {
        display: flex;
        margin-top: 0.6rem;
        border-radius: 1.1rem;
        overflow: hidden;
    }
    .half {
        flex: 1;
        height: 3.2rem;
    }
    .ladder {
        display: grid;
        grid-template-columns: repeat(5, 1fr);
        gap: 0.35rem;
    }
    .ladder li {
        text-align: center;
    }
    .ladder span {
        display: block;
        height: 3.4rem;
        border-radius: 0.8rem;
    }
</style>
