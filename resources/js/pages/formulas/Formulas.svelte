<script lang="ts">
    import { untrack } from 'svelte';
    import { Narrowing } from '../../lib/narrowing';
    import { refused } from '../../lib/refused';
    import { figure } from '../../lib/units';
    import { dayAndTime } from '../../lib/when';
    import Exchange from '../../parts/Exchange.svelte';
    import Pages from '../../parts/Pages.svelte';
    import type { FormulasView } from '../../types/server';
    import Heading from '../swatches/Heading.svelte';
    import NewFormula from './NewFormula.svelte';
    import * as texts from './texts';

    let { page }: { page: FormulasView } = $props();

    const kinds = [
        { id: 'mix', name: 'Poured' },
        { id: 'paint', name: 'Painted on' },
        { id: 'trial', name: 'Of pucks' },
        { id: 'retired', name: 'Retired' },
    ];
    const filter = $state(untrack(() => ({ ...page.filter })));
    const list = new Narrowing('/formulas', filter, ['page']);
    let adding = $state(false);
</script>

<Heading title={texts.formulas} />

<div class="bar">
    <fieldset class="flex flex-wrap gap-1">
        <legend class="sr-only">{texts.which}</legend>
        {#each kinds as k (k.id)}<label class="chip" class:on={filter.kind === k.id}
                ><input
                    type="radio"
                    class="sr-only"
                    name="kind"
                    value={k.id}
                    bind:group={filter.kind}
                    onchange={() => list.go()}
                />{k.name}</label
            >{/each}
    </fieldset>
    <label class="flex-1"
        ><span class="sr-only">{texts.words}</span><input
            class="input w-full text-base"
            placeholder={texts.nameBaseWhatIsInIt}
            bind:value={filter.q}
            oninput={() => list.go(200)}
        /></label
    >
    <button class="btn" aria-expanded={adding} onclick={() => (adding = !adding)}>{texts.writeANewOne}</button>
</div>

{#if adding}<NewFormula shelf={page.shelf} paint={filter.kind === 'paint'} error={refused('keep')} />{/if}

<ul class="rows">
    {#each page.formulas as f (f.id)}
        <li class="row" style="--m:{f.colour}">
            <div class="min-w-0">
                <p>
                    <a class="link name text-lg" href="/formulas/{f.id}">{f.name}</a>
                    <span class="fig quiet">{f.versions > 1 ? `${String(f.versions)} versions` : ''}</span>
                </p>
                <p class="quiet text-sm">{f.base}</p>
            </div>
            <p class="fig text-xl font-bold">{f.hardness ?? ''}</p>
            <ul class="inside">
                {#each f.inside as i (i.name)}
                    <li>
                        <span class="dot" style="background:{i.colour}"></span>{i.name}
                        <b class="fig">{figure(i.pct_of_ab, 'percent', 'metric', i.pct_of_ab < 1 ? 2 : 1)}</b>
                    </li>
                {:else}<li class="quiet">nothing but the base</li>{/each}
            </ul>
            <p class="text-sm quiet">
                {#if f.pours > 0}poured {f.pours === 1 ? 'once' : `${String(f.pours)} times`}{f.last_ms === null
                        ? ''
                        : `, last ${dayAndTime(f.last_ms)}`}{f.last_grade === null ? '' : `: ${f.last_grade}`}{:else if f.kind === 'mix'}not
                    poured yet{/if}
            </p>
        </li>
    {:else}
        <li class="quiet mt-4">
            {filter.q !== ''
                ? 'Nothing fits those words.'
                : filter.kind === 'mix'
                  ? 'What is poured is kept here by itself, version by version. Or write one down first.'
                  : filter.kind === 'paint'
                    ? 'Silicone paints: silicone, pigment and solvent. Write the first one.'
                    : 'None.'}
        </li>
    {/each}
</ul>
<Pages pages={page.pages} href={list.href} only={['page']} />

<div class="mt-3">
    <Exchange
        out={[
            { href: '/exchange/formulas.csv', what: 'Take formulas out (CSV)' },
            { href: '/exchange/swatches.json', what: 'with their swatches (JSON)' },
        ]}
        to="/exchange"
        accept=".json,.csv"
    />
</div>

<style>
    .bar {
        display: flex;
        flex-wrap: wrap;
        gap: 0.75rem;
        align-items: center;
        margin: 0.6rem 0;
    }
    .row {
        display: grid;
        grid-template-columns: minmax(0, 1.1fr) 5rem minmax(0, 1.6fr) minmax(0, 1fr);
        gap: 0.4rem 1.25rem;
        align-items: center;
        border-top: 1px solid var(--color-base-300);
        border-left: 6px solid var(--m);
        padding: 0.5rem 0 0.5rem 0.8rem;
    }
    .inside {
        display: flex;
        flex-wrap: wrap;
        gap: 0.1rem 1rem;
        font-size: 0.95rem;
    }
    .dot {
        display: inline-block;
        width: 0.8rem;
        height: 0.8rem;
        border-radius: 50% 50% 50% 10%;
        border: 1px solid var(--color-neutral);
        margin-right: 0.35rem;
    }
    @media (max-width: 800px) {
        .row {
            grid-template-columns: minmax(0, 1fr) auto;
        }
        .inside,
        .row > :last-child {
            grid-column: 1 / -1;
        }
    }
</style>
