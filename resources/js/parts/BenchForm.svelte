<script lang="ts">
    /** What holds for the whole bench: who works here, in which units and money, on which scale, in which cups, in which room and hours. */
    import { untrack } from 'svelte';
    import { bench } from '../lib/bench.svelte';
    import type { Wrong } from '../lib/api';
    import { differences, type Said } from '../lib/clash';
    import { Typing } from '../lib/typing.svelte';
    import type { Entry, Units } from '../lib/units';
    import { deviceZone, zones } from '../lib/when';
    import Choice from './Choice.svelte';
    import Clash from './Clash.svelte';
    import HeldSchools from './HeldSchools.svelte';
    import Measure from './Measure.svelte';
    import TextLine from './TextLine.svelte';
    import Refused from './Wrong.svelte';
    import * as texts from './BenchForm.texts';

    type Props = {
        /** The room is asked too, and a cup is proposed. */ first?: boolean;
        keep: string;
        onkept: () => void;
        onleave?: () => void;
    };
    let { first = false, keep, onkept, onleave }: Props = $props();

    const clock = (min: number): string => `${String(Math.floor(min / 60)).padStart(2, '0')}:${String(min % 60).padStart(2, '0')}`;
    const minutes = (time: string): Entry => {
        const [hours, rest] = time.split(':').map(Number);
        return hours === undefined || rest === undefined || Number.isNaN(hours + rest) ? null : hours * 60 + rest;
    };
    const shop = untrack(() => bench.frame?.workshop);
    type Shop = NonNullable<typeof bench.frame>['workshop'];
    const of = (there: Shop | undefined) => ({
        name: first && there?.named === false ? '' : (there?.name ?? ''),
        currency: there?.currency ?? '',
        division: (there?.scale_division_g ?? 0.1) as Entry,
        capacity: (there?.scale_capacity_g ?? 3000) as Entry,
        cups: (there?.cups ?? []).map((cup) => ({ ml: cup.ml as Entry, tare_g: cup.tare_g as Entry })),
        vacuum: there?.vacuum === null || there === undefined ? '' : there.vacuum ? 'yes' : 'no',
        hands: (there?.hands ?? 1) as Entry,
        schools: { ...(there?.schools ?? {}) } as Record<string, string>,
        starts: clock(there?.day_starts_min ?? 420),
        ends: clock(there?.day_ends_min ?? 1080),
        zone: there?.time_zone ?? deviceZone(),
    });
    // What is typed belongs to the edition it was typed on, also when it is found again later.
    const typing = new Typing(
        untrack(() => (first ? 'first/shop' : 'bench')),
        untrack(() => ({ ...of(shop), room: (shop?.room_c ?? 20) as Entry, edition: shop?.edition ?? 1 })),
    );
    const form = typing.value;
    let wrong = $state<Wrong | null>(null);
    const fields = [
        'name',
        'currency',
        'scale_division_g',
        'scale_capacity_g',
        'day_starts_min',
        'day_ends_min',
        'time_zone',
        'room_c',
        'vacuum',
        'hands',
    ];
    const at = (field: string): string | null => (wrong?.field === field ? wrong.message : null);

    // By name where the browser knows them; the usual ones first.
    const names = new Intl.DisplayNames('en-GB', { type: 'currency' });
    const currencies = Intl.supportedValuesOf('currency');
    const usual = ['EUR', 'GBP', 'USD', 'AUD', 'CAD', 'CHF', 'DKK', 'JPY', 'NOK', 'NZD', 'PLN', 'SEK'];
    const systems: [Units, string][] = [
        ['metric', 'grams and millimetres'],
        ['imperial', 'ounces and inches'],
    ];

    const clash = $derived(wrong?.field === 'edition' ? wrong.message : null);
    const SAID: Said[] = [
        [/^name$/, 'The workshop is called', null],
        [/^currency$/, 'Money', null],
        [/^division$/, 'The scale steps by', 'mass'],
        [/^capacity$/, 'The scale carries', 'mass'],
        [/^cups\.(\d+)\.ml$/, 'A cup holds', 'fluid'],
        [/^cups\.(\d+)\.tare_g$/, 'A cup weighs', 'mass'],
        [/^vacuum$/, 'Vacuum chamber', null],
        [/^hands$/, 'Pairs of hands', 'plain'],
        [/^schools\./, 'How it is done here', null],
        [/^starts$/, 'The day begins', null],
        [/^ends$/, 'The day ends', null],
        [/^zone$/, 'Time zone', null],
    ];
    const differs = $derived.by(() => {
        if (clash === null) {
            return [];
        }
        const theirs = of(bench.frame?.workshop);
        const mine = Object.fromEntries(Object.entries($state.snapshot(form)).filter(([key]) => key in theirs));
        return differences(mine, theirs, bench.units, SAID);
    });
    function takeTheirs(): void {
        Object.assign(form, of(bench.frame?.workshop), { edition: bench.frame?.workshop.edition ?? 1 });
        wrong = null;
    }
    function keepMine(): void {
        form.edition = bench.frame?.workshop.edition ?? 1;
        void send();
    }

    function hand(event: SubmitEvent): void {
        event.preventDefault();
        void send();
    }
    async function send(): Promise<void> {
        const refused = await bench.change(
            {
                name: form.name,
                ...(form.currency === '' ? {} : { currency: form.currency }),
                scale_division_g: form.division,
                scale_capacity_g: form.capacity,
                cups: $state.snapshot(form.cups).filter((cup) => cup.ml !== null),
                ...(form.vacuum === '' ? {} : { vacuum: form.vacuum === 'yes' }),
                hands: form.hands,
                ...(first
                    ? {}
                    : { schools: Object.fromEntries(Object.entries($state.snapshot(form.schools)).filter(([, held]) => held !== '')) }),
                ...(first && form.room !== bench.frame?.workshop.room_c ? { room_c: form.room } : {}),
                day_starts_min: minutes(form.starts),
                day_ends_min: minutes(form.ends),
                time_zone: form.zone,
            },
            form.edition,
        );
        if (refused?.field === 'edition') {
            await bench.refresh();
        }
        wrong = refused;
        if (wrong === null) {
            typing.forget();
            onkept();
        }
    }
</script>

<form class="grid gap-4" onsubmit={hand} novalidate>
    <TextLine label={texts.theWorkshopIsCalled} bind:value={form.name} maxlength={80} error={at('name')} {first} />
    <fieldset>
        <legend class="quiet mb-1">{texts.unitsEverywhere}</legend>
        <div class="flex flex-wrap gap-1">
            {#each systems as [id, words] (id)}<button
                    type="button"
                    class="chip"
                    class:on={bench.units === id}
                    aria-pressed={bench.units === id}
                    onclick={() => void bench.change({ units: id })}>{words}</button
                >{/each}
        </div>
    </fieldset>
    <div class="grid gap-3 sm:grid-cols-2">
        <Choice label={texts.money} bind:value={form.currency} error={at('currency')}>
            <option value="">{texts.notSaid}</option>
            <optgroup label={texts.often}
                >{#each usual as code (code)}<option value={code}>{names.of(code)} ({code})</option>{/each}</optgroup
            >
            <optgroup label={texts.all}
                >{#each currencies.filter((c) => !usual.includes(c)) as code (code)}<option value={code}>{names.of(code)} ({code})</option
                    >{/each}</optgroup
            >
        </Choice>
        <Choice label={texts.timeZone} bind:value={form.zone} error={at('time_zone')}>
            {#each form.zone === '' ? [] : zones(form.zone) as name (name)}<option value={name}>{name.replaceAll('_', ' ')}</option>{/each}
        </Choice>
    </div>
    <fieldset class="grid grid-cols-2 gap-3">
        <legend class="quiet mb-1">{texts.theScaleAsItsOwnPlate}</legend>
        <Measure label={texts.itStepsBy} kind="mass" bind:value={form.division} error={at('scale_division_g')} />
        <Measure label={texts.itCarries} kind="mass" bind:value={form.capacity} error={at('scale_capacity_g')} />
    </fieldset>
    <fieldset class="grid gap-2">
        <legend class="quiet mb-1">{texts.theCupsYouMixInEvery}</legend>
        {#each form.cups as cup, i (i)}
            <div class="cup">
                <Measure label={texts.cupHolds(i + 1)} kind="fluid" bind:value={cup.ml} error={at(`cups.${String(i)}.ml`)} />
                <Measure label={texts.weighs} kind="mass" bind:value={cup.tare_g} error={at(`cups.${String(i)}.tare_g`)} />
                <button
                    type="button"
                    class="btn btn-ghost"
                    aria-label={texts.takeCupOut(i + 1)}
                    onclick={() => (form.cups = form.cups.filter((_, n) => n !== i))}>{texts.takeOut}</button
                >
            </div>
        {/each}
        <button type="button" class="btn justify-self-start" onclick={() => (form.cups = [...form.cups, { ml: null, tare_g: null }])}
            >{texts.addACup}</button
        >
    </fieldset>
    <Choice label={texts.vacuumChamber} bind:value={form.vacuum} error={at('vacuum')}>
        <option value="">{texts.notSaid}</option><option value="yes">{texts.thereIsOne}</option><option value="no"
            >{texts.thereIsNone}</option
        >
    </Choice>
    <Measure
        label={texts.pairsOfHandsAtTheBench}
        kind="plain"
        bind:value={form.hands}
        error={at('hands')}
        hint={texts.theDayIsLaidOutFor}
    />
    {#if !first}<HeldSchools bind:held={form.schools} />{/if}
    {#if first}<Measure
            label={texts.theRoomIs}
            kind="temperature"
            bind:value={form.room}
            error={at('room_c')}
            hint={texts.everyTimeFollowsIt}
        />{/if}
    <fieldset class="grid grid-cols-2 gap-3">
        <legend class="quiet mb-1">{texts.theWorkingDayAsTheStrip}</legend>
        <TextLine label={texts.itBegins} type="time" fig bind:value={form.starts} error={at('day_starts_min')} />
        <TextLine label={texts.itEnds} type="time" fig bind:value={form.ends} error={at('day_ends_min')} />
        <p class="quiet text-sm col-span-2">One that ends before it begins runs past midnight.</p>
    </fieldset>
    {#if clash !== null}<Clash says={clash} {differs} ontheirs={takeTheirs} onmine={keepMine} />{/if}
    <Refused
        says={wrong !== null && wrong.field !== 'edition' && !fields.includes(wrong.field) && !wrong.field.startsWith('cups.')
            ? wrong.message
            : null}
    />
    <div class="flex flex-wrap gap-2">
        <button class="btn btn-primary">{keep}</button>
        {#if onleave !== undefined}<button
                type="button"
                class="btn btn-ghost"
                onclick={() => {
                    typing.clear();
                    onleave();
                }}>{texts.leaveIt}</button
            >{/if}
    </div>
</form>

<style>
    .cup {
        display: grid;
        grid-template-columns: 1fr 1fr auto;
        gap: 0.5rem;
        align-items: end;
    }
</style>
