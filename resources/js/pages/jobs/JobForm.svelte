<script lang="ts">
    /** What the piece is called, how many, by when, what for. */
    import { router } from '@inertiajs/svelte';
    import { untrack } from 'svelte';
    import { refused } from '../../lib/refused';
    import TextLine from '../../parts/TextLine.svelte';
    import Wrong from '../../parts/Wrong.svelte';
    import type { JobView } from '../../types/server';
    import Uses from './Uses.svelte';
    import * as texts from './texts';

    let { job, uses, onclose }: { job: JobView; uses: Record<string, string>; onclose: () => void } = $props();
    const said = $state(
        untrack(() => ({
            name: job.name,
            purpose: job.purpose,
            for_whom: job.for_whom,
            quantity: String(job.quantity),
            due_on: job.due_on ?? '',
            skin: job.skin,
            uses: job.uses.map((use) => use.id).filter((id) => id !== 'skin'),
        })),
    );
    const edition = untrack(() => job.edition);

    function keep(event: SubmitEvent): void {
        event.preventDefault();
        router.put(`/jobs/${String(job.id)}?edition=${String(edition)}`, $state.snapshot(said), {
            preserveScroll: true,
            preserveState: true,
            onSuccess: onclose,
        });
    }
</script>

<form class="card-paper mt-3 grid gap-3" onsubmit={keep} aria-label={texts.thePiece} novalidate>
    <div class="grid gap-3 md:grid-cols-[2fr_1fr_1fr]">
        <TextLine label={texts.piece} first bind:value={said.name} maxlength={120} error={refused('name')} />
        <TextLine label={texts.howMany} fig inputmode="numeric" bind:value={said.quantity} error={refused('quantity')} />
        <TextLine label={texts.wantedBy} fig type="date" bind:value={said.due_on} error={refused('due_on')} />
    </div>
    <label class="grid gap-1"
        ><span class="quiet text-sm">{texts.whatIsItFor}</span><textarea class="textarea w-full" rows="2" bind:value={said.purpose}
        ></textarea></label
    >
    <TextLine label={texts.whoGetsItWhereThatIs} bind:value={said.for_whom} maxlength={160} error={refused('for_whom')} />
    <Uses {uses} bind:chosen={said.uses} />
    <Wrong says={refused('edition')} />
    <p class="flex gap-2">
        <button class="btn btn-primary">{texts.keepIt}</button>
        <button type="button" class="btn btn-ghost" onclick={onclose}>{texts.leaveIt}</button>
    </p>
</form>
