<script lang="ts">
    /** A mould of one part: which rubbers of the shelf let go of it, and how often. */
    import { ask } from '../../lib/api';
    import * as texts from './texts';

    let { id }: { id: number } = $props();
    type Rubber = {
        name: string;
        shore: string | null;
        elongation_pct: number;
        verdict: 'slips' | 'lets_go' | 'a_few' | 'tears';
        casts: number;
    };
    let told = $state<{ needed_pct: number; rubbers: Rubber[] } | null>(null);
    const words: Record<Rubber['verdict'], string> = {
        slips: 'slips off',
        lets_go: 'lets go',
        a_few: 'a few times, with care',
        tears: 'tears',
    };

    $effect(() => {
        const mine = id;
        void ask<{ needed_pct: number; rubbers: Rubber[] }>('GET', `/studies/${String(mine)}/stretch`).then((answer) => {
            if (answer.ok && mine === id) {
                told = answer.data;
            }
        });
    });
</script>

{#if told !== null}
    <section class="grid content-start gap-2" aria-label={texts.stretch}>
        <h2 class="text-2xl">{texts.howFarMustItStretch}</h2>
        <p>By <b class="fig">{told.needed_pct.toFixed(0)} %</b>, where the widest girth passes the narrowest below it.</p>
        <ul>
            {#each told.rubbers as rubber (rubber.name)}
                <li class="row">
                    <span>{rubber.name}</span><b class:text-error={rubber.verdict === 'tears'}
                        >{words[rubber.verdict]}{rubber.casts > 0 && rubber.verdict !== 'slips'
                            ? `, about ${String(rubber.casts)} times`
                            : ''}</b
                    >
                </li>
            {/each}
        </ul>
        <p class="quiet">
            A third of what tears a rubber is what it bears again and again. How often is a rule of thumb: your own moulds know better.
        </p>
    </section>
{/if}

<style>
    .row {
        display: flex;
        justify-content: space-between;
        gap: 1rem;
        padding: 0.3rem 0;
        border-bottom: 1px solid var(--color-base-300);
    }
    .row b {
        text-align: right;
    }
</style>
