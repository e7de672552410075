<script lang="ts">
    import { router } from '@inertiajs/svelte';
    import { make } from '../../lib/api';
    import { bench } from '../../lib/bench.svelte';
    import { Typing } from '../../lib/typing.svelte';
    import { measure, type Entry } from '../../lib/units';
    import Choice from '../../parts/Choice.svelte';
    import Measure from '../../parts/Measure.svelte';
    import TextLine from '../../parts/TextLine.svelte';
    import Wrong from '../../parts/Wrong.svelte';
    import type { FaultsView } from '../../types/server';
    import * as texts from './texts';

    let { page }: { page: FaultsView } = $props();
    type Draft = {
        name: string;
        about: string;
        base: string;
        surface: string;
        note: string;
        cups: Entry;
        cup_g: Entry;
        counted: string;
        control: number | null;
        variants: { name: string; release: string; vacuum_min?: Entry; pot_min?: Entry }[];
    };
    const typed = new Typing<Draft>('trial', {
        name: '',
        about: 'release',
        base: '',
        surface: '',
        note: '',
        cups: 4,
        cup_g: 20,
        counted: '',
        control: null,
        variants: [
            { name: '', release: '' },
            { name: '', release: '' },
        ],
    });
    const trial = typed.value;
    let wrong = $state<{ field: string; message: string } | null>(null);
    const at = (field: string): string | null => (wrong?.field === field ? wrong.message : null);
    const grams = $derived(
        typeof trial.cups === 'number' && typeof trial.cup_g === 'number' ? trial.cups * trial.cup_g * trial.variants.length : null,
    );

    async function plan(): Promise<void> {
        const answer = await make<{ id: number }>('/trials', {
            ...$state.snapshot(trial),
            base: trial.base || null,
            surface: trial.surface || null,
            note: trial.note || null,
            counted: trial.counted || null,
            variants: trial.variants.map((v) => ({
                name: v.name,
                release: trial.about === 'release' && v.release !== '' ? v.release : null,
                ...(trial.about === 'air' ? { vacuum_min: v.vacuum_min ?? null, pot_min: v.pot_min ?? null } : {}),
            })),
        });
        wrong = answer.ok ? null : answer.wrong;
        if (answer.ok) {
            typed.clear();
            router.visit(`/trials/${String(answer.data.id)}`);
        }
    }
</script>

<form
    class="card-paper mt-3 grid gap-3"
    onsubmit={(event) => {
        event.preventDefault();
        void plan();
    }}
    aria-label={texts.aTrial}
>
    <div class="fields">
        <TextLine label={texts.called} placeholder={texts.threeReleasesOnTheOldBlock} bind:value={trial.name} error={at('name')} />
        <Choice label={texts.about} bind:value={trial.about}>
            <option value="release">{texts.aRelease}</option><option value="air">{texts.theAirInIt}</option><option value="thickness"
                >{texts.aThickness}</option
            >
            <option value="softener">{texts.aSoftener}</option><option value="other">{texts.somethingOther}</option>
        </Choice>
        <Choice label={texts.ofWord} bind:value={trial.base}>
            <option value="">{texts.noBaseSaid}</option>
            {#each Object.entries(page.bases) as [code, name] (code)}<option value={code}>{name}</option>{/each}
        </Choice>
        {#if trial.about === 'release'}
            <Choice label={texts.on} bind:value={trial.surface}>
                <option value="">{texts.noSurfaceSaid}</option>
                {#each Object.entries(page.surfaces) as [id, name] (id)}<option value={id}>{name}</option>{/each}
            </Choice>
        {/if}
        <Measure
            label={texts.cupsOfEach}
            kind="plain"
            bind:value={trial.cups}
            error={at('cups')}
            hint={texts.fourTellTwoVariantsApartFive}
        />
        <Measure label={texts.gramsACup} kind="mass" bind:value={trial.cup_g} error={at('cup_g')} />
        <Choice label={texts.eachCupIs} bind:value={trial.counted}>
            <option value="">{texts.graded}</option><option value="bubbles">{texts.countedForBubbles}</option><option value="tears"
                >{texts.countedForTears}</option
            ><option value="pits">{texts.countedForPits}</option>
        </Choice>
        <Choice label={texts.leftAloneIs} bind:value={trial.control}>
            <option value={null}>{texts.noneOfThem}</option>
            {#each trial.variants as variant, i (i)}<option value={i}>{variant.name === '' ? texts.variant(i + 1) : variant.name}</option
                >{/each}
        </Choice>
    </div>
    {#each trial.variants as variant, i (i)}
        <div class="fields">
            <TextLine label={texts.variant2(i + 1)} bind:value={variant.name} error={at(`variants.${String(i)}.name`)} />
            {#if trial.about === 'release'}
                <Choice label={texts.release} named="Release of variant {i + 1}" bind:value={variant.release}>
                    <option value="">{texts.noneBare}</option>
                    {#each Object.entries(page.releases) as [id, name] (id)}<option value={id}>{name}</option>{/each}
                </Choice>
            {/if}
            {#if trial.about === 'air'}
                <Measure
                    label={texts.underVacuum}
                    kind="minutes"
                    bind:value={variant.vacuum_min}
                    error={at(`variants.${String(i)}.vacuum_min`)}
                />
                <Measure label={texts.inThePot} kind="minutes" bind:value={variant.pot_min} error={at(`variants.${String(i)}.pot_min`)} />
            {/if}
            {#if trial.variants.length > 2}<p class="self-end">
                    <button type="button" class="btn btn-ghost btn-sm" onclick={() => trial.variants.splice(i, 1)}
                        >{texts.leaveItOut}</button
                    >
                </p>{/if}
        </div>
    {/each}
    {#if trial.variants.length < 6}<p>
            <button type="button" class="btn btn-sm" onclick={() => trial.variants.push({ name: '', release: '' })}
                >{texts.oneMoreVariant}</button
            >
        </p>{/if}
    <Wrong says={wrong !== null && !/^(name|cups|cup_g|variants\.\d)/.test(wrong.field) ? wrong.message : null} />
    <p class="flex flex-wrap items-center gap-3">
        <button class="btn btn-primary">{texts.planIt}</button>
        {#if grams !== null}<span>{measure(grams, 'mass', bench.units, 0)} to mix in all, from one batch, poured at once.</span>{/if}
    </p>
</form>

<style>
    .fields {
        display: grid;
        grid-template-columns: repeat(auto-fit, minmax(11rem, 1fr));
        gap: 0.75rem;
    }
</style>
