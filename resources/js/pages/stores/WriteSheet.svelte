<script lang="ts">
    /** A sheet of one's own, from a supplier's data sheet: field by field, with what each is for. */
    import { router } from '@inertiajs/svelte';
    import { tick, untrack } from 'svelte';
    import { ask, type Wrong } from '../../lib/api';
    import { Typing } from '../../lib/typing.svelte';
    import { bench } from '../../lib/bench.svelte';
    import { differences, type Said } from '../../lib/clash';
    import Clash from '../../parts/Clash.svelte';
    import Refused from '../../parts/Wrong.svelte';
    import type { WriteSheetView } from '../../types/server';
    import SheetEntry from './SheetEntry.svelte';
    import * as texts from './texts';

    let { write }: { write: WriteSheetView } = $props();
    const EDITION = '(edition)';
    type Doubt = { code: string; field: string; message: string };

    const typing = new Typing<Record<string, unknown>>(
        untrack(() => `sheet/${write.form.kind}/${write.changes ?? write.from ?? 'new'}`),
        // What is typed belongs to the version it was typed on, also when it is found again later.
        untrack(() => ({ ...write.sheet, [EDITION]: write.edition })),
    );
    const sheet = typing.value;
    let wrong = $state<Wrong | null>(null);
    let doubts = $state<Doubt[]>([]);
    let busy = $state(false);

    const title = $derived(
        write.changes !== null
            ? `Change “${String(write.sheet.name ?? write.changes)}”`
            : write.from !== null
              ? `A copy of “${write.from_name ?? write.from}”`
              : 'A sheet of your own',
    );
    const known = $derived(new Set(write.form.groups.flatMap((group) => group.fields.map((field) => field.at))));
    const said = (at: string): string | null =>
        [wrong, ...(wrong?.also ?? [])].find((one) => one?.field === at)?.message ?? doubts.find((d) => d.field === at)?.message ?? null;
    const elsewhere = $derived(
        wrong !== null && ![...known].some((at) => wrong?.field === at || wrong?.field.startsWith(`${at}.`) === true)
            ? wrong.message
            : null,
    );

    const clash = $derived(wrong?.field === 'edition' ? wrong.message : null);
    const names = $derived(
        write.form.groups.flatMap((group) =>
            group.fields.map((field): Said => [new RegExp(`^${field.at.replace('.', '\\.')}$`), field.label, null]),
        ),
    );
    const differs = $derived(clash === null ? [] : differences(without($state.snapshot(sheet)), without(write.sheet), bench.units, names));
    function without(of: Record<string, unknown>): Record<string, unknown> {
        return Object.fromEntries(Object.entries(of).filter(([at]) => at !== EDITION));
    }
    function takeTheirs(): void {
        Object.assign(sheet, write.sheet, { [EDITION]: write.edition });
        typing.forget();
        wrong = null;
    }
    function keepMine(): void {
        sheet[EDITION] = write.edition;
        void keep(false);
    }

    /** Nested as the sheet is kept. */
    function nested(): Record<string, unknown> {
        const whole: Record<string, unknown> = {};
        for (const [at, value] of Object.entries($state.snapshot(sheet))) {
            if (value === null || value === '' || at === EDITION) {
                continue;
            }
            const [part = '', name] = at.split('.');
            if (name === undefined) {
                whole[part] = value;
            } else {
                whole[part] = { ...(whole[part] as Record<string, unknown> | undefined), [name]: value };
            }
        }
        return whole;
    }

    async function keep(sure: boolean): Promise<void> {
        busy = true;
        const answer = await ask<{ kept: string | null; doubts: Doubt[] }>('POST', `/stores/sheets?edition=${String(sheet[EDITION])}`, {
            kind: write.form.kind,
            sheet: nested(),
            changes: write.changes,
            sure,
        });
        busy = false;
        wrong = answer.ok ? null : answer.wrong;
        doubts = answer.ok ? answer.data.doubts : [];
        if (answer.ok && answer.data.kept !== null) {
            typing.forget();
            router.visit(`/stores/${answer.data.kept}`);
            return;
        }
        if (!answer.ok && answer.wrong.field === 'edition') {
            // What stands there now is shown beside what was typed.
            router.reload({ only: ['write'] });
        }
        await tick();
        document.querySelector('[role=alert]')?.scrollIntoView({ block: 'center', behavior: 'smooth' });
    }
</script>

<svelte:head><title>{title} · Apalos</title></svelte:head>

<div class="flex flex-wrap items-baseline gap-x-3">
    <h1 class="text-3xl">{title}</h1>
    <p class="quiet">
        <a class="link inline-block" href="/stores{(write.changes ?? write.from) ? `/${write.changes ?? write.from ?? ''}` : ''}"
            >{texts.backToStores}</a
        >
    </p>
</div>
{#if write.changes === null && write.from === null}
    <nav class="mt-2 flex flex-wrap gap-1" aria-label={texts.whatIsTheSheetAbout}>
        {#each write.kinds as kind (kind.kind)}
            <a
                class="chip"
                class:on={kind.kind === write.form.kind}
                href="/stores/new/sheet?kind={kind.kind}"
                aria-current={kind.kind === write.form.kind}>{kind.title}</a
            >
        {/each}
    </nav>
{/if}
<p class="quiet mt-2 max-w-prose">
    {write.form.says}
    {#if write.changes !== null}A change makes a new version; what was poured keeps the one it had.{/if}
    {#if typing.again}<b>What you typed before stands here again.</b>
        <button type="button" class="link" onclick={() => typing.clear()}>{texts.beginAnew}</button>{/if}
</p>

<form
    class="mt-4 grid gap-6"
    novalidate
    onsubmit={(event) => {
        event.preventDefault();
        void keep(false);
    }}
>
    {#each write.form.groups as group (group.title)}
        <fieldset class="group">
            <legend class="text-xl">{group.title}</legend>
            {#each group.fields as field (field.at)}
                {#if !(field.at === 'code' && write.changes !== null)}
                    <SheetEntry
                        asked={field}
                        bind:value={() => sheet[field.at], (next) => (sheet[field.at] = next)}
                        lists={write.lists}
                        named={write.named}
                        surfaces={write.named_surfaces}
                        wrong={said}
                    />
                {/if}
            {/each}
        </fieldset>
    {/each}
    {#if clash !== null}<Clash says={clash} {differs} ontheirs={takeTheirs} onmine={keepMine} />{:else}<Refused says={elsewhere} />{/if}
    {#if doubts.length > 0}
        <div class="card-paper grid gap-2" role="group" aria-label={texts.lookAgain}>
            <p class="text-lg font-bold">Two figures of this sheet contradict each other.</p>
            {#each doubts as doubt (doubt.code)}<p>{doubt.message}</p>{/each}
            <p class="flex flex-wrap gap-2">
                <button class="btn btn-primary" disabled={busy}>{texts.iHaveCorrectedItKeepIt}</button>
                <button type="button" class="btn" disabled={busy} onclick={() => void keep(true)}>{texts.itIsSoOnTheSheet}</button>
            </p>
        </div>
    {/if}
    <div class="bar">
        <button class="btn btn-primary btn-lg" disabled={busy}>{texts.keepTheSheet}</button>
    </div>
</form>

<style>
    .group {
        display: grid;
        grid-template-columns: repeat(auto-fill, minmax(15rem, 1fr));
        gap: 1rem 1.5rem;
        border-top: 2px solid var(--color-base-300);
        padding-top: 0.5rem;
    }
    legend {
        padding-right: 0.75rem;
    }
    .bar {
        position: sticky;
        bottom: 0;
        padding: 0.6rem 0;
        background: var(--color-base-100);
        border-top: 1.5px solid var(--color-base-300);
    }
    @media (max-width: 640px) {
        .bar {
            bottom: 3.25rem;
        }
    }
</style>
