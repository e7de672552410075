<script lang="ts">
    import { untrack } from 'svelte';
    import { make } from '../../lib/api';
    import { bench } from '../../lib/bench.svelte';
    import { Tell } from '../../lib/tell.svelte';
    import { figure, measure } from '../../lib/units';
    import { dayAndTime } from '../../lib/when';
    import Choice from '../../parts/Choice.svelte';
    import TextLine from '../../parts/TextLine.svelte';
    import Wrong from '../../parts/Wrong.svelte';
    import type { TrialView } from '../../types/server';

    let { trial: sent }: { trial: TrialView } = $props();
    const told = untrack(() => new Tell<TrialView>(sent, `/trials/${String(sent.id)}/facts`));
    const trial = $derived(told.view);
    let into = $state('');
    let cause = $state('');
    let version = $state('');
    let scale = $state('A');
    let readings = $state('');
    let said = $state<string | null>(null);
    let wrong = $state<string | null>(null);

    async function become(): Promise<void> {
        const answer = await make<TrialView & { said: string }>(`/trials/${String(trial.id)}/become`, {
            what: into,
            ...(into === 'faults' ? { cause } : {}),
            ...(into === 'hardness'
                ? {
                      version: Number(version),
                      scale,
                      readings: readings
                          .split(/[\s;,]+/)
                          .filter((r) => r !== '')
                          .map(Number),
                  }
                : {}),
        });
        wrong = answer.ok ? null : answer.wrong.message;
        if (answer.ok) {
            said = answer.data.said;
            told.view = answer.data;
        }
    }
    const became: Record<string, string> = { contacts: 'under Contacts', hardness: 'in the drawer', faults: 'among your causes' };
</script>

<svelte:head><title>{trial.name} · Trial · Apalos</title></svelte:head>

<p class="quiet"><a class="link inline-flex min-h-11 items-center" href="/faults">What goes wrong</a></p>
<h1 class="text-4xl">{trial.name}</h1>
<p class="quiet">
    {trial.variants.length} variants, {trial.cups} cups of each, {measure(trial.cup_g, 'mass', bench.units)} a cup,
    {measure(trial.all_g, 'mass', bench.units)} in all{trial.base === null ? '' : ` of ${trial.base}`}{trial.surface === null
        ? ''
        : ` on ${trial.surface}`} · {dayAndTime(trial.at_ms)}
</p>
{#if trial.note !== null}<p>{trial.note}</p>{/if}

<p class="verdict {trial.verdict.word}" role="status">{trial.verdict.says}</p>

<div class="cups">
    {#each trial.variants as variant, i (variant.name)}
        <section aria-label={variant.name} class:best={trial.verdict.best === variant.name && trial.verdict.word !== 'open'}>
            <h2 class="text-2xl">{variant.name}</h2>
            <p class="quiet">{variant.release ?? ''}</p>
            {#each variant.grades as grade, cup (cup)}
                <Choice
                    label="Cup {cup + 1}"
                    named="{variant.name}, cup {cup + 1}"
                    value={grade ?? ''}
                    onchange={(chosen) => {
                        if (chosen !== '' && chosen !== grade) {
                            void told.tell('graded', { variant: i, cup, grade: chosen });
                        }
                    }}
                >
                    <option value="">not graded</option>
                    {#each trial.grades as word (word)}<option>{word}</option>{/each}
                </Choice>
            {/each}
        </section>
    {/each}
</div>
{#each trial.verdict.against as one (one.variant)}
    <p class="quiet">
        Against {one.variant}: better in {figure(100 * one.beats, 'percent', 'metric', 0)} of 100 pairs of cups; chance alone would do as much
        in
        {figure(100 * one.corrected, 'percent', 'metric', 1)} of 100 cases.
    </p>
{/each}
<Wrong says={told.trouble ?? wrong} />

<p class="mt-4 flex flex-wrap gap-2">
    {#if !trial.ended}<button class="btn btn-primary" disabled={told.busy} onclick={() => void told.tell('ended')}>That is all of it</button
        >{/if}
    {#if trial.take_back !== null && trial.became === null}<button
            class="btn btn-ghost"
            disabled={told.busy}
            onclick={() => void told.tell('undone', { of: trial.take_back })}>Take back the last</button
        >{/if}
</p>

{#if trial.ended}
    <section class="mt-6 grid max-w-xl gap-3" aria-label="What becomes of it">
        <h2 class="text-2xl">What becomes of it</h2>
        {#if trial.became !== null}
            <p>It is written down {became[trial.became] ?? ''}. {said ?? ''}</p>
        {:else}
            <Choice label="It is a fact for" bind:value={into}>
                <option value="">nothing, it stays here</option>
                {#if trial.can_be_contact}<option value="contacts">the contacts: what cured on the bare surface</option>{/if}
                <option value="hardness">the hardness: what the gauge read</option>
                <option value="faults">the faults: what was behind bad casts</option>
            </Choice>
            {#if into === 'faults'}<Choice label="It confirms" bind:value={cause}>
                    <option value="">choose a cause</option>
                    {#each Object.entries(trial.causes) as [id, name] (id)}<option value={id}>{name}</option>{/each}
                </Choice>{/if}
            {#if into === 'hardness'}
                <Choice label="The better cups were of" bind:value={version}>
                    <option value="">choose a formula</option>
                    {#each trial.formulas as formula (formula.id)}<option value={String(formula.id)}>{formula.name}</option>{/each}
                </Choice>
                <Choice label="Scale" bind:value={scale}><option>00</option><option>A</option></Choice>
                <TextLine label="The gauge read" fig placeholder="24 25 24" bind:value={readings} />
            {/if}
            {#if into !== ''}<p><button class="btn btn-primary" onclick={() => void become()}>Write it down there</button></p>{/if}
        {/if}
    </section>
{/if}

<style>
    .verdict {
        margin: 1rem 0;
        padding: 0.8rem 1.1rem;
        border-radius: var(--radius-box);
        background: var(--color-secondary);
        font-size: 1.25rem;
        border-left: 6px solid var(--color-base-300);
    }
    .verdict.sure {
        border-left-color: var(--color-success);
    }
    .verdict.leans {
        border-left-color: var(--color-warning);
    }
    .cups {
        display: grid;
        grid-template-columns: repeat(auto-fit, minmax(11rem, 1fr));
        gap: 1.25rem;
    }
    .cups section {
        display: grid;
        gap: 0.5rem;
        align-content: start;
        border-top: 4px solid var(--color-base-300);
        padding-top: 0.5rem;
    }
    .cups .best {
        border-top-color: var(--color-success);
    }
</style>
