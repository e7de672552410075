<script lang="ts">
    /** A formula of one's own as the target: as soft as that. */
    import { ask } from '../../lib/api';
    import TextLine from '../../parts/TextLine.svelte';
    import type { AsSoftView } from '../../types/server';
    import * as texts from './texts';

    let { onpick }: { onpick: (scale: string, reading: number) => void } = $props();
    let open = $state(false);
    let q = $state('');
    let found = $state<AsSoftView | null>(null);
    let wrong = $state<string | null>(null);
    let asked = 0;

    async function look(): Promise<void> {
        const mine = ++asked;
        const answer = await ask<AsSoftView>('GET', `/swatches/hardness/formulas?q=${encodeURIComponent(q)}`);
        if (mine === asked) {
            [found, wrong] = answer.ok ? [answer.data, null] : [found, answer.wrong.message];
        }
    }
</script>

{#if !open}<button
        type="button"
        class="btn mt-2"
        onclick={() => {
            open = true;
            void look();
        }}>{texts.asSoftAsAFormula}</button
    >
{:else}
    <fieldset class="soft">
        <legend class="quiet">{texts.asSoftAs}</legend>
        <TextLine label={texts.aPartOfItsNameOr} bind:value={q} oninput={() => void look()} />
        {#if wrong !== null}<p role="alert">{wrong}</p>{/if}
        <ul aria-label={texts.formulas}>
            {#each found?.formulas ?? [] as formula (formula.id)}
                <li>
                    <button
                        type="button"
                        class="btn pick"
                        onclick={() => {
                            open = false;
                            onpick(formula.scale, formula.reading);
                        }}><b>{formula.name}</b> <span class="fig">{formula.shore}</span></button
                    >
                </li>
            {/each}
        </ul>
        {#if found !== null && found.formulas.length === 0}<p class="quiet">No formula by that name whose softness is known.</p>{/if}
        {#if found?.more}<p class="quiet">More of them by a longer name.</p>{/if}
        <button type="button" class="btn btn-ghost justify-self-start" onclick={() => (open = false)}>{texts.leaveIt}</button>
    </fieldset>
{/if}

<style>
    .soft {
        margin-top: 0.6rem;
        display: grid;
        gap: 0.5rem;
    }
    ul {
        display: grid;
        gap: 0.4rem;
        max-height: 14rem;
        overflow-y: auto;
    }
    .fig {
        white-space: nowrap;
    }
    .pick {
        min-height: 2.75rem;
        height: auto;
        width: 100%;
        justify-content: space-between;
        gap: 0.75rem;
        text-align: left;
    }
</style>
