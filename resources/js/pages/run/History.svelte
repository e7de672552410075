<script lang="ts">
    /** How it went: step by step, with the room and who; planned beside real. Asked for when somebody opens it. */
    import { ask } from '../../lib/api';
    import { bench } from '../../lib/bench.svelte';
    import { measure, minutes } from '../../lib/units';
    import { clockTime, dateOf } from '../../lib/when';
    import OnPaper from '../../parts/OnPaper.svelte';
    import PractiseThis from '../../parts/PractiseThis.svelte';
    import type { HistoryView } from '../../types/server';
    import * as texts from './texts';

    let { pour }: { pour: number } = $props();
    let view = $state<HistoryView | null>(null);
    let trouble = $state<string | null>(null);

    async function open(event: Event): Promise<void> {
        if (!(event.currentTarget as HTMLDetailsElement).open || view !== null) {
            return;
        }
        const answer = await ask<HistoryView>('GET', `/pours/${String(pour)}/history`);
        [view, trouble] = answer.ok ? [answer.data, null] : [null, answer.wrong.message];
    }

    const steps: Record<string, string> = {
        gear: 'Gear on',
        contacts: 'Contacts seen ready',
        premix: 'Parts stirred',
        tare: 'Cup tared',
        mix: 'Mixed',
        heat: 'Off the heat',
        degas: 'De-aired',
        fill: 'In the mould',
    };
    const kinds: Record<string, string> = {
        begun: 'A wait began',
        checked: 'A contact ticked',
        rescued: 'The cup was rescued',
        kept: 'The over-pour was left as it is',
        heated: 'Read in the pot',
        reheated: 'Back on the heat',
        counted: 'The display was counted anew',
        swapped: 'It was the other part',
        earlier: 'It had happened earlier',
        replanned: 'Back to the plan',
        noted: 'Note',
        moulded: 'Into which mould',
        drawn_from: 'From which kit',
        diagnosed: 'What was behind it',
        gelled: 'Gelled',
        opened: 'Opened',
        graded: 'Graded',
        given_up: 'Given up',
    };
    /** A column that says nothing in every row is none. */
    const people = $derived(view?.steps.some((step) => step.person !== null) ?? false);
    const times: Record<string, string> = { filled: 'In the mould', gelled: 'Gelled', opened: 'Opened' };
    const grams = (g: number | null): string => (g === null ? '–' : measure(g, 'mass', bench.units, bench.fine));
    const said = (step: HistoryView['steps'][number]): string =>
        step.kind === 'confirmed'
            ? (steps[step.step] ?? step.step)
            : step.kind === 'weighed'
              ? (step.name ?? '')
              : step.kind === 'met'
                ? (view?.met ?? '')
                : step.c !== null
                  ? `${kinds[step.kind] ?? step.kind}: ${measure(step.c, 'temperature', bench.units, 0)}`
                  : (kinds[step.kind] ?? step.kind);
</script>

<details class="mt-5" ontoggle={(event) => void open(event)}>
    <summary class="link min-h-11 py-2">{texts.howItWentStepByStep}</summary>
    {#if trouble !== null}<p class="font-bold text-error" role="alert">{trouble}</p>{/if}
    <p class="flex flex-wrap gap-2"><OnPaper what="pours/{pour}" words="Batch card" /><PractiseThis of={{ pour }} /></p>
    {#if view !== null}
        <div class="tables">
            <table>
                <caption>{texts.plannedBesideWeighed}</caption>
                <thead><tr><th scope="col"></th><th scope="col">{texts.planned}</th><th scope="col">{texts.weighed}</th></tr></thead>
                <tbody
                    >{#each view.sums as sum (sum.name)}<tr
                            ><th scope="row">{sum.name}</th><td class="fig">{grams(sum.planned_g)}</td><td class="fig"
                                >{grams(sum.weighed_g)}</td
                            ></tr
                        >{/each}</tbody
                >
            </table>
            <table>
                <caption>{texts.after(view.met)}</caption>
                <thead><tr><th scope="col"></th><th scope="col">{texts.expected}</th><th scope="col">{texts.really}</th></tr></thead>
                <tbody
                    >{#each view.times as time (time.what)}<tr
                            ><th scope="row">{times[time.what]}</th><td class="fig">{minutes(time.planned_min)}</td><td class="fig"
                                >{minutes(time.real_min)}</td
                            ></tr
                        >{/each}</tbody
                >
            </table>
        </div>
        <div class="scroll">
            <table>
                <caption>{view.steps[0] === undefined ? '' : dateOf(view.steps[0].at_ms)}</caption>
                <thead
                    ><tr
                        ><th scope="col">{texts.atWithin}</th><th scope="col">{texts.what}</th><th scope="col">{texts.planned}</th><th
                            scope="col">{texts.really}</th
                        ><th scope="col">{texts.room}</th>{#if people}<th scope="col">{texts.by}</th>{/if}</tr
                    ></thead
                >
                <tbody>
                    {#each view.steps as step, i (step.id)}<tr>
                            <td class="fig"
                                >{i > 0 && dateOf(step.at_ms) !== dateOf(view.steps[i - 1]?.at_ms ?? 0)
                                    ? `${dateOf(step.at_ms)}, `
                                    : ''}{clockTime(step.at_ms)}</td
                            >
                            <th scope="row">{said(step)}{step.batch > 1 ? texts.cup(step.batch) : ''}{step.text ? `: ${step.text}` : ''}</th
                            >
                            <td class="fig">{step.planned_g === null ? '' : grams(step.planned_g)}</td>
                            <td class="fig">{step.weighed_g === null ? '' : grams(step.weighed_g)}</td>
                            <td class="fig">{measure(step.room_c, 'temperature', bench.units)}</td>
                            {#if people}<td>{step.person ?? 'not said'}</td>{/if}
                        </tr>{/each}
                </tbody>
            </table>
            {#if view.more}<p class="quiet">And more: the archive of everything has it all.</p>{/if}
        </div>
    {/if}
</details>

<style>
    .tables {
        display: flex;
        flex-wrap: wrap;
        gap: 1rem 2.5rem;
    }
    .scroll {
        overflow-x: auto;
    }
    table {
        border-collapse: collapse;
        margin-top: 0.5rem;
        font-size: 0.95rem;
    }
    caption {
        text-align: left;
        color: var(--color-neutral);
    }
    th,
    td {
        text-align: left;
        font-weight: 400;
        padding: 0.25rem 1rem 0.25rem 0;
        border-bottom: 1px solid var(--color-base-300);
    }
    thead th {
        color: var(--color-neutral);
    }
</style>
