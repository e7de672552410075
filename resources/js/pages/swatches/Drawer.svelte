<script lang="ts">
    import { router } from '@inertiajs/svelte';
    import { onMount, tick, untrack } from 'svelte';
    import { screenKeys } from '../../lib/keys.svelte';
    import { Narrowing } from '../../lib/narrowing';
    import { refused } from '../../lib/refused';
    import { figure } from '../../lib/units';
    import Chip from '../../parts/Chip.svelte';
    import Choice from '../../parts/Choice.svelte';
    import Exchange from '../../parts/Exchange.svelte';
    import Pages from '../../parts/Pages.svelte';
    import TextLine from '../../parts/TextLine.svelte';
    import Wrong from '../../parts/Wrong.svelte';
    import type { DrawerView } from '../../types/server';
    import Heading from './Heading.svelte';
    import Swatch from './Swatch.svelte';
    import * as texts from './texts';

    let { drawer }: { drawer: DrawerView } = $props();

    const filter = $state(untrack(() => ({ ...drawer.filter })));
    let chosen = $state<number | null>(null);
    const swatch = $derived(drawer.swatches.find((s) => s.id === chosen) ?? drawer.swatches[0] ?? null);
    const list = new Narrowing('/swatches/drawer', filter, ['drawer']);
    const narrow = (delay = 0): void => {
        list.go(delay);
    };
    /** On a phone the swatch lies below all tiles: go there, and back to its tile again. */
    let panel: HTMLElement;
    async function open(id: number): Promise<void> {
        chosen = id;
        await tick();
        panel.scrollIntoView({ block: 'nearest' });
    }
    const back = (): void => document.getElementById(`swatch-${String(swatch?.id)}`)?.scrollIntoView({ block: 'center' });

    async function step(by: number): Promise<void> {
        const at = drawer.swatches.findIndex((s) => s.id === swatch?.id);
        const next = drawer.swatches[Math.max(0, Math.min(drawer.swatches.length - 1, at + by))];
        if (next !== undefined) {
            chosen = next.id;
            await tick();
            document.getElementById(`swatch-${String(next.id)}`)?.scrollIntoView({ block: 'nearest' });
        }
    }
    const away = (s: DrawerView['swatches'][number]): string =>
        [
            s.points === null
                ? ''
                : Math.abs(s.points) < 0.5
                  ? 'right on it'
                  : `${s.points > 0 ? '+' : '−'}${figure(Math.abs(s.points), 'plain', 'metric', 0)} points`,
            s.delta_e === null ? '' : `differs by ΔE ${figure(s.delta_e, 'plain', 'metric', 1)}`,
        ]
            .filter((words) => words !== '')
            .join(', ');

    onMount(() => {
        const asked = /^#swatch-(\d+)$/.exec(location.hash)?.[1];
        chosen = asked === undefined ? null : Number(asked);
        if (chosen !== null && !drawer.swatches.some((s) => s.id === chosen)) {
            // A label leads to a swatch wherever it lies.
            router.get(`/swatches/drawer?swatch=${String(chosen)}`, {}, { preserveState: true, replace: true, only: ['drawer'] });
        }
        return screenKeys([
            { press: 'j', does: 'Next swatch', run: () => void step(1) },
            { press: 'k', does: 'Swatch before', run: () => void step(-1) },
        ]);
    });
</script>

<Heading title={texts.theDrawer} />

<form class="filters" role="search" onsubmit={(event) => event.preventDefault()}>
    <TextLine label={texts.words} bind:value={filter.q} oninput={() => narrow(200)} placeholder={texts.labelNoteWhatIsInIt} />
    <Choice label={texts.base} bind:value={filter.base} onchange={() => narrow()}>
        <option value="">{texts.anyWord}</option>
        {#each Object.entries(drawer.bases) as [code, name] (code)}<option value={code}>{name}</option>{/each}
    </Choice>
    <TextLine label={texts.nearestInHardnessTo} fig placeholder="00-30" bind:value={filter.hardness} oninput={() => narrow(350)} />
    <TextLine
        label={texts.nearestInColourTo}
        fig
        placeholder={texts.n621418OrC8a27e}
        list="targets"
        bind:value={filter.colour}
        oninput={() => narrow(350)}
    />
    <datalist id="targets"
        >{#each drawer.targets as t (t.id)}<option value={t.lab.join(' ')}>{t.name}</option>{/each}</datalist
    >
</form>
<Wrong says={drawer.wrong} />

<div class="drawer">
    <div>
        <p class="quiet text-sm">
            <span role="status">{drawer.pages.total} of {drawer.total} swatches</span>
            {#if drawer.swatches.length > 0}·
                <a class="link" href="/swatches/labels?ids={drawer.swatches.map((s) => s.id).join(',')}">{texts.labelsOfThese}</a>{/if}
        </p>
        <ul class="tiles">
            {#each drawer.swatches as s (s.id)}
                <li id="swatch-{s.id}">
                    <button class="tile" class:on={swatch?.id === s.id} aria-pressed={swatch?.id === s.id} onclick={() => void open(s.id)}>
                        <Chip light={s.white} dark={s.black} size={50} />
                        <span class="min-w-0">
                            <b class="name">{s.name}</b>
                            <span class="fig block"
                                >{s.hardness?.written ??
                                    (s.white === null && s.black === null
                                        ? texts.notReadYet
                                        : '')}{#if s.questions.some((q) => ['outlier', 'wrong_scale', 'spread'].includes(q.code))}<span
                                        class="text-error"
                                        title={texts.questioned}
                                    >
                                        ?</span
                                    >{/if}</span
                            >
                            {#if away(s) !== ''}<span class="quiet block text-sm">{away(s)}</span>{/if}
                        </span>
                    </button>
                </li>
            {:else}
                <li class="quiet">
                    {drawer.total === 0
                        ? 'The drawer is empty. Make a series of pucks, read them with a durometer, and what they say counts from then on.'
                        : 'Nothing fits that filter.'}
                </li>
            {/each}
        </ul>
        <Pages pages={drawer.pages} href={list.href} only={['drawer']} />
    </div>
    <section class="card-paper panel" aria-live="polite" aria-label={texts.theSwatch} bind:this={panel}>
        <button class="btn btn-sm btn-ghost back" onclick={back}>{texts.backToTheDrawer}</button>
        {#if swatch !== null}{#key swatch.id}<Swatch
                    {swatch}
                    cards={drawer.cards}
                    error={refused(`swatch-${String(swatch.id)}`)}
                />{/key}{:else}<p>
                <a class="link" href="/swatches/series">{texts.makeASeries}</a> to begin.
            </p>{/if}
    </section>
</div>

<section class="mt-6" aria-label={texts.outAndIn}>
    <Exchange
        out={[
            { href: '/exchange/swatches.json', what: 'Take all out (JSON)' },
            { href: '/exchange/swatches.csv', what: 'swatches as CSV' },
            { href: '/exchange/colours.csv', what: 'colours as CSV' },
        ]}
        to="/exchange"
        accept=".json,.csv"
    />
</section>

<style>
    .filters {
        display: grid;
        grid-template-columns: repeat(auto-fit, minmax(11rem, 1fr));
        gap: 0.75rem;
        margin-top: 0.6rem;
    }
    .drawer {
        display: grid;
        grid-template-columns: minmax(0, 1.3fr) minmax(22rem, 1fr);
        gap: 1.25rem;
        margin-top: 0.8rem;
        align-items: start;
    }
    .tiles {
        display: grid;
        grid-template-columns: repeat(auto-fill, minmax(11rem, 1fr));
        gap: 0.5rem;
        margin-top: 0.4rem;
    }
    .tile {
        width: 100%;
        min-height: 72px;
        display: grid;
        grid-template-columns: auto minmax(0, 1fr);
        gap: 0.7rem;
        align-items: center;
        text-align: left;
        padding: 0.5rem;
        border-radius: 1.1rem;
        border: 1.5px solid transparent;
        cursor: pointer;
    }
    .tile:hover {
        border-color: var(--color-base-300);
    }
    .tile.on {
        background: var(--color-secondary);
        border-color: var(--color-base-content);
    }
    .tile b {
        display: block;
        font-size: 1rem;
        line-height: 1.15;
    }
    .panel {
        position: sticky;
        top: 0.5rem;
        max-height: calc(100vh - 1rem);
        overflow: auto;
    }
    .back {
        display: none;
    }
    @media (max-width: 780px) {
        .drawer {
            grid-template-columns: minmax(0, 1fr);
        }
        .panel {
            position: static;
            max-height: none;
            scroll-margin-top: 0.5rem;
        }
        .back {
            display: inline-flex;
            margin-bottom: 0.5rem;
        }
    }
</style>
