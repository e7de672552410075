<script lang="ts">
    /** What to do now, with its window, as one large action. */
    import Craft from '../../parts/Craft.svelte';
    import { router } from '@inertiajs/svelte';
    import { bench } from '../../lib/bench.svelte';
    import { standing, withSavingCoat, type BuildOperation, type LiveBuild } from '../../lib/build.svelte';
    import { measure, minutes, span } from '../../lib/units';
    import { when } from '../../lib/when';
    import AsOf from '../../parts/AsOf.svelte';
    import Choice from '../../parts/Choice.svelte';
    import Dryness from '../../parts/Dryness.svelte';
    import Observations from '../../parts/Observations.svelte';
    import Really from '../../parts/Really.svelte';
    import WhyEarly from '../../parts/WhyEarly.svelte';
    import * as texts from './texts';

    let { live, op }: { live: LiveBuild; op: BuildOperation } = $props();
    const stands = $derived(standing(op, bench.now));
    const over = $derived(stands === 'done' || stands === 'left_out');
    const retells = $derived(stands === 'done' && !op.mixes);
    /** The coat one would touch: laid, and waited for. */
    const coat = $derived(
        op.after
            .map((wait) => live.build.operations.find((o) => o.id === wait.op))
            .find((o) => o !== undefined && o.mixes && o.state === 'done') ?? null,
    );
    const feels = $derived(
        coat !== null && op.after.some((wait) => wait.op === coat.id && (wait.from === 'recoat_open' || wait.until === 'recoat_close')),
    );
    const fingers = [
        ['comes_off', 'Comes off', 'not yet'],
        ['tacky', 'Tacky, clean glove', 'now'],
        ['dry', 'Dry', 'closing or shut'],
    ] as const;
    /** Early by the clock: whoever knows better says why. */
    let early = $state<string | null>(null);
    /** What is told next was at this moment; null where it is told as it happens. */
    let was = $state<number | null>(null);

    // What was asked for one operation is not meant for the next.
    const at = $derived(op.id);
    $effect(() => {
        void at;
        early = null;
        was = null;
    });

    const then = $derived(was === null ? {} : { done_ms: was });
    async function tell(kind: string, payload: Record<string, unknown>, about = ''): Promise<void> {
        await live.record(kind, { ...payload, ...then }, `${about}${String(was ?? '')}`);
        if (live.trouble === null && live.doubted === null) {
            was = null;
        }
    }
    async function tick(kind: 'begun' | 'done', why: string | null = null): Promise<void> {
        const opens = op.state === 'under_way' ? null : op.opens_ms;
        if (why === null && opens !== null && (was ?? bench.now) < opens) {
            early = kind;
            return;
        }
        early = null;
        await tell(kind, why === null ? { op: op.id } : { op: op.id, early: why });
    }
    const others = $derived(
        live.build.operations
            .filter((o) => o.mixes && o.state === 'done' && o.id !== live.doubted?.fact.payload.op)
            .map(({ id, name }) => ({ id, name })),
    );
    async function touchedAfterAll(payload: Record<string, unknown>): Promise<void> {
        live.doubted = null;
        await live.record('fingered', payload, `again${JSON.stringify(payload)}`);
        was = null;
    }
    /** What is chosen here is chosen for the contact, wherever it is looked at. */
    function choose(care: BuildOperation['care'][number], release: string): void {
        router.put(
            `/impressions/${String(care.link)}/contacts/${care.key}?edition=${String(care.edition)}`,
            { release: release === '' ? null : release },
            { preserveScroll: true, preserveState: true, onSuccess: () => void live.look() },
        );
    }
    function mix(): void {
        router.post(`/builds/${String(live.build.id)}/operations/${op.id}/pour`);
    }
</script>

<section aria-labelledby="now" class="now {stands}">
    <p class="quiet">
        {stands === 'under_way'
            ? 'Under way'
            : stands === 'waits'
              ? 'Next, when it is time'
              : stands === 'done'
                ? `Done at ${when(op.ended_ms ?? 0, bench.now)}`
                : stands === 'left_out'
                  ? 'Left out'
                  : 'Now'}
    </p>
    <h2 id="now" class="text-3xl">{op.name}</h2>
    {#if op.base_name !== null || op.thickness_mm !== null || op.volume_ml !== null}
        <p class="mt-1">
            {op.base_name ?? ''}{op.thickness_mm === null
                ? ''
                : ` · ${measure(op.thickness_mm, 'length', bench.units)} thick`}{op.volume_ml === null
                ? ''
                : ` · ${measure(op.volume_ml, 'volume', bench.units)}`}{typeof op.mix?.tint === 'string' ? ` · tinted ${op.mix.tint}` : ''}
        </p>
    {/if}
    {#if op.how !== ''}<p class="mt-2 max-w-prose"><Craft text={op.how} /></p>{/if}

    {#if op.shuts_ms !== null && op.opens_ms !== null && stands !== 'under_way' && op.waits_for.length === 0}
        <div class="window" class:shut={bench.now > op.shuts_ms}>
            <span class="gone" style="width:{Math.min(100, Math.max(0, ((bench.now - op.opens_ms) / (op.shuts_ms - op.opens_ms)) * 100))}%"
            ></span>
        </div>
        <p class="fig-line">
            {#if bench.now < op.opens_ms}The window opens in <b class="fig">{span(op.opens_ms - bench.now)}</b>, at {when(
                    op.opens_ms,
                    bench.now,
                )}, and shuts at {when(op.shuts_ms, bench.now)}.
            {:else if bench.now <= op.shuts_ms}<b class="fig">{span(op.shuts_ms - bench.now)}</b> left: the window shuts at {when(
                    op.shuts_ms,
                    bench.now,
                )}.
            {:else}<b>The window shut at {when(op.shuts_ms, bench.now)}</b>, {span(bench.now - op.shuts_ms)} ago.{/if}
        </p>
    {:else if stands === 'waits' && op.opens_ms !== null && op.waits_for.length === 0}
        <p class="fig-line">It can begin in <b class="fig">{span(op.opens_ms - bench.now)}</b>, at {when(op.opens_ms, bench.now)}.</p>
        {#if op.ahead_ms !== null}<p>
                {op.ahead_ms > bench.now
                    ? `Weigh it up from ${when(op.ahead_ms, bench.now)} on, and it is mixed as the window opens.`
                    : 'Weigh it up now, and it is mixed as the window opens.'}
            </p>{/if}
    {/if}
    {#if stands === 'missed'}<p class="mt-2 max-w-prose" role="alert">
            {op.save ?? 'It is late for this. Do it if it still goes, or leave it out.'}
        </p>
        {#if op.save_coat_mm !== null}<p class="mt-2">
                <button
                    class="btn big"
                    disabled={!live.ready}
                    onclick={() =>
                        void live.record(
                            'changed',
                            { operations: withSavingCoat(live.build, op), was: live.build.edition },
                            `save-${op.id}`,
                        )}>{texts.putThatThinCoatInFirst}</button
                >
            </p>{/if}{/if}
    {#each op.layers as layer (layer.below)}
        <p class="mt-2 max-w-prose">
            <b>{layer.separates ? `It must let go of “${layer.below}”.` : `It must bond to “${layer.below}”.`}</b>
            {layer.words}
            {layer.why}
        </p>
    {/each}
    {#if op.care.length > 0}
        <ul class="care" aria-label={texts.onWhatWithWhat}>
            {#each op.care as care (care.key + care.act)}
                <li class:bad={care.blocks}>
                    <span
                        ><b>{care.with}</b>: {care.what === null
                            ? care.blocks
                                ? 'nothing is chosen, and it would not come apart.'
                                : 'nothing is chosen, and it lets go by itself.'
                            : `${care.what}${care.coats > 1 ? `, ${String(care.coats)} coats` : ''}${care.minutes > 0 ? `, ${minutes(care.minutes)} with the waits` : ''}`}</span
                    >
                    {#if care.act === 'release' && care.choices.length > 0}
                        <Choice label={texts.releaseOn(care.with)} value={care.chosen ?? ''} onchange={(id) => choose(care, id)}>
                            <option value="">{texts.nothing}</option>
                            {#each care.choices as one (one.id)}<option value={one.id}>{one.name}</option>{/each}
                        </Choice>
                    {/if}
                </li>
            {/each}
        </ul>
    {/if}
    {#if stands === 'failed'}<p class="mt-2 max-w-prose font-bold text-error" role="alert">
            It failed. Nothing that waits for it is poured until it passes: seal, take another release, let it cure on, and test again.
        </p>{/if}

    <p class="actions">
        {#if op.mixes}
            {#if stands === 'under_way'}<a class="btn btn-primary big" href="/pours/{op.pour_id}/run">{texts.goOnWeighing}</a>
            {:else if op.pour_id !== null}<a class="btn btn-primary big" href="/pours/{op.pour_id}">{texts.openItsSheet}</a>
            {:else}<button class="btn btn-primary big" onclick={mix}>{texts.weighItUp}</button>{/if}
        {:else}
            <button class="btn btn-primary big" disabled={over || !live.ready} onclick={() => void tick('done')}
                >{stands === 'failed' ? texts.itPassesNow : op.kind === 'check' ? texts.checkedAndGood : texts.done}</button
            >
            {#if op.kind === 'check' && !over && stands !== 'failed'}<button
                    class="btn big"
                    disabled={!live.ready}
                    onclick={() => void tell('failed', { op: op.id })}>{texts.itIsNot}</button
                >{/if}
            {#if stands !== 'under_way' && !over && op.minutes > 5}<button
                    class="btn big"
                    disabled={!live.ready}
                    onclick={() => void tick('begun')}>{texts.beginOfHands(span(op.minutes * 60_000))}</button
                >{/if}
        {/if}
    </p>
    {#if early !== null}<WhyEarly
            says={`“${op.name}” should wait until ${when(op.opens_ms ?? 0, bench.now)}.`}
            words={early === 'begun' ? 'Begin all the same' : 'Done all the same'}
            onsay={(why) => void tick(early === 'begun' ? 'begun' : 'done', why)}
            onleave={() => (early = null)}
        />{/if}
    {#if retells}<AsOf bind:value={was} words="It was done at another time …" />
        {#if was !== null}<button class="btn big mt-2" onclick={() => void tell('retold', { op: op.id, what: 'done' })}
                >{texts.itWasDoneThen}</button
            >{/if}
    {:else if !op.mixes || feels}<AsOf
            bind:value={was}
            words={op.mixes ? 'It was touched earlier than now …' : 'It was done earlier than now …'}
        />{/if}
    {#if feels && coat !== null && (stands === 'waits' || stands === 'ready' || stands === 'closing')}
        <fieldset class="mt-3">
            <legend>{texts.touchWithAGlovedFingerOn(coat.name)}</legend>
            <p class="actions">
                {#each fingers as [finger, word, means] (finger)}<button
                        class="btn big finger"
                        onclick={() => void tell('fingered', { op: coat.id, finger }, String(Math.round(bench.now / 1000)))}
                        ><b>{word}</b><span>{means}</span></button
                    >{/each}
            </p>
        </fieldset>
    {/if}
    {#if live.doubted !== null && live.doubted.fact.away !== true && live.doubted.fact.kind === 'fingered'}
        {@const told = live.doubted.fact.payload}
        <Really
            why={live.doubted.why}
            {others}
            onso={() => void touchedAfterAll({ ...told, sure: true, done_ms: told.done_ms ?? live.doubted?.fact.at_ms })}
            onthen={(ms) => void touchedAfterAll({ ...told, done_ms: ms })}
            onother={(id) => void touchedAfterAll({ ...told, op: id, done_ms: told.done_ms ?? live.doubted?.fact.at_ms })}
            onslip={() => (live.doubted = null)}
        />
    {/if}
    {#if op.dry !== null}<Dryness
            dry={op.dry}
            onweigh={(mass_g) => void tell('weighed', { op: op.id, mass_g }, String(Math.round(bench.now / 1000)))}
        />{/if}
    {#if (coat?.base ?? op.base) !== null && (feels || op.mixes)}<Observations base={coat?.base ?? op.base ?? ''} begun />{/if}
    {#if op.cautions.length > 0}
        <ul class="cautions" aria-label={texts.cautions}>
            {#each op.cautions as caution (caution.title)}<li><b>{caution.title}.</b> {caution.text}</li>{/each}
        </ul>
    {/if}
</section>

<style>
    .now {
        border-left: 6px solid var(--color-neutral);
        padding: 0.4rem 0 0.6rem 1.2rem;
    }
    .now.ready,
    .now.under_way {
        border-color: var(--color-success);
    }
    .now.closing {
        border-color: var(--color-warning);
    }
    .now.missed {
        border-color: var(--color-error);
    }
    .window {
        height: 16px;
        margin-top: 0.9rem;
        border: 3px solid var(--color-success);
        border-block: 0;
        background: var(--color-base-200);
    }
    .closing .window {
        border-color: var(--color-warning);
    }
    .window.shut {
        border-color: var(--color-error);
    }
    .gone {
        display: block;
        height: 100%;
        background: color-mix(in oklab, var(--color-neutral) 55%, transparent);
    }
    .fig-line {
        margin-top: 0.35rem;
        font-size: 1.15rem;
    }
    .fig-line .fig {
        font-size: 1.6rem;
    }
    .actions {
        display: flex;
        flex-wrap: wrap;
        gap: 0.6rem;
        margin-top: 0.9rem;
    }
    .big {
        min-height: 3.5rem;
        font-size: 1.05rem;
    }
    .finger {
        display: grid;
        gap: 0;
        align-content: center;
        line-height: 1.15;
        font-weight: 400;
    }
    .care {
        display: grid;
        gap: 0.5rem;
        margin-top: 0.8rem;
    }
    .care li {
        display: flex;
        flex-wrap: wrap;
        gap: 0.5rem 1.2rem;
        align-items: end;
        justify-content: space-between;
        border-left: 4px solid var(--color-base-300);
        padding-left: 0.8rem;
    }
    .care .bad {
        border-color: var(--color-error);
    }
    .now.failed {
        border-color: var(--color-error);
    }
    .cautions {
        margin-top: 1rem;
        display: grid;
        gap: 0.25rem;
        font-size: 0.95rem;
    }
</style>
