<script lang="ts">
    /** The plan as the maker wants it: operations changed, added, moved and taken out, as far as they have not begun. */
    import { untrack } from 'svelte';
    import type { BuildOperation, LiveBuild } from '../../lib/build.svelte';
    import { Typing } from '../../lib/typing.svelte';
    import type { Entry } from '../../lib/units';
    import Choice from '../../parts/Choice.svelte';
    import Measure from '../../parts/Measure.svelte';
    import TextLine from '../../parts/TextLine.svelte';
    import Wrong from '../../parts/Wrong.svelte';
    import type { ShelfView } from '../../types/server';
    import * as texts from './texts';

    let { live, bases, onclose }: { live: LiveBuild; bases: ShelfView['bases']; onclose: () => void } = $props();

    type Wait = { op: string; from: Entry; until: Entry };
    type Row = {
        id: string;
        kind: string;
        name: string;
        how: string;
        minutes: Entry;
        uses: string[];
        after: Wait[];
        cautions: string[];
        care: string[];
        /** A check the scale answers. */
        weighed: boolean;
        mix: Record<string, unknown> | null;
        begun: boolean;
    };
    const row = (op: BuildOperation): Row => ({
        id: op.id,
        kind: op.kind,
        name: op.name,
        how: op.how,
        minutes: op.minutes,
        uses: op.uses,
        after: op.after.map((wait) => ({ ...wait })),
        cautions: op.own_cautions,
        care: op.acts,
        weighed: op.weighed,
        mix: op.mix === null ? null : { ...op.mix },
        begun: op.started_ms !== null || op.state === 'done' || op.state === 'left_out',
    });
    const fresh = (): Row[] => untrack(() => live.build.operations.map(row));
    const typed = new Typing<{ rows: Row[]; was: number }>(
        untrack(() => `build-plan/${String(live.build.id)}`),
        { rows: fresh(), was: untrack(() => live.build.edition) },
    );
    const plan = typed.value;
    let trouble = $state<string | null>(null);
    let open = $state<string | null>(null);

    const kinds = [
        ['prepare', 'Prepare'],
        ['pour', 'Pour'],
        ['coat', 'Coat'],
        ['keys', 'Keys'],
        ['embed', 'Embed'],
        ['wait', 'Wait'],
        ['check', 'Check'],
        ['close', 'Close'],
        ['open', 'Open'],
        ['trim', 'Trim'],
    ] as const;
    const edges = [
        ['recoat_open', 'its recoat window opens'],
        ['recoat_close', 'its recoat window shuts'],
        ['pot_life', 'its pot life ends'],
        ['demould', 'it can be opened'],
        ['service', 'it is ready for service'],
    ] as const;
    const mixes = (kind: string): boolean => ['pour', 'coat', 'keys'].includes(kind);

    function move(at: number, by: number): void {
        const other = plan.rows[at + by];
        const one = plan.rows[at];
        if (one !== undefined && other !== undefined) {
            plan.rows[at] = other;
            plan.rows[at + by] = one;
        }
    }
    function add(): void {
        let n = plan.rows.length + 1;
        while (plan.rows.some((r) => r.id === `step-${String(n)}`)) {
            n++;
        }
        const before = plan.rows.at(-1);
        const id = `step-${String(n)}`;
        plan.rows.push({
            id,
            kind: 'prepare',
            name: '',
            how: '',
            minutes: 10,
            uses: ['hands'],
            after: before === undefined ? [] : [{ op: before.id, from: 0, until: null }],
            cautions: [],
            care: [],
            weighed: false,
            mix: null,
            begun: false,
        });
        open = id;
    }
    /** The longer of two waits; a window counts for more than minutes. */
    const longest = (one: Entry, other: Entry): Entry =>
        typeof one === 'string' && Number.isNaN(Number(one))
            ? one
            : typeof other === 'number' && typeof one === 'number'
              ? Math.max(one, other)
              : (other ?? one);
    function remove(id: string): void {
        // What waited for it waits for what it waited for, the longest of both: taking out brings nothing forward.
        const gone = plan.rows.find((r) => r.id === id);
        plan.rows = plan.rows
            .filter((r) => r.id !== id)
            .map((r) => ({
                ...r,
                after: r.after.some((w) => w.op === id)
                    ? [
                          ...r.after.filter((w) => w.op !== id),
                          ...(gone?.after ?? [])
                              .filter((w) => !r.after.some((own) => own.op === w.op))
                              .map((w) => {
                                  const own = r.after.find((one) => one.op === id);
                                  return { op: w.op, from: longest(w.from, own?.from ?? 0), until: own?.until ?? null };
                              }),
                      ]
                    : r.after,
            }));
    }
    /** An added coat covers what the others cover, until somebody says otherwise. */
    const areaOf = (): Entry => (plan.rows.map((r) => r.mix?.area_mm2).find((mm2) => typeof mm2 === 'number') ?? null) as Entry;
    function kindOf(r: Row): void {
        r.mix = mixes(r.kind)
            ? (r.mix ?? {
                  against: r.kind === 'keys' ? 'tray' : 'last',
                  intent: r.kind === 'coat' ? 'bond' : 'separate',
                  ...(r.kind === 'coat' ? { area_mm2: areaOf() } : {}),
              })
            : null;
    }
    async function keep(): Promise<void> {
        trouble = null;
        const operations = $state.snapshot(plan.rows).map((r) => ({
            ...Object.fromEntries(Object.entries(r).filter(([key]) => key !== 'begun')),
            weighed: r.kind === 'check' && r.weighed,
            mix: r.mix === null ? null : Object.fromEntries(Object.entries(r.mix).filter(([, v]) => v !== null && v !== '')),
            after: r.after.map((w) => Object.fromEntries(Object.entries(w).filter(([, v]) => v !== null && v !== ''))),
        }));
        const was = live.build.edition;
        await live.record('changed', { operations, was: plan.was }, String(Date.now()));
        if (live.build.edition !== was && live.trouble === null) {
            typed.forget();
            onclose();
        } else {
            trouble = live.trouble;
        }
    }
    function again(): void {
        plan.rows = fresh();
        plan.was = live.build.edition;
        trouble = null;
    }
    /** By a window, by the clock, or never; a field that stands empty while somebody types is still one of minutes. */
    const howLong = (wait: Wait, edge: 'from' | 'until'): string =>
        edges.find(([id]) => id === wait[edge])?.[0] ?? (wait[edge] === null && edge === 'until' ? 'never' : 'minutes');
    const number = (mix: Record<string, unknown> | null, key: string): Entry => (mix?.[key] ?? null) as Entry;
</script>

<section class="plan" aria-labelledby="plan-title">
    <h2 id="plan-title" class="text-2xl">{texts.thePlan}</h2>
    <p class="quiet max-w-prose">What has begun stays as it is. What you type is kept until you hand it in.</p>
    <ol>
        {#each plan.rows as r, i (r.id)}
            <li class="row" class:begun={r.begun}>
                <p class="line">
                    <b>{r.name === '' ? 'A new operation' : r.name}</b>
                    {#if r.begun}<span class="quiet">begun</span>{:else}
                        <button
                            class="btn btn-ghost"
                            aria-expanded={open === r.id}
                            aria-label="{open === r.id ? texts.close : texts.change} {r.name}"
                            onclick={() => (open = open === r.id ? null : r.id)}>{open === r.id ? texts.close : texts.change}</button
                        >
                        <button class="btn btn-ghost" aria-label={texts.moveUp(r.name)} disabled={i === 0} onclick={() => move(i, -1)}
                            >▴</button
                        >
                        <button
                            class="btn btn-ghost"
                            aria-label={texts.moveDown(r.name)}
                            disabled={i === plan.rows.length - 1}
                            onclick={() => move(i, 1)}>▾</button
                        >
                        <button class="btn btn-ghost" aria-label={texts.takeOut(r.name)} onclick={() => remove(r.id)}
                            >{texts.takeOutHeading}</button
                        >
                    {/if}
                </p>
                {#if open === r.id && !r.begun}
                    <div class="fields">
                        <TextLine label={texts.whatItIsCalled} bind:value={r.name} maxlength={120} />
                        <Choice label={texts.kind} bind:value={r.kind} onchange={() => kindOf(r)}
                            >{#each kinds as [id, word] (id)}<option value={id}>{word}</option>{/each}</Choice
                        >
                        <Measure label={texts.minutesOfHands} kind="minutes" bind:value={r.minutes} />
                        {#if r.kind === 'check'}<label class="flex min-h-11 items-center gap-3"
                                ><input type="checkbox" class="checkbox" bind:checked={r.weighed} />
                                {texts.theScaleSaysWhetherItIsDry}</label
                            >{/if}
                        <Choice
                            label={texts.needs}
                            value={r.uses[0] ?? ''}
                            onchange={(v) => (r.uses = v === '' ? [] : v === 'chamber' ? ['hands', 'chamber'] : [v])}
                            ><option value="hands">{texts.hands}</option><option value="chamber">{texts.handsAndTheVacuumChamber}</option
                            ><option value="pot">{texts.thePressurePot}</option><option value="">{texts.nobody}</option></Choice
                        >
                        {#if r.mix !== null}
                            <Choice
                                label={texts.ofWord}
                                value={(r.mix.base ?? '') as string}
                                onchange={(v) => (r.mix = { ...r.mix, base: v })}
                                ><option value="">{texts.whatTheLinkIsMadeOf}</option>{#each bases as base (base.code)}<option
                                        value={base.code}>{base.name}</option
                                    >{/each}</Choice
                            >
                            <Choice
                                label={texts.laidOn}
                                value={(r.mix.against ?? 'original') as string}
                                onchange={(v) => (r.mix = { ...r.mix, against: v })}
                                ><option value="original">{texts.theOriginal}</option><option value="last">{texts.theLastLayer}</option
                                ><option value="tray">{texts.aTrayOfItsOwn}</option></Choice
                            >
                            <Choice
                                label={texts.itHasTo}
                                value={(r.mix.intent ?? 'separate') as string}
                                onchange={(v) => (r.mix = { ...r.mix, intent: v })}
                                ><option value="bond">{texts.bondToIt}</option><option value="separate">{texts.letGoOfIt}</option></Choice
                            >
                            {#if r.kind === 'pour'}<Choice
                                    label={texts.itMakes}
                                    value={(r.mix.part ?? 'layer') as string}
                                    onchange={(v) => (r.mix = { ...r.mix, part: v })}
                                    ><option value="layer">{texts.thePieceOrALayerOf}</option><option value="half"
                                        >{texts.aHalfOfTheMould}</option
                                    ><option value="jacket">{texts.aJacketOrAShellOf}</option></Choice
                                >{/if}
                            {#if r.kind === 'coat'}
                                <Measure
                                    label={texts.thickness}
                                    kind="length"
                                    value={number(r.mix, 'thickness_mm')}
                                    onchange={(v) => (r.mix = { ...r.mix, thickness_mm: v })}
                                />
                                <Measure
                                    label={texts.overAnAreaOf}
                                    kind="plain"
                                    suffix="cm²"
                                    value={typeof number(r.mix, 'area_mm2') === 'number'
                                        ? (number(r.mix, 'area_mm2') as number) / 100
                                        : null}
                                    onchange={(v) => (r.mix = { ...r.mix, area_mm2: typeof v === 'number' ? v * 100 : v })}
                                    error={number(r.mix, 'area_mm2') === null ? 'Without it nobody knows how much to weigh.' : null}
                                />
                                <TextLine
                                    label={texts.tint}
                                    bind:value={() => (r.mix?.tint ?? '') as string, (v) => (r.mix = { ...r.mix, tint: v })}
                                />
                            {:else}
                                <Measure
                                    label={texts.itTakes}
                                    kind="volume"
                                    value={number(r.mix, 'ml')}
                                    onchange={(v) => (r.mix = { ...r.mix, ml: v })}
                                />
                            {/if}
                        {/if}
                    </div>
                    {#each r.after as wait, k (k)}
                        <div class="fields">
                            <Choice label={texts.afterHeading} bind:value={wait.op}
                                >{#each plan.rows.filter((o) => o.id !== r.id) as o (o.id)}<option value={o.id}>{o.name}</option
                                    >{/each}</Choice
                            >
                            {#each ['from', 'until'] as const as edge (edge)}
                                <Choice
                                    label={edge === 'from' ? texts.fromWhen : texts.untilWhen}
                                    value={howLong(wait, edge)}
                                    onchange={(v) => (wait[edge] = v === 'never' ? null : v === 'minutes' ? 0 : v)}
                                >
                                    {#if edge === 'until'}<option value="never">{texts.noEnd}</option>{/if}
                                    <option value="minutes">{texts.minutesAfterItsEnd}</option>
                                    {#each edges as [id, word] (id)}<option value={id}>{word}</option>{/each}
                                </Choice>
                                {#if howLong(wait, edge) === 'minutes'}<Measure
                                        label={edge === 'from' ? texts.atLeast : texts.atMost}
                                        kind="minutes"
                                        value={wait[edge]}
                                        onchange={(minutes) => (wait[edge] = minutes ?? '')}
                                    />{/if}
                            {/each}
                            <button class="btn btn-ghost" onclick={() => (r.after = r.after.filter((_, n) => n !== k))}
                                >{texts.needNotWaitForIt}</button
                            >
                        </div>
                    {/each}
                    <p>
                        <button
                            class="btn btn-ghost"
                            onclick={() =>
                                (r.after = [...r.after, { op: plan.rows.find((o) => o.id !== r.id)?.id ?? '', from: 0, until: null }])}
                            >{texts.waitsForSomethingMore}</button
                        >
                    </p>
                {/if}
            </li>
        {/each}
    </ol>
    <Wrong says={trouble} />
    <p class="line">
        <button class="btn btn-primary" onclick={() => void keep()}>{texts.keepThisPlan}</button>
        <button class="btn" onclick={add}>{texts.addAnOperation}</button>
        <button class="btn btn-ghost" onclick={again}>{texts.asItStandsOnTheBench}</button>
        <button class="btn btn-ghost" onclick={onclose}>{texts.close}</button>
    </p>
</section>

<style>
    .plan {
        margin-top: 2rem;
        padding: 1.2rem;
        border-radius: 1.4rem;
        background: var(--color-base-200);
    }
    .row {
        border-top: 1px solid var(--color-base-300);
        padding: 0.3rem 0;
    }
    .line {
        display: flex;
        flex-wrap: wrap;
        gap: 0.4rem;
        align-items: center;
        min-height: 2.75rem;
    }
    .line b {
        flex: 1 1 12rem;
    }
    .fields {
        display: grid;
        grid-template-columns: repeat(auto-fill, minmax(12rem, 1fr));
        gap: 0.7rem;
        align-items: end;
        padding: 0.4rem 0 0.7rem;
    }
    .row .btn {
        min-height: 2.75rem;
    }
</style>
