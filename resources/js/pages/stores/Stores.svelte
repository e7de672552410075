<script lang="ts">
    import { router } from '@inertiajs/svelte';
    import { onMount } from 'svelte';
    import { bench } from '../../lib/bench.svelte';
    import { screenKeys } from '../../lib/keys.svelte';
    import { measure } from '../../lib/units';
    import { dayAndTime } from '../../lib/when';
    import OnPaper from '../../parts/OnPaper.svelte';
    import Exchange from '../../parts/Exchange.svelte';
    import type { StoresView } from '../../types/server';
    import AdditiveSheet from './AdditiveSheet.svelte';
    import BaseSheet from './BaseSheet.svelte';
    import Lots from './Lots.svelte';
    import * as texts from './texts';

    let stores: StoresView = $props();
    const { list, base, additive, other, own, empty } = $derived(stores);
    const groups = [
        ['base', 'Bases'],
        ['additive', 'To stir in'],
        ['release', 'Releases'],
        ['sealer', 'Sealers'],
        ['surface', 'Surfaces'],
    ] as const;
    const shown = $derived(base?.code ?? additive?.code ?? other?.code ?? '');
    const chosen = $derived(list.find((s) => s.code === shown));
    const here = $derived(list.filter((s) => s.here));
    const off = $derived(list.filter((s) => !s.here));

    function step(by: number): void {
        const at = here.findIndex((s) => s.code === shown);
        router.visit(`/stores/${here[(at + by + here.length) % here.length]?.code ?? ''}`, { preserveScroll: true });
    }
    const put = (isHere: boolean): void => router.put(`/stores/${shown}/shelf`, { here: isHere }, { preserveScroll: true });

    onMount(() =>
        screenKeys([
            { press: 'j', does: 'Next sheet', run: () => step(1) },
            { press: 'k', does: 'Sheet before', run: () => step(-1) },
            { press: 'w', does: 'Write a sheet', run: () => router.visit('/stores/new/sheet') },
        ]),
    );
</script>

<svelte:head><title>Stores · Apalos</title></svelte:head>

{#snippet names(sheets: StoresView['list'])}
    <ul>
        {#each sheets as s (s.kind + s.code)}
            <li>
                <a href="/stores/{s.code}" aria-current={s.code === shown ? 'true' : undefined}
                    ><i style="background:{s.colour ?? 'transparent'}" class:bare={s.colour === null}></i><span
                        >{s.name}{#if s.own}<small>{texts.own}</small>{/if}{#if stores.on_hand[s.code] !== undefined}<small class="fig"
                                >{measure(stores.on_hand[s.code], 'mass', bench.units, 0)}</small
                            >{/if}</span
                    ></a
                >
            </li>
        {/each}
    </ul>
{/snippet}

<div class="flex flex-wrap items-center justify-between gap-2">
    <h1 class="text-3xl">{texts.stores}</h1>
    <span class="flex flex-wrap gap-2"
        ><OnPaper what="to-buy" words="Shopping list" /><a class="btn btn-primary" href="/stores/new/sheet">{texts.writeASheet}</a></span
    >
</div>
{#if empty}
    <p class="mt-3 max-w-prose text-lg">
        Your shelf is empty. It holds the sheets of what you work with: every gram, every minute and every warning comes from them.
        <a class="link" href="/first">{texts.tickWhatYouHave}</a>, or write a sheet from your supplier’s data sheet.
    </p>
{/if}
{#if stores.reorder.length > 0}
    <p class="mt-3 border-l-4 border-warning pl-3" role="status">
        To order: {#each stores.reorder as low, i (low.code)}{i > 0 ? ', ' : ''}<a
                class="link inline-block leading-7"
                href="/stores/{low.code}">{low.name}</a
            >
            ({measure(low.left_g, 'mass', bench.units, 0)} left{low.usual
                ? `, a pour takes about ${measure(low.reorder_g, 'mass', bench.units, 0)}`
                : ''}){/each}
    </p>
{/if}
{#if stores.wanted.length > 0}
    <p class="mt-3 border-l-4 border-warning pl-3" role="status">
        To buy for jobs: {#each stores.wanted as want, i (i)}{i > 0 ? ', ' : ''}<a
                class="link inline-block leading-7"
                href="/stores/{want.code}">{want.name}</a
            >
            ({measure(want.grams, 'mass', bench.units, 0)} for <a class="link" href="/jobs/{want.job_id}">{want.job}</a>){/each}
    </p>
{/if}
<div class="stores">
    <article>
        {#if chosen !== undefined}
            {#snippet lots()}{#key shown}<Lots code={shown} colour={chosen.colour} {stores} />{/key}{/snippet}
            {#if base !== null}<BaseSheet sheet={base}>{@render lots()}</BaseSheet>{:else if additive !== null}<AdditiveSheet
                    sheet={additive}>{@render lots()}</AdditiveSheet
                >{:else if other !== null}
                <h2 class="text-3xl">{other.name}</h2>
                <p class="quiet">house code <span class="fig">{other.code}</span> · {other.kind}</p>
                <dl class="lines">
                    {#each other.lines.filter((l) => l.value !== null && !['House code', 'Name'].includes(l.label)) as line (line.label)}<dt
                        >
                            {line.label}
                        </dt>
                        <dd>{line.value}</dd>{/each}
                </dl>
            {/if}
            {#if own !== null}
                <section class="mt-6 grid gap-2" aria-label={texts.versions}>
                    {#if own.left_open.length > 0}
                        <details>
                            <summary class="link min-h-11 py-2"
                                >{texts.leftOpen(
                                    own.left_open.length === 1 ? texts.oneThingIs : texts.thingsAre(own.left_open.length),
                                )}</summary
                            >
                            <dl class="lines">
                                {#each own.left_open as field (field.label)}<dt>{field.label}</dt>
                                    <dd>still works: {field.open}</dd>{/each}
                            </dl>
                        </details>
                    {/if}
                    <ul class="text-sm">
                        {#each own.versions as version (version.version)}
                            <li>
                                <b>Version {version.version}</b>, {dayAndTime(version.at_ms)}{version.changed.length === 0
                                    ? ''
                                    : `: ${version.changed.join(', ').toLowerCase()} changed`}
                            </li>
                        {/each}
                    </ul>
                </section>
            {/if}
            <p class="mt-6 flex flex-wrap gap-2">
                {#if chosen.own}<a class="btn" href="/stores/{chosen.code}/change">{texts.changeIt}</a>{/if}
                <a class="btn" href="/stores/new/sheet?from={chosen.code}">{texts.copyItAndChangeTheCopy}</a>
                <button class="btn btn-ghost" onclick={() => put(!chosen.here)}
                    >{chosen.here ? texts.weDoNotHaveThis : texts.putItOnTheShelf}</button
                >
            </p>
        {/if}
    </article>
    <nav aria-label={texts.sheets}>
        {#each groups as [kind, title] (kind)}
            {@const some = here.filter((s) => s.kind === kind)}
            {#if some.length > 0}
                <details open={kind === 'base' || kind === 'additive' || chosen?.kind === kind}>
                    <summary class="text-xl">{title}</summary>
                    {@render names(some)}
                </details>
            {/if}
        {/each}
        {#if off.length > 0}
            <details open={chosen?.here === false}>
                <summary class="text-xl">{texts.notOnYourShelf(off.length)}</summary>
                {@render names(off)}
            </details>
        {/if}
        <section class="mt-4 grid gap-2">
            <h2 class="text-xl">{texts.sheetsAsAFile}</h2>
            <p class="quiet text-sm">
                Your own sheets, out and in. While you have none, the YAML file is a template that explains every field.
            </p>
            <Exchange
                out={[
                    { href: '/stores.yaml', what: 'Take out (YAML)' },
                    { href: '/stores.json', what: 'as JSON' },
                    { href: '/stores/kits.csv', what: 'Kits as CSV' },
                ]}
                to="/stores"
                accept=".yaml,.yml,.json"
            />
        </section>
    </nav>
</div>

<style>
    .stores {
        display: grid;
        grid-template-columns: minmax(0, 1fr) 18rem;
        gap: 2.5rem;
        margin-top: 1rem;
    }
    nav a {
        display: grid;
        grid-template-columns: 1.4rem 1fr;
        gap: 0.6rem;
        align-items: center;
        min-height: 2.75rem;
        padding: 0.2rem 0.5rem;
        border-radius: 0.7rem;
    }
    nav a[aria-current] {
        background: var(--color-base-200);
        font-weight: 700;
    }
    summary {
        min-height: 2.75rem;
        padding: 0.4rem 0;
        cursor: pointer;
    }
    small {
        font-size: 0.9rem;
        margin-left: 0.5rem;
        color: var(--color-neutral);
    }
    i {
        width: 1.3rem;
        height: 1.3rem;
        border-radius: 0.3rem 50% 50% 0.3rem;
        border: 1px solid color-mix(in oklab, currentColor 40%, transparent);
    }
    i.bare {
        border-style: dashed;
    }
    .lines {
        display: grid;
        grid-template-columns: minmax(8rem, 14rem) 1fr;
        gap: 0.35rem 1rem;
        margin-top: 0.75rem;
    }
    dt {
        color: var(--color-neutral);
    }
    @media (max-width: 800px) {
        .stores,
        .lines {
            grid-template-columns: minmax(0, 1fr);
        }
        .lines {
            gap: 0;
        }
        dd {
            margin-bottom: 0.5rem;
        }
    }
</style>
