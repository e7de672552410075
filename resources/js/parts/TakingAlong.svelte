<script lang="ts">
    /** A backup at a press that says when the last was; everything as one archive, out and into an empty shop. */
    import { router } from '@inertiajs/svelte';
    import { onMount } from 'svelte';
    import { ask } from '../lib/api';
    import { bench } from '../lib/bench.svelte';
    import { refused } from '../lib/refused';
    import { dayAndTime, when } from '../lib/when';
    import Wrong from './Wrong.svelte';
    import * as texts from './TakingAlong.texts';

    type State = { last_ms: number | null; possible: boolean; folder: string };
    let at = $state<State | null>(null);
    let busy = $state(false);
    let trouble = $state<string | null>(null);
    let taken = $state(false);

    const hear = async (method: 'GET' | 'POST'): Promise<void> => {
        const answer = await ask<State>(method, '/backup');
        at = answer.ok ? answer.data : at;
        trouble = answer.ok ? null : answer.wrong.message;
        taken = answer.ok && method === 'POST';
    };
    onMount(() => void hear('GET'));

    async function backUp(): Promise<void> {
        busy = true;
        await hear('POST');
        busy = false;
    }
    function takeIn(event: Event): void {
        const file = (event.currentTarget as HTMLInputElement).files?.[0];
        if (file !== undefined) {
            router.post('/everything', { file }, { forceFormData: true });
        }
    }
</script>

<section class="mt-6 grid gap-2" aria-label={texts.backupAndEverything}>
    <h3 class="text-xl">{texts.backup}</h3>
    {#if at !== null}
        <p>
            {#if at.last_ms === null}No backup has been taken yet.{:else}The last was taken <b>{dayAndTime(at.last_ms)}</b>{taken
                    ? ', just now, and read back'
                    : ''}.{/if}
            {#if !at.possible}This database is backed up by its own tools.{/if}
        </p>
        {#if at.possible}<p class="flex flex-wrap items-center gap-3">
                <button type="button" class="btn" disabled={busy} onclick={() => void backUp()}
                    >{busy ? texts.takingIt : texts.takeABackupNow}</button
                >
                <span class="quiet text-sm">kept in {at.folder}{at.last_ms === null ? '' : `, last ${when(at.last_ms, bench.now)}`}</span>
            </p>{/if}
    {/if}
    <Wrong says={trouble} />
    <h3 class="mt-2 text-xl">{texts.everything}</h3>
    <p class="quiet max-w-prose">
        Jobs, chains, builds, pours, formulas, swatches, moulds, kits, contacts, sheets and pictures as one archive of open files, each with
        its schema.
    </p>
    <p class="flex flex-wrap items-center gap-3">
        <a class="btn" href="/everything.zip" download>{texts.takeEverythingAlong}</a>
        <label class="btn btn-ghost">
            {texts.bringItIntoAnEmptyShop}
            <input type="file" class="sr-only" accept=".zip,application/zip" onchange={takeIn} />
        </label>
    </p>
    <Wrong says={refused('file')} />
</section>
