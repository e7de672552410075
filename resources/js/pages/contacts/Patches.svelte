<script lang="ts">
    import { router } from '@inertiajs/svelte';
    import { bench } from '../../lib/bench.svelte';
    import { refused } from '../../lib/refused';
    import { span } from '../../lib/units';
    import { dayAndTime } from '../../lib/when';
    import PhotoPick from '../../parts/PhotoPick.svelte';
    import TextLine from '../../parts/TextLine.svelte';
    import type { ContactBoardView } from '../../types/server';
    import * as texts from './texts';

    let { board, onopen }: { board: ContactBoardView; onopen: (fresh: string, surface: string) => void } = $props();
    const open = $derived(board.patches.filter((p) => p.passed === null));
    const notes = $state<Record<number, string>>({});
    const photos: Record<number, File | undefined> = {};

    const asked = (id: number): string | null => refused(`patch-${String(id)}`);

    function read(id: number, edition: number, passed: boolean): void {
        router.post(
            `/contacts/patches/${String(id)}?edition=${String(edition)}`,
            { passed, sure: asked(id) !== null, note: notes[id] ?? '', photo: photos[id] ?? null },
            { forceFormData: true, preserveScroll: true },
        );
    }
    const name = (list: { id: string; name: string }[], id: string): string => list.find((entry) => entry.id === id)?.name ?? id;
</script>

<section class="mt-8" aria-labelledby="patches">
    <h2 id="patches" class="text-2xl">{texts.testPatchesThatAreOn}</h2>
    {#if refused('edition') !== null}<p class="early" role="alert">{refused('edition')}</p>{/if}
    <ul>
        {#each open as patch (patch.id)}
            <li class="patch">
                <div>
                    <button class="link text-left font-bold" onclick={() => onopen(patch.fresh, patch.surface)}
                        >{texts.on2(name(board.fresh, patch.fresh), name(board.surfaces, patch.surface))}</button
                    >
                    <p class="quiet text-sm">
                        {patch.place === '' ? 'on a hidden place' : patch.place}{patch.sealed_with === null
                            ? ''
                            : `, over ${board.sealers[patch.sealed_with] ?? patch.sealed_with}`}{patch.release === null
                            ? ''
                            : `, with ${board.releases[patch.release] ?? patch.release}`}, {patch.base === null
                            ? 'any base'
                            : (board.bases.find((b) => b.code === patch.base)?.name ?? patch.base)}, since {dayAndTime(patch.put_on_ms)}
                    </p>
                </div>
                <p>
                    {#if bench.now < patch.due_ms}<span class="fig font-bold">{span(patch.due_ms - bench.now)}</span>
                        <span class="quiet">to go</span>{:else}<b class="text-accent">read it now</b>{/if}
                </p>
                <TextLine label={texts.whatYouSaw} bind:value={notes[patch.id]} />
                <PhotoPick onpick={(taken) => (photos[patch.id] = taken)} />
                {#if asked(patch.id) !== null}<p class="early" role="alert">{asked(patch.id)}</p>{/if}
                <p class="flex flex-wrap gap-2">
                    <button class="btn btn-sm" onclick={() => read(patch.id, patch.edition, true)}>{texts.curedCameAway}</button>
                    <button class="btn btn-sm" onclick={() => read(patch.id, patch.edition, false)}>{texts.failed}</button>
                </p>
            </li>
        {:else}
            <li class="quiet">
                None. Put one on from any pair above; it is read after its demoulding time and then clears that surface under that base.
            </li>
        {/each}
    </ul>
</section>

<style>
    .patch {
        display: grid;
        grid-template-columns: minmax(0, 1.4fr) 7rem minmax(0, 1fr) auto auto;
        gap: 0.5rem 1.25rem;
        align-items: end;
        border-top: 1px solid var(--color-base-300);
        padding: 0.6rem 0;
    }
    .early {
        grid-column: 1 / -1;
        font-weight: 700;
        color: var(--color-warning);
    }
    @media (max-width: 1000px) {
        .patch {
            grid-template-columns: 1fr;
            align-items: start;
        }
    }
</style>
