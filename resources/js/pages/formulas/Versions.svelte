<script lang="ts">
    /** The versions of a formula, its name, and what to hold beside it. */
    import { router } from '@inertiajs/svelte';
    import { untrack } from 'svelte';
    import { refused } from '../../lib/refused';
    import { dayAndTime } from '../../lib/when';
    import Choice from '../../parts/Choice.svelte';
    import TextLine from '../../parts/TextLine.svelte';
    import Wrong from '../../parts/Wrong.svelte';
    import type { FormulaView } from '../../types/server';
    import * as texts from './texts';

    type Props = { page: FormulaView; url: string; beside: { id: number; called: string }[]; onbeside: (id: number) => void };
    let { page, url, beside, onbeside }: Props = $props();

    let name = $state(untrack(() => page.name));
    let renaming = $state(false);
    let other = $state('');
</script>

<nav class="versions" aria-label={texts.versions}>
    <ul>
        {#each [...page.versions].reverse() as v (v.id)}
            <li>
                <a href="{url}?version={v.id}" class:on={v.id === page.chosen} aria-current={v.id === page.chosen ? 'true' : undefined}>
                    <b class="fig">{v.number}</b>
                    <span class="quiet text-sm">{dayAndTime(v.kept_ms)}</span>
                    {#if v.note !== ''}<span class="note text-sm">{v.note}</span>{/if}
                    {#if v.pours.length > 0}<span class="quiet text-sm block"
                            >{v.pours_in_all} {v.pours_in_all === 1 ? texts.pour : texts.pours}</span
                        >{/if}
                </a>
            </li>
        {/each}
        {#if page.versions_in_all > page.versions.length}<li class="quiet p-2 text-sm">
                and {page.versions_in_all - page.versions.length} older
            </li>{/if}
    </ul>
    <div class="flex flex-wrap gap-1">
        <button class="btn btn-sm" aria-expanded={renaming} onclick={() => (renaming = !renaming)}>{texts.rename}</button>
        <button
            class="btn btn-sm btn-ghost"
            onclick={() => router.put(`${url}?edition=${String(page.edition)}`, { retired: !page.retired }, { preserveScroll: true })}
            >{page.retired ? texts.bringItBack : texts.retireIt}</button
        >
    </div>
    {#if renaming}
        <form
            class="grid gap-2"
            onsubmit={(event) => {
                event.preventDefault();
                router.put(`${url}?edition=${String(page.edition)}`, { name }, { preserveScroll: true, preserveState: 'errors' });
            }}
        >
            <TextLine label={texts.itsName} bind:value={name} maxlength={120} />
            <button class="btn btn-sm justify-self-start">{texts.nameItSo}</button>
        </form>
    {/if}
    <Wrong says={refused('name')} />
    {#if beside.length > 0}
        <div class="grid gap-1">
            <Choice label={texts.holdBeside} bind:value={other}>
                <option value="">{texts.choose}</option>
                {#each beside as b (b.id)}<option value={String(b.id)}>{b.called}</option>{/each}
            </Choice>
            <button class="btn btn-sm justify-self-start" disabled={other === ''} onclick={() => onbeside(Number(other))}
                >{texts.compare}</button
            >
        </div>
    {/if}
</nav>

<style>
    .versions {
        display: grid;
        gap: 0.9rem;
    }
    .versions a {
        display: block;
        padding: 0.35rem 0.7rem;
        border-left: 5px solid var(--color-base-300);
    }
    .versions a.on {
        border-color: var(--color-accent);
        background: var(--color-secondary);
        border-radius: 0 0.9rem 0.9rem 0;
    }
    .note {
        display: -webkit-box;
        -webkit-box-orient: vertical;
        -webkit-line-clamp: 2;
        line-clamp: 2;
        overflow: hidden;
    }
</style>
