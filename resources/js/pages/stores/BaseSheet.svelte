<script lang="ts">
    import type { Snippet } from 'svelte';
    import { basesIn } from '../../lib/bases';
    import { bench } from '../../lib/bench.svelte';
    import { figure, measure, minutes, sign } from '../../lib/units';
    import Cautions from '../../parts/Cautions.svelte';
    import Observations from '../../parts/Observations.svelte';
    import type { BaseSheetView } from '../../types/server';
    import * as texts from './texts';

    let { sheet, children }: { sheet: BaseSheetView; children?: Snippet } = $props();
    const times = [
        ['pot_life_min', 'pours for'],
        ['recoat_open_min', 'next coat from'],
        ['recoat_close_min', 'next coat until'],
        ['demould_min', 'open'],
        ['service_min', 'hot or harsh casting'],
        ['full_cure_min', 'fully cured'],
    ] as const;
    // One unit for both ends, that of the longer one.
    const range = (band: { low: number; high: number }): string => {
        const [, unit = ''] = minutes(band.high).split(' ');
        const per = unit === 'h' ? 60 : unit === 'days' ? 1440 : 1;
        const short = (min: number): string => String(Math.round((min / per) * 10) / 10);
        return `${short(band.low)}–${short(band.high)} ${unit}`;
    };
    const sure = (field: string): string => (sheet.measured.includes(field) ? 'measured' : sheet.typical.includes(field) ? 'typical' : '');
    const bases = $derived(basesIn(bench.units));
    const facts = $derived(
        [
            ['Stretches to', 'elongation_pct', `${figure(sheet.facts.elongation_pct, 'percent', 'metric')} %`],
            ['Tear strength', 'tear_n_mm', measure(sheet.facts.tear_n_mm, 'tear', bench.units)],
            ['Viscosity', 'viscosity_pas', measure(sheet.facts.viscosity_pas, 'viscosity', bench.units)],
            ['Shrinks', 'shrinkage_pct', `${figure(sheet.facts.shrinkage_pct, 'percent', 'metric')} %`],
            [bench.units === 'metric' ? 'Faster per 10 °C' : 'Faster per 18 °F', 'q10', `× ${figure(sheet.facts.q10, 'plain', 'metric')}`],
            ['Bears heat to', 'bears_c', `about ${measure(sheet.facts.bears_c, 'temperature', bench.units, 0)}`],
            ['Yield', 'yield_ml_per_kg', measure(sheet.facts.yield_ml_per_kg, 'yield', bench.units)],
        ].filter(([, key]) => (sheet.facts[key as string] ?? null) !== null) as [string, string, string][],
    );
</script>

<header class="head" style="--m:{sheet.colour}">
    <div>
        <h2 class="text-3xl">{sheet.name}</h2>
        <p class="quiet">house code <span class="fig">{sheet.code}</span> · {sheet.family.replace('-', ' ')}</p>
        <p class="mt-2 max-w-prose text-lg">{sheet.summary}</p>
    </div>
    {#if sheet.shore !== null}<p class="shore fig" aria-label={texts.shoreHardness(sheet.shore)}>
            {sheet.shore}<small>{sure('hardness')}</small>
        </p>{/if}
</header>
{@render children?.()}

<div class="two">
    <div class="column">
        <section>
            <h3 class="text-xl">{texts.times}</h3>
            <table>
                <thead
                    ><tr
                        ><td></td><th scope="col">{texts.sheet(measure(sheet.ref_c, 'temperature', bench.units))}</th><th scope="col"
                            >{texts.here(
                                measure(bench.frame?.workshop.room_c, 'temperature', bench.units),
                                sheet.of_g === null ? '' : texts.ofIt(measure(sheet.of_g, 'mass', bench.units, 0)),
                            )}</th
                        ></tr
                    ></thead
                >
                <tbody>
                    {#each times.filter(([key]) => sheet.times[key] !== undefined) as [key, words] (key)}
                        <tr>
                            <th scope="row">{words}</th>
                            <td class="fig">{minutes(sheet.times[key])}</td>
                            <td class="fig"
                                >{#if sheet.here[key] !== undefined}<b>{minutes(sheet.here[key].likely)}</b>
                                    <span class="quiet text-sm">{range(sheet.here[key])}</span>{/if}</td
                            >
                        </tr>
                    {/each}
                </tbody>
            </table>
            <p class="quiet text-sm">
                {sheet.rests_on === 0
                    ? 'Rests on the sheet alone. Tap “gelled” in a run and it learns your shop.'
                    : `Rests on the sheet and ${String(sheet.rests_on)} of your own observations.`}
            </p>
            <Observations base={sheet.code} />
        </section>
        <section>
            <h3 class="text-xl">{texts.proportion}</h3>
            <p class="mt-1 text-lg"><b>{sheet.ratio}</b></p>
            <p>{sheet.by_volume_ok ? 'May also be measured by volume.' : 'Weigh it: cups and marks are not exact enough.'}</p>
            <p class="quiet text-sm">
                Density {sheet.part_names.a}
                {sheet.sg.a ?? '–'}{sheet.part_names.b === undefined ? '' : `, ${sheet.part_names.b} ${String(sheet.sg.b ?? '–')}`}{sheet.sg
                    .mixed === null
                    ? ''
                    : `, mixed ${String(sheet.sg.mixed)}`}
                {sign('density', bench.units)}, {sure('sg')}
            </p>
            <p class="mt-2">
                {sheet.vacuum === 'recommended' ? 'De-air it.' : sheet.vacuum === 'never' ? 'Never under vacuum.' : 'Vacuum if you like.'}
                {sheet.moisture ? 'Keep every trace of damp away.' : ''}
                {sheet.skin_safe ? 'Sold for skin; patch-test the wearer.' : 'Not for skin.'}
                {sheet.brushed ? 'Goes on by brush.' : ''}
            </p>
            {#if sheet.notes !== ''}<p class="mt-2 font-bold">{sheet.notes}</p>{/if}
        </section>
    </div>
    <div class="column">
        <section>
            <h3 class="text-xl">{texts.whatItBears}</h3>
            <ul class="mt-1">
                {#each sheet.limits as limit (limit.role)}<li>
                        {limit.role.replace('-', ' ')}: up to <b class="fig">{limit.max}</b>
                        {bases[limit.basis]}, into {limit.into === 'after' ? 'the mixed cup' : limit.into.toUpperCase()}
                    </li>{:else}<li class="quiet">Nothing is stirred into it.</li>{/each}
            </ul>
            <dl class="facts">
                {#each facts as [words, key, value] (key)}<div>
                        <dt>{words}</dt>
                        <dd class="fig">{value} <small>{sure(key)}</small></dd>
                    </div>{/each}
            </dl>
        </section>
        <section>
            <h3 class="text-xl">{texts.mind}</h3>
            <div class="mt-1"><Cautions cautions={sheet.cautions} /></div>
        </section>
    </div>
</div>

<style>
    .head {
        display: flex;
        justify-content: space-between;
        gap: 1rem;
        border-left: 14px solid var(--m);
        padding-left: 1.2rem;
    }
    .shore {
        font-size: 3rem;
        font-weight: 700;
        white-space: nowrap;
        line-height: 1;
    }
    small {
        font-family: var(--font-sans);
        font-size: 0.875rem;
        font-weight: 400;
        color: var(--color-neutral);
    }
    .shore small {
        display: block;
        text-align: right;
    }
    .column {
        display: grid;
        gap: 1.5rem;
        align-content: start;
    }
    .two {
        display: grid;
        grid-template-columns: 1fr 1fr;
        gap: 1.5rem 2.5rem;
        margin-top: 1.5rem;
    }
    table {
        width: 100%;
    }
    th {
        text-align: left;
        font-weight: 400;
    }
    thead th {
        color: var(--color-neutral);
        font-size: 0.875rem;
    }
    td,
    thead th {
        white-space: nowrap;
    }
    td,
    th {
        padding: 0.15rem 0.4rem 0.15rem 0;
    }
    .facts {
        display: grid;
        grid-template-columns: 1fr 1fr;
        gap: 0.4rem 1rem;
        margin-top: 0.8rem;
    }
    dt {
        font-size: 0.875rem;
        color: var(--color-neutral);
    }
    dd {
        font-weight: 700;
    }
    @media (max-width: 1000px) {
        .two {
            grid-template-columns: 1fr;
        }
    }
</style>
