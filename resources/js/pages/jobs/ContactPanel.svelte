<script lang="ts">
    import Craft from '../../parts/Craft.svelte';
    import { router } from '@inertiajs/svelte';
    import { untrack } from 'svelte';
    import { bench } from '../../lib/bench.svelte';
    import { doing, markOf, wordsOf, type Contact, type Words } from '../../lib/contacts';
    import { refused } from '../../lib/refused';
    import { minutes, span } from '../../lib/units';
    import { dayAndTime } from '../../lib/when';
    import AsOf from '../../parts/AsOf.svelte';
    import Choice from '../../parts/Choice.svelte';
    import VerdictShape from '../../parts/VerdictShape.svelte';
    import Measure from '../../parts/Measure.svelte';
    import Compare from './Compare.svelte';
    import Wrong from '../../parts/Wrong.svelte';
    import Overrule from './Overrule.svelte';
    import PatchOn from './PatchOn.svelte';
    import WaysOut from './WaysOut.svelte';
    import * as texts from './texts';

    let {
        contact,
        linkId,
        edition,
        linkName,
        words,
    }: { contact: Contact; linkId: number; edition: number; linkName: string; words: Words } = $props();

    const result = $derived(contact.result);
    let hours = $state<number | string | null>(null);
    let solvent = $state<number | string | null>(null);
    let more = $state(false);
    let sealedAt = $state<number | null>(null);
    const shown = $derived(more ? result.releases : result.releases.slice(0, 3));

    const title = $derived.by(() => {
        const with_ = contact.with;
        if (result.inhibition === 'stops') {
            return `${linkName} would not cure on ${with_}`;
        }
        if (result.verdict === 'stop') {
            return `Never ${linkName} on ${with_} like this`;
        }
        if (contact.blocks) {
            return result.adhesion === 'fuses' ? `${linkName} would fuse to ${with_}` : `${linkName} would lock into ${with_}`;
        }
        return result.verdict === 'test-first' ? `${linkName} on ${with_}: test it first` : `${linkName} and ${with_} come apart`;
    });

    type Chosen = Partial<{
        post_cured: boolean;
        release: string | null;
        sealed_with: string | null;
        sealed_ms: number | null;
        damp: boolean;
        latex_touched: boolean;
        hours_since_cure: number | string | null;
        solvent_min_ago: number | string | null;
        overruled: string | null;
        overruled_by: string | null;
        words: string;
    }>;
    const url = $derived(`/impressions/${String(linkId)}/contacts/${contact.key}`);
    const ago = (ms: number): string => `${dayAndTime(ms)}, ${span(bench.now - ms)} ago`;
    // Opened where something is said of it, and left as somebody opened it.
    let stated = $state(
        untrack(
            () =>
                contact.damp ||
                contact.latex_touched ||
                contact.sealed_with !== null ||
                contact.cured_ms !== null ||
                contact.solvent_ms !== null,
        ),
    );

    // What is chosen while the choice before is on its way goes out after it, on the edition that one made.
    let waiting: Chosen | null = null;
    let busy = false;
    function choose(change: Chosen): void {
        if (busy) {
            waiting = { ...waiting, ...change };
            return;
        }
        busy = true;
        // Only what was said just now: a moment that is written down goes on ageing.
        router.put(`${url}?edition=${String(edition)}`, change, {
            preserveScroll: true,
            preserveState: true,
            onFinish: () => {
                busy = false;
                const next = waiting;
                waiting = null;
                if (next !== null) {
                    queueMicrotask(() => choose(next));
                }
            },
        });
    }
</script>

<article class="panel" class:stop={contact.blocks} aria-labelledby="contact-{contact.key}">
    <h3 id="contact-{contact.key}" class="text-2xl"><VerdictShape kind={markOf(contact)} /> <span>{title}</span></h3>
    <p class="quiet">{contact.fresh}, fresh, on {contact.surface_name}: <b>{wordsOf(contact)}</b></p>
    <ul class="because">
        {#each result.because as why (why.rule)}<li>
                <Craft text={why.text} /> <span class="quiet text-sm">{why.sure}</span>
            </li>{/each}
    </ul>

    {#if result.releases.length > 0 && result.inhibition !== 'stops'}
        <fieldset class="mt-3">
            <legend class="font-bold">{texts.releaseHeading}</legend>
            <div class="cards">
                {#each shown as release (release.id)}
                    <label class:on={contact.release === release.id}>
                        <input
                            type="radio"
                            class="sr-only"
                            name="release-{contact.key}"
                            checked={contact.release === release.id}
                            onchange={() => choose({ release: release.id })}
                        />
                        <b>{words.releases[release.id]?.name ?? release.id}</b>
                        <span class="text-sm">{release.why}</span>
                    </label>
                {/each}
                <label class:on={contact.release === null}>
                    <input
                        type="radio"
                        class="sr-only"
                        name="release-{contact.key}"
                        checked={contact.release === null}
                        onchange={() => choose({ release: null })}
                    />
                    <b>{texts.nothing}</b><span class="text-sm"
                        >{result.adhesion === 'lets-go' ? texts.itLetsGoByItself : texts.itWouldBeLost}</span
                    >
                </label>
            </div>
            <p class="mt-1 flex flex-wrap gap-3 text-sm">
                {#if result.releases.length > 3}<button type="button" class="link" onclick={() => (more = !more)}
                        >{more ? texts.fewer : texts.more(result.releases.length - 3)}</button
                    >{/if}
                {#if result.ruinous.length > 0}<span class="quiet"
                        >Would ruin it: {result.ruinous.map((r) => words.releases[r.id]?.name ?? r.id).join(', ')}.</span
                    >{/if}
            </p>
        </fieldset>
    {/if}

    {#if result.releases.length > 1 && result.inhibition !== 'stops'}
        <Compare releases={result.releases} {words} fuses={result.adhesion === 'fuses'} />
    {/if}

    {#if contact.blocks || (result.verdict === 'test-first' && contact.overruled === null)}
        <WaysOut {url} {edition} mark={`${result.verdict} ${result.in_short} ${contact.fresh} ${contact.release ?? ''}`} />
    {/if}
    {#if result.plan.length > 0}
        <ol class="plan" aria-label={texts.whatToDo}>
            {#each result.plan as step, i (i)}
                <li>
                    <b>{doing[step.do]}:</b>
                    {step.what}{step.coats > 1 ? `, ${String(step.coats)} coats` : ''}{step.minutes > 0
                        ? `, ${minutes(step.minutes)}`
                        : ''}. <span class="quiet">{step.note}</span>
                </li>
            {/each}
        </ol>
    {/if}
    {#if contact.holds_water}<p class="mt-3">
            {#if contact.proved_dry_ms !== null}<b>Proved dry</b> by the scale on {dayAndTime(contact.proved_dry_ms)}.{:else}<b
                    >Nobody has proved it dry.</b
                > Weigh it in its build, or on its page on the rack: two weighings half a day apart that stand still are proof.{/if}
        </p>{/if}
    {#if contact.seal !== null}
        <section class="seal" aria-label={texts.sealing}>
            {#if contact.sealed_ms !== null}
                <p>
                    <b>Sealed with {contact.seal.name}</b>, dry since {dayAndTime(contact.sealed_ms)}.
                    <button type="button" class="link py-2" onclick={() => choose({ sealed_ms: null })}>{texts.itIsNot}</button>
                </p>
            {:else}
                <p>
                    <b>To be sealed with {contact.seal.name}</b>{contact.seal.coats > 1 ? `, ${String(contact.seal.coats)} coats` : ''}, {minutes(
                        contact.seal.minutes,
                    )} with the drying. {contact.seal.how} Planned, and not yet done: until it is, it stands on the checklist.
                </p>
                <button type="button" class="btn mt-1" onclick={() => choose({ sealed_ms: sealedAt ?? Math.round(bench.now) })}
                    >{texts.itIsOnAndDry}</button
                >
                <AsOf bind:value={sealedAt} words="It has been for longer …" />
            {/if}
            <Wrong says={refused('contact.sealed_ms')} />
        </section>
    {/if}
    {#if result.verdict !== 'stop' || result.because.some((why) => why.rule === 'own-test')}<PatchOn {contact} {words} {url} />{/if}
    {#each result.cautions as caution (caution)}<p class="caution">{caution}</p>{/each}

    <details class="mt-3" bind:open={stated}>
        <summary class="link cursor-pointer">{texts.theSurfaceAsItIsToday}</summary>
        <div class="state">
            <Choice
                label={texts.sealer}
                value={contact.sealed_with ?? ''}
                onchange={(value) => choose({ sealed_with: value === '' ? null : value })}
            >
                <option value="">{texts.nothingWithin}</option>
                {#each Object.entries(words.sealers) as [id, name] (id)}<option value={id}>{name}</option>{/each}
            </Choice>
            <Measure
                label={texts.hoursSinceItCured}
                kind="plain"
                hint={contact.cured_ms === null
                    ? ''
                    : contact.cured_ms === contact.opened_ms
                      ? texts.opened(ago(contact.cured_ms))
                      : texts.cured(ago(contact.cured_ms))}
                bind:value={hours}
                error={refused('contact.hours_since_cure')}
            />
            <Measure
                label={texts.minutesSinceSolvent}
                kind="plain"
                hint={contact.solvent_ms === null ? '' : ago(contact.solvent_ms)}
                bind:value={solvent}
                error={refused('contact.solvent_min_ago')}
            />
            <button
                type="button"
                class="btn self-end"
                onclick={() => {
                    choose({
                        ...(hours === null ? {} : { hours_since_cure: hours }),
                        ...(solvent === null ? {} : { solvent_min_ago: solvent }),
                    });
                    [hours, solvent] = [null, null];
                }}>{texts.judgeAgain}</button
            >
            <label class="flex items-center gap-2"
                ><input
                    type="checkbox"
                    class="checkbox"
                    checked={contact.damp}
                    onchange={(e) => choose({ damp: e.currentTarget.checked })}
                />
                {texts.damp}</label
            >
            <label class="flex items-center gap-2"
                ><input
                    type="checkbox"
                    class="checkbox"
                    checked={contact.latex_touched}
                    onchange={(e) => choose({ latex_touched: e.currentTarget.checked })}
                />
                {texts.touchedWithLatexOrToolsFrom}</label
            >
            {#if contact.surface === 'print-resin'}<label class="flex items-center gap-2"
                    ><input
                        type="checkbox"
                        class="checkbox"
                        checked={contact.post_cured}
                        onchange={(e) => choose({ post_cured: e.currentTarget.checked })}
                    />
                    {texts.washedLitThroughAndWarmed}</label
                >{/if}
        </div>
    </details>

    <Overrule {contact} onoverrule={(overruled, words) => choose({ overruled, words })} />
</article>

<style>
    .panel {
        border: 1.5px solid var(--color-base-300);
        border-radius: var(--radius-box);
        background: var(--color-secondary);
        padding: 1.1rem 1.4rem;
    }
    .panel.stop {
        border: 2.5px solid var(--color-error);
    }
    h3 {
        display: flex;
        gap: 0.6rem;
        align-items: center;
    }
    .stop h3 {
        color: var(--color-error);
    }
    .because {
        margin-top: 0.4rem;
        display: grid;
        gap: 0.2rem;
    }
    .cards {
        display: grid;
        grid-template-columns: repeat(auto-fit, minmax(11rem, 1fr));
        gap: 0.6rem;
        margin-top: 0.4rem;
    }
    .cards label {
        display: grid;
        align-content: start;
        gap: 0.2rem;
        border: 1.5px solid var(--color-base-300);
        border-radius: 1rem;
        padding: 0.7rem 0.9rem;
        cursor: pointer;
    }
    .cards label.on {
        border: 2.5px solid var(--color-base-content);
    }
    .cards label:focus-within {
        outline: 3px solid var(--color-accent);
        outline-offset: 2px;
    }
    .plan {
        list-style: decimal;
        padding-left: 1.3rem;
        margin-top: 0.8rem;
        display: grid;
        gap: 0.3rem;
    }
    .seal {
        border-left: 4px solid var(--color-base-300);
        padding-left: 0.8rem;
        margin-top: 0.8rem;
        max-width: 70ch;
    }
    .caution {
        border-left: 4px solid var(--color-warning);
        padding-left: 0.7rem;
        margin-top: 0.6rem;
        font-size: 0.92rem;
        max-width: 70ch;
    }
    .state {
        display: grid;
        grid-template-columns: repeat(auto-fit, minmax(10rem, 1fr));
        gap: 0.7rem;
        margin-top: 0.5rem;
        align-items: start;
    }
</style>
