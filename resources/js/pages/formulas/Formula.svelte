<script lang="ts">
    import type { RequestPayload } from '@inertiajs/core';
    import { router } from '@inertiajs/svelte';
    import { untrack } from 'svelte';
    import { refused } from '../../lib/refused';
    import type { Additive } from '../../lib/pourSheet.svelte';
    import PhotoPick from '../../parts/PhotoPick.svelte';
    import TextLine from '../../parts/TextLine.svelte';
    import Wrong from '../../parts/Wrong.svelte';
    import type { FormulaView } from '../../types/server';
    import Heading from '../swatches/Heading.svelte';
    import Comparison from './Comparison.svelte';
    import Paint from './Paint.svelte';
    import PourIt from './PourIt.svelte';
    import OnPaper from '../../parts/OnPaper.svelte';
    import PractiseThis from '../../parts/PractiseThis.svelte';
    import Versions from './Versions.svelte';
    import Written from './Written.svelte';
    import * as texts from './texts';

    let { page, others }: { page: FormulaView; others: { id: number; called: string }[] } = $props();

    const version = $derived(page.versions.find((v) => v.id === page.chosen));
    const copy = (): { base: string; additives: Additive[] } => ({
        base: version?.recipe.base ?? '',
        additives: (version?.recipe.additives ?? []).map((a) => ({ ...a })),
    });
    let recipe = $state(untrack(copy));
    let fresh = $state(true);
    let deriving = $state(false);
    let as = $state(untrack(() => page.name));
    let note = $state('');
    let photo = $state<File | undefined>();
    /** Two taps are one press. */
    let keeping = $state(false);

    const base = $derived(page.shelf.bases.find((b) => b.code === version?.recipe.base));
    const called = (add: string): string => (add === 'A' ? (base?.part_a ?? 'A') : add === 'B' ? (base?.part_b ?? 'B') : add);
    const paint = $derived(page.kind === 'paint');
    const url = $derived(`/formulas/${String(page.id)}`);
    const beside = $derived([
        ...page.versions.filter((v) => v.id !== page.chosen).map((v) => ({ id: v.id, called: `${page.name} · ${String(v.number)}` })),
        ...others,
    ]);

    function addPhoto(taken: File | undefined): void {
        if (taken !== undefined) {
            router.post(`/versions/${String(page.chosen)}/photo`, { photo: taken }, { preserveScroll: true, forceFormData: true });
        }
    }
    function keep(): void {
        router.post(
            '/formulas',
            {
                name: as,
                kind: page.kind,
                parent: page.chosen,
                note,
                new: as.trim() !== page.name,
                recipe: JSON.stringify($state.snapshot(recipe)),
                ...(photo === undefined ? {} : { photo }),
            } as RequestPayload,
            { preserveState: 'errors', forceFormData: true, onStart: () => (keeping = true), onFinish: () => (keeping = false) },
        );
    }
</script>

<Heading title={page.name}>
    <h1 class="text-3xl">{page.name} <span class="fig quiet text-xl">· {version?.number ?? ''}</span></h1>
    <p class="quiet text-sm">
        {paint ? 'silicone paint' : page.kind === 'trial' ? 'pucks and drawdowns' : 'poured'}{page.retired
            ? ', retired'
            : ''}{#if version?.parent !== null && version?.parent !== undefined}; derived from <a class="link" href={version.parent.href}
                >{version.parent.called}</a
            >{/if}{#each version?.children ?? [] as child, i (child.href)}{i === 0 ? '; became ' : ', '}<a class="link" href={child.href}
                >{child.called}</a
            >{/each}
    </p>
</Heading>

<div class="screen">
    <Versions
        {page}
        {url}
        {beside}
        onbeside={(id) => router.visit(`${url}?version=${String(page.chosen)}&with=${String(id)}`, { preserveScroll: true })}
    />

    <div class="grid gap-5 min-w-0">
        {#if page.comparison !== null}
            <Comparison
                comparison={page.comparison}
                left={beside.find((b) => b.id === page.other)?.called ?? ''}
                right="{page.name} · {version?.number ?? ''}"
            />
        {/if}
        <section class="card-paper" aria-label={texts.whatItSays}>
            {#key `${String(page.chosen)} ${String(deriving)}`}
                <Written bind:recipe bind:fresh shelf={page.shelf} {paint} fixed={!deriving}>
                    {#if version?.note !== undefined && version.note !== '' && !deriving}<p>{version.note}</p>{/if}
                    {#if version?.photo === true && !deriving}<img
                            class="photo"
                            src="/versions/{version.id}/photo"
                            alt={texts.ofVersion(version.number)}
                        />{/if}
                    {#if !deriving}
                        {#if version?.photo === false}
                            <label class="btn btn-sm btn-ghost justify-self-start"
                                >{texts.addAPhotoOfIt}<input
                                    type="file"
                                    accept="image/*"
                                    class="sr-only"
                                    onchange={(event) => addPhoto(event.currentTarget.files?.[0])}
                                /></label
                            >
                            <Wrong says={refused('photo')} />
                        {/if}
                        <button
                            class="btn justify-self-start"
                            onclick={() => {
                                recipe = copy();
                                as = page.name;
                                deriving = true;
                            }}>{texts.changeItIntoAnother}</button
                        >
                    {:else}
                        <TextLine label={texts.keepAsTheNextVersionUnder} bind:value={as} maxlength={120} />
                        <label class="grid gap-1 text-sm"
                            ><span class="quiet">{texts.why}</span><textarea class="textarea w-full" bind:value={note}></textarea></label
                        >
                        <PhotoPick onpick={(taken) => (photo = taken)} />
                        <div class="flex gap-2">
                            <button class="btn btn-primary" disabled={!fresh || keeping || as.trim() === ''} onclick={keep}
                                >{texts.keepIt}</button
                            >
                            <button
                                class="btn btn-ghost"
                                onclick={() => {
                                    recipe = copy();
                                    deriving = false;
                                }}>{texts.leaveItAsItWas}</button
                            >
                        </div>
                        <Wrong says={refused('keep')} />
                    {/if}
                </Written>
            {/key}
        </section>

        {#if paint}
            {#key page.chosen}<Paint recipe={version?.recipe ?? { base: '', additives: [] }} {called} />{/key}
        {:else if page.kind === 'mix'}
            <PourIt {page} {called} />
        {/if}
        <p class="flex flex-wrap gap-2">
            <OnPaper what="versions/{page.chosen}" words="Formula card" /><PractiseThis of={{ version: page.chosen }} />
        </p>
        <p><a class="link inline-block py-2" href="/versions/{page.chosen}/cost">{texts.whatAKilogramOfItCosts}</a></p>
        <form
            class="puck"
            onsubmit={(event) => {
                event.preventDefault();
                router.post('/swatches', { version: page.chosen, name: `${page.name} · ${String(version?.number ?? '')}` });
            }}
        >
            <p class="quiet text-sm">
                {version?.swatches === 0 ? 'No swatch of this version yet.' : `${String(version?.swatches ?? 0)} in the drawer.`} Pour the rest
                of a cup into a puck form: it is the memory of what was right.
            </p>
            <button class="btn btn-sm">{texts.iMadeASwatchOfIt}</button>
        </form>
    </div>
</div>

<style>
    .screen {
        display: grid;
        grid-template-columns: 13rem minmax(0, 1fr);
        gap: 1.75rem;
        margin-top: 0.8rem;
        align-items: start;
    }
    .photo {
        border-radius: 0.8rem;
        max-height: 14rem;
    }
    .puck {
        display: flex;
        flex-wrap: wrap;
        align-items: center;
        gap: 0.6rem 1.2rem;
    }
    @media (max-width: 900px) {
        .screen {
            grid-template-columns: minmax(0, 1fr);
        }
    }
</style>
