<script module lang="ts">
    import type { ToChooseView } from '../../types/server';

    export type Material = ToChooseView['materials'][number];

    /** The one that is usual where it is here, else the first that is. */
    export const firstOf = (materials: Material[], usual: string): string =>
        (materials.find((m) => m.here && m.code === usual) ?? materials.find((m) => m.here))?.code ?? '';
</script>

<script lang="ts">
    import { page, router } from '@inertiajs/svelte';
    import { untrack } from 'svelte';
    import type { Words } from '../../lib/contacts';
    import { Typing } from '../../lib/typing.svelte';
    import Choice from '../../parts/Choice.svelte';
    import TextLine from '../../parts/TextLine.svelte';
    import MaterialPick from './MaterialPick.svelte';
    import Uses from './Uses.svelte';
    import * as texts from './texts';

    let { materials, words, uses, onclose }: { materials: Material[]; words: Words; uses: Record<string, string>; onclose: () => void } =
        $props();

    const typing = new Typing('job/new', {
        name: '',
        purpose: '',
        for_whom: '',
        quantity: 1 as number | string,
        due_on: '',
        skin: false,
        uses: [] as string[],
        original: '',
        surface: '',
        mould: untrack(() => firstOf(materials, 'pr-25')),
        mould_surface: '',
        cast: untrack(() => firstOf(materials, 'pr-10')),
    });
    const form = typing.value;
    let busy = $state(false);

    function make(event: SubmitEvent): void {
        event.preventDefault();
        const { original, surface, mould, mould_surface, cast, ...piece } = $state.snapshot(form);
        busy = true;
        router.post(
            '/jobs',
            {
                ...piece,
                chain: [
                    { kind: 'original', name: 'Original', material: original, surface },
                    { kind: 'mould', name: 'Mould', material: mould, surface: mould_surface },
                    { kind: 'cast', name: 'Casts', material: cast },
                ],
            },
            { preserveState: 'errors', onSuccess: () => typing.forget(), onFinish: () => (busy = false) },
        );
    }
    const wrong = $derived(page.props.errors as Record<string, string | undefined>);
</script>

<form class="card-paper mt-4 grid gap-4" onsubmit={make} aria-label={texts.newJob} novalidate>
    <div class="grid gap-4 md:grid-cols-[2fr_1fr_1fr]">
        <TextLine label={texts.piece} first bind:value={form.name} error={wrong.name ?? null} />
        <TextLine label={texts.howMany} fig inputmode="numeric" bind:value={form.quantity} error={wrong.quantity ?? null} />
        <TextLine label={texts.wantedBy} fig type="date" bind:value={form.due_on} error={wrong.due_on ?? null} />
    </div>
    <label class="grid gap-1"
        ><span class="quiet text-sm">{texts.whatIsItForSkinWater}</span>
        <textarea class="textarea w-full" rows="2" bind:value={form.purpose}></textarea>
        {#if wrong.purpose !== undefined}<span class="say" role="alert">{wrong.purpose}</span>{/if}
    </label>
    <TextLine label={texts.whoGetsItWhereThatIs} bind:value={form.for_whom} maxlength={160} error={wrong.for_whom ?? null} />
    <label class="flex min-h-11 items-center gap-3"
        ><input type="checkbox" class="checkbox" bind:checked={form.skin} /> {texts.itIsWornOnSkinOnly}</label
    >
    <Uses {uses} bind:chosen={form.uses} />
    <div class="grid gap-3 md:grid-cols-4">
        <TextLine label={texts.whatIsTheFirstMouldTaken} placeholder={texts.claySculptPrintOldPart} bind:value={form.original} />
        <Choice label={texts.itsSurface} bind:value={form.surface}>
            <option value="">{texts.notSaidTestedFirst}</option>
            {#each Object.entries(words.surfaces) as [id, name] (id)}<option value={id}>{name}</option>{/each}
        </Choice>
        <MaterialPick
            label={texts.mouldOf}
            {materials}
            surfaces={words.surfaces}
            bind:value={form.mould}
            bind:surface={form.mould_surface}
        />
        <MaterialPick label={texts.castsOf} {materials} bind:value={form.cast} />
    </div>
    <div class="flex flex-wrap gap-2">
        <button class="btn btn-primary" disabled={busy}>{texts.startTheJob}</button>
        <button
            type="button"
            class="btn btn-ghost"
            onclick={() => {
                typing.clear();
                onclose();
            }}>{texts.leaveIt}</button
        >
        {#if typing.again}<p class="quiet self-center">What you had typed stands here again.</p>{/if}
    </div>
</form>

<style>
    .say {
        color: var(--color-error);
        font-weight: 700;
        font-size: 0.875rem;
    }
</style>
