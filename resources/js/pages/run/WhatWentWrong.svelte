<script lang="ts">
    /** After a bad grade: two questions at most, then the likeliest causes; what it was is kept with the pour. */
    import { onMount } from 'svelte';
    import { ask } from '../../lib/api';
    import type { Kept } from '../../lib/kept.svelte';
    import type { LiveRun } from '../../lib/run.svelte';
    import { figure } from '../../lib/units';
    import Choice from '../../parts/Choice.svelte';
    import Wrong from '../../parts/Wrong.svelte';
    import * as texts from './texts';

    let { live, kept }: { live: LiveRun; kept: Kept } = $props();
    type Found = {
        causes: { id: string; name: string; share: number; because: string[]; against: string[]; look: string; next: string }[];
        question: { fact: string; ask: string; answers: { value: string | number | boolean; text: string }[] } | null;
        warnings: { code: string; message: string }[];
        asked: number;
    };
    let found = $state<Found | null>(null);
    let answers = $state<Record<string, string | number | boolean>>({});
    let skipped = $state(false);
    let wrong = $state<string | null>(null);
    let busy = $state(false);
    let other = $state('');

    async function look(): Promise<void> {
        busy = true;
        const answer = await ask<Found>('POST', `/pours/${String(live.run.pour_id)}/causes`, { answers });
        busy = false;
        wrong = answer.ok ? null : answer.wrong.message;
        if (answer.ok) {
            found = answer.data;
        }
    }
    onMount(() => void look());

    async function reply(value: string | number | boolean): Promise<void> {
        if (found?.question && !busy) {
            answers = { ...answers, [found.question.fact]: value };
            await look();
        }
    }
    async function was(cause: string): Promise<void> {
        await live.record('diagnosed', { cause, answers: $state.snapshot(answers) }, `${cause}-${String(Object.keys(answers).length)}`);
        await kept.look();
    }
    const asking = $derived(found?.question !== null && found?.question !== undefined && !skipped);
</script>

<section class="mt-5" aria-label={texts.whatWentWrong}>
    {#if kept.view?.diagnosis}
        <p class="text-lg">It was: <b>{kept.view.diagnosis.name}.</b> From now on that counts for your odds.</p>
    {:else if found !== null}
        <h2 class="text-2xl">{texts.whatWentWrongHeading}</h2>
        {#if asking && found.question !== null}
            <p class="text-lg">{found.question.ask}</p>
            <p class="flex flex-wrap gap-2">
                {#each found.question.answers as answer (answer.text)}<button
                        class="btn big"
                        disabled={busy}
                        onclick={() => void reply(answer.value)}>{answer.text}</button
                    >{/each}
                <button class="btn btn-ghost big" onclick={() => (skipped = true)}>{texts.iDoNotKnow}</button>
            </p>
        {:else}
            {#each found.warnings as warning (warning.code)}<p>{warning.message}</p>{/each}
            <ol class="causes">
                {#each found.causes as cause (cause.id)}
                    <li style="--share:{cause.share}">
                        <p class="text-xl">
                            <b>{cause.name}</b> <span class="fig quiet">{figure(100 * cause.share, 'percent', 'metric', 0)} %</span>
                        </p>
                        <ul class="text-sm">
                            {#each cause.because as why (why)}<li>{why}</li>{/each}
                            {#each cause.against as why (why)}<li class="quiet">
                                    Against it: {why.charAt(0).toLowerCase()}{why.slice(1)}
                                </li>{/each}
                        </ul>
                        <p><b>To tell:</b> {cause.look}</p>
                        <p><b>Next time:</b> {cause.next}</p>
                        <p><button class="btn big" onclick={() => void was(cause.id)}>{texts.itWasThis}</button></p>
                    </li>
                {/each}
            </ol>
            <div class="flex max-w-lg items-end gap-2">
                <div class="grow">
                    <Choice label={texts.itWasSomethingElse} bind:value={other}>
                        <option value="">{texts.leaveItOpen}</option>
                        {#each Object.entries(kept.view?.causes ?? {}) as [id, name] (id)}<option value={id}>{name}</option>{/each}
                    </Choice>
                </div>
                {#if other !== ''}<button class="btn big" onclick={() => void was(other)}>{texts.itWasThat}</button>{/if}
            </div>
        {/if}
    {/if}
    <Wrong says={wrong} />
</section>

<style>
    .causes > li {
        display: grid;
        gap: 0.2rem;
        padding: 0.7rem 0 0.7rem 1rem;
        border-top: 1.5px solid var(--color-base-300);
        border-image: linear-gradient(
                to top,
                var(--color-accent) calc(100% * var(--share)),
                var(--color-base-300) calc(100% * var(--share))
            )
            1;
        border-left: 6px solid;
        margin-bottom: 0.6rem;
    }
</style>
