<script lang="ts">
    /** Puts a job away; where something lives in it, that is said first. */
    import { router } from '@inertiajs/svelte';
    import type { JobView } from '../../types/server';
    import * as texts from './texts';

    let { job }: { job: JobView } = $props();
    let asked = $state(false);
    const away = (): void => router.delete(`/jobs/${String(job.id)}`);
</script>

{#if asked && job.lives !== null}
    <section class="mt-10" role="alert" aria-label={texts.putTheJobAway}>
        <p class="max-w-prose">
            <b>{job.lives}</b> All of that leaves bench, strip and day with it, and comes back with it: put-away jobs stand under Jobs.
        </p>
        <p class="mt-2 flex gap-2">
            <button class="btn btn-primary" onclick={away}>{texts.putItAwayAllTheSame}</button>
            <button class="btn btn-ghost" onclick={() => (asked = false)}>{texts.keepItHere}</button>
        </p>
    </section>
{:else}
    <p class="mt-10">
        <button class="btn btn-ghost btn-sm" onclick={() => (job.lives === null ? away() : (asked = true))}
            >{texts.putTheJobAway2(job.lives === null ? '' : ' …')}</button
        >
    </p>
{/if}
