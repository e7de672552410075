<script lang="ts">
    /** The first hour: who works here, what is on the shelf, and then the first job. */
    import { router } from '@inertiajs/svelte';
    import { untrack } from 'svelte';
    import { Typing } from '../../lib/typing.svelte';
    import BenchForm from '../../parts/BenchForm.svelte';
    import type { FirstView } from '../../types/server';
    import * as texts from './texts';

    let { first }: { first: FirstView } = $props();

    const steps = [
        ['shop', 'Your workshop'],
        ['shelf', 'What is on your shelf'],
        ['job', 'The first job'],
    ] as const;
    const sheets = untrack(() => first.shelf.flatMap((group) => group.sheets));
    const typing = new Typing<{ here: string[]; seen: string[] }>('first/shelf', {
        here: sheets.filter((s) => s.here).map((s) => s.code),
        seen: sheets.map((s) => s.code),
    });
    const form = typing.value;
    // A sheet that was written since the ticks were kept is on the shelf like any that is one's own.
    $effect(() => {
        const seen = form.seen ?? [];
        const fresh = sheets.filter((s) => !seen.includes(s.code));
        if (first.step === 'shelf' && fresh.length > 0) {
            form.here = [...form.here, ...fresh.filter((s) => s.here).map((s) => s.code)];
            form.seen = [...seen, ...fresh.map((s) => s.code)];
        }
    });
    const toggle = (code: string): void => {
        form.here = form.here.includes(code) ? form.here.filter((one) => one !== code) : [...form.here, code];
    };
    const all = (group: FirstView['shelf'][number], on: boolean): void => {
        const codes = group.sheets.map((s) => s.code);
        form.here = [...form.here.filter((code) => !codes.includes(code)), ...(on ? codes : [])];
    };
    const stock = (): void =>
        router.post(
            '/first/shelf',
            { here: $state.snapshot(form.here), seen: $state.snapshot(form.seen) },
            { onSuccess: () => typing.forget() },
        );
    const go = (step: string): void => router.visit(`/first?step=${step}`);
</script>

<svelte:head><title>First hour · Apalos</title></svelte:head>

<div class="first">
    <h1 class="text-4xl">
        {first.step === 'shop' ? texts.welcomeToTheBench : first.step === 'shelf' ? texts.whatIsOnYourShelf : texts.theFirstJob}
    </h1>
    <ol class="steps" aria-label={texts.theFirstHour}>
        {#each steps as [step, words], i (step)}
            <li aria-current={first.step === step ? 'step' : undefined}><a href="/first?step={step}"><b>{i + 1}</b> {words}</a></li>
        {/each}
    </ol>

    {#if first.step === 'shop'}
        <p class="lead">
            Apalos does the measuring, the arithmetic and the remembering. For that it needs to know your scale, your cups and your room.
            All of it can be changed later, under <b>This bench</b>.
        </p>
        <BenchForm first keep="Keep it, on to the shelf" onkept={() => go('shelf')} />
        <p><a class="link inline-block" href="/first?step=shelf">{texts.leaveItAsItIsFor}</a></p>
    {:else if first.step === 'shelf'}
        <p class="lead">
            Tick what you have: only that is offered to you. A rubber that is not here you write down from your supplier’s data sheet; it
            takes a few minutes, and what the sheet does not say may stay open.
        </p>
        {#each first.shelf as group (group.title)}
            <fieldset class="group">
                <legend class="text-xl">{group.title}</legend>
                {#if group.sheets.length > 2}
                    <p class="flex flex-wrap gap-2">
                        <button type="button" class="btn btn-ghost btn-sm" onclick={() => all(group, true)}>{texts.allOfThese}</button>
                        <button type="button" class="btn btn-ghost btn-sm" onclick={() => all(group, false)}>{texts.noneOfThese}</button>
                    </p>
                {/if}
                <div class="sheets">
                    {#each group.sheets as sheet (sheet.code)}
                        <label class:on={form.here.includes(sheet.code)}
                            ><input
                                type="checkbox"
                                class="checkbox"
                                checked={form.here.includes(sheet.code)}
                                onchange={() => toggle(sheet.code)}
                            />
                            <span><b>{sheet.name}</b><span class="quiet block text-sm">{sheet.summary}</span></span></label
                        >
                    {/each}
                </div>
            </fieldset>
        {/each}
        <div class="bar">
            <button class="btn btn-primary btn-lg" onclick={stock}
                >{texts.thatIsMyShelf(form.here.length === 0 ? texts.empty : ` (${String(form.here.length)})`)}</button
            >
            <a class="btn btn-lg" href="/stores/new/sheet">{texts.writeASheetOfMyOwn}</a>
        </div>
    {:else}
        <p class="lead">
            A job is one piece to be made: what the first mould is taken from, the mould, and the casts. From there Apalos says what may
            touch what, how much to mix, and when it can be opened.
        </p>
        <p class="flex flex-wrap gap-2">
            <a class="btn btn-primary btn-lg" href="/jobs?new=1">{texts.describeTheFirstJob}</a>
            <a class="btn btn-lg" href="/contacts">{texts.seeWhatMayTouchWhat}</a>
            <a class="btn btn-lg btn-ghost" href="/">{texts.toTheBench}</a>
        </p>
    {/if}
</div>

<style>
    .first {
        max-width: 72rem;
        display: grid;
        gap: 1.25rem;
    }
    .lead {
        max-width: 46rem;
        font-size: 1.1rem;
    }
    .steps {
        display: flex;
        flex-wrap: wrap;
        gap: 0.25rem 1.5rem;
    }
    .steps a {
        display: inline-flex;
        align-items: center;
        gap: 0.5rem;
        min-height: 2.75rem;
        color: var(--color-neutral);
    }
    .steps b {
        display: grid;
        place-items: center;
        width: 1.9rem;
        height: 1.9rem;
        border-radius: 50%;
        border: 1.5px solid currentColor;
        font-family: var(--font-mono);
    }
    .steps [aria-current] a {
        color: var(--color-base-content);
        font-weight: 700;
    }
    .group {
        border-top: 2px solid var(--color-base-300);
        padding-top: 0.25rem;
    }
    legend {
        padding-right: 0.75rem;
    }
    .sheets {
        display: grid;
        grid-template-columns: repeat(auto-fill, minmax(17rem, 1fr));
        gap: 0.4rem;
        margin-top: 0.5rem;
    }
    .sheets label {
        display: flex;
        gap: 0.75rem;
        align-items: flex-start;
        min-height: 2.75rem;
        padding: 0.6rem 0.8rem;
        border: 1.5px solid var(--color-base-300);
        border-radius: 1rem;
        cursor: pointer;
    }
    .sheets .on {
        background: var(--color-secondary);
        border-color: var(--color-neutral);
    }
    .bar {
        display: flex;
        flex-wrap: wrap;
        gap: 0.5rem;
        position: sticky;
        bottom: 0;
        padding: 0.75rem 0;
        background: var(--color-base-100);
    }
    @media (max-width: 640px) {
        .bar {
            bottom: 3.5rem;
        }
    }
</style>
