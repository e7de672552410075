<script lang="ts">
    import OnPaper from '../../parts/OnPaper.svelte';
    import { router } from '@inertiajs/svelte';
    import { onMount, untrack } from 'svelte';
    import { bench } from '../../lib/bench.svelte';
    import type { Words } from '../../lib/contacts';
    import { screenKeys } from '../../lib/keys.svelte';
    import { refused } from '../../lib/refused';
    import { measure } from '../../lib/units';
    import { dayAndTime, calendarDay } from '../../lib/when';
    import Chain from '../../parts/Chain.svelte';
    import Wrong from '../../parts/Wrong.svelte';
    import type { JobView, PromiseView } from '../../types/server';
    import BuildIt, { type WayToBuild } from './BuildIt.svelte';
    import ContactPanel from './ContactPanel.svelte';
    import JobForm from './JobForm.svelte';
    import LinkForm from './LinkForm.svelte';
    import type { Material } from './NewJob.svelte';
    import TakenWay from './TakenWay.svelte';
    import * as texts from './texts';

    let {
        job,
        materials,
        words,
        ways,
        uses,
        promise,
    }: {
        job: JobView;
        promise: PromiseView['taken'];
        materials: Material[];
        words: Words;
        ways: WayToBuild[];
        uses: Record<string, string>;
    } = $props();

    // The link that is next to be dealt with, until another is chosen.
    const next = (): number | null =>
        (
            job.chain.find((l) => l.contacts.some((c) => c.blocks)) ??
            job.chain.find((l) => l.pourable && !['good', 'superb', 'usable'].includes(l.status) && !/^\d+ done$/.test(l.status)) ??
            job.chain.at(-1)
        )?.id ?? null;
    let chosen = $state(untrack(next));
    let form = $state<'none' | 'new' | 'edit'>('none');
    let contactKey = $state<string | null>(null);
    let building = $state(false);
    let renaming = $state(false);
    let puttingAway = $state(false);
    /** Days it is past its day; a day is over when it is over. */
    const overdue = $derived(
        job.due_on === null ? 0 : Math.floor((bench.now - new Date(`${job.due_on}T23:59:59`).getTime()) / 86_400_000) + 1,
    );
    const link = $derived(job.chain.find((l) => l.id === chosen) ?? null);
    const contact = $derived(
        link?.contacts.find((c) => c.key === contactKey) ?? link?.contacts.find((c) => c.blocks) ?? link?.contacts[0] ?? null,
    );
    const why = $derived(refused('impression') ?? refused('from_id'));

    /** Pours of casts that are still to come, as many pieces at a time as the last gave. */
    const toCome = $derived(Math.ceil(Math.max(0, job.quantity - job.cast) / job.pieces_a_pour));

    const states: Record<string, string> = {
        draft: 'sheet',
        running: 'being poured',
        waiting: 'curing',
        opened: 'open, not graded',
        graded: '',
        laid: 'laid, in its build',
        given_up: 'given up',
    };

    function step(by: number): void {
        const at = job.chain.findIndex((l) => l.id === chosen);
        chosen = job.chain[Math.min(job.chain.length - 1, Math.max(0, at + by))]?.id ?? chosen;
    }

    function plan(): void {
        if (link?.pourable === true) {
            router.post(`/impressions/${String(link.id)}/pours`);
        }
    }

    onMount(() =>
        screenKeys([
            { press: 'ArrowRight', does: 'Next link of the chain', run: () => step(1) },
            { press: 'ArrowLeft', does: 'Link before', run: () => step(-1) },
            { press: 'p', does: 'Plan a pour of this link', run: plan },
            { press: 'b', does: 'Build this link in several operations', run: () => (building = true) },
            { press: 'e', does: 'Change this link', run: () => (form = 'edit') },
            { press: 'a', does: 'Add a link', run: () => (form = 'new') },
        ]),
    );
    /** What is being built; of what is only planned, the first of its copies. */
    const openBuild = $derived.by(() => {
        const open = (link?.builds ?? []).filter((b) => !b.ended);
        return open.find((b) => b.began_ms !== null) ?? open.sort((a, b) => (a.copy ?? 1) - (b.copy ?? 1))[0];
    });
</script>

<svelte:head><title>{job.name} · Apalos</title></svelte:head>

<div class="flex flex-wrap items-baseline gap-x-4 gap-y-1">
    <h1 class="text-4xl">{job.name}</h1>
    <p class="quiet text-lg">
        {job.quantity}
        {job.quantity === 1 ? 'piece' : 'pieces'}{job.due_on === null ? '' : `, by ${calendarDay(job.due_on, 'long')}`}{job.for_whom === ''
            ? ''
            : `, for ${job.for_whom}`} · {job.purpose}
    </p>
    <button class="link quiet py-3" aria-expanded={renaming} onclick={() => (renaming = !renaming)}>{texts.changeNameNumberDate}</button>
</div>

{#if renaming}<JobForm {job} {uses} onclose={() => (renaming = false)} />{/if}
{#if overdue > 0 && job.cast < job.quantity}<p class="mt-1 font-bold text-error" role="alert">
        The day it is wanted by is over, {overdue === 1 ? 'since yesterday' : `since ${String(overdue)} days`}.
    </p>{/if}
<p class="mt-1">
    {#if toCome === 0}All {job.quantity} are cast.{:else}<b>{job.cast} of {job.quantity}</b> cast: {toCome === 1
            ? 'one pour of casts is'
            : `${String(toCome)} pours of casts are`} still to come{job.pieces_a_pour > 1
            ? `, ${String(job.pieces_a_pour)} pieces each`
            : toCome > 3
              ? '. A gang mould gives several at once'
              : ''}.{/if}
</p>

{#each job.ready as one (one.pour_id)}
    <p class="mt-1" class:font-bold={one.late_days > 0} class:text-error={one.late_days > 0}>
        <a class="link" href="/pours/{one.pour_id}/run">{one.name}</a> is {one.full ? 'fully cured' : 'ready for service'}
        {dayAndTime(one.ready_ms)}{one.late_days > 0 && job.due_on !== null
            ? `: ${one.late_days === 1 ? 'a day' : `${String(one.late_days)} days`} after it is wanted`
            : ''}.
    </p>
{/each}

<label class="mt-2 flex min-h-11 w-fit items-center gap-3"
    ><input
        type="checkbox"
        class="checkbox"
        checked={job.skin}
        onchange={(event) =>
            router.put(
                `/jobs/${String(job.id)}?edition=${String(job.edition)}`,
                {
                    name: job.name,
                    purpose: job.purpose,
                    for_whom: job.for_whom,
                    quantity: job.quantity,
                    due_on: job.due_on,
                    skin: event.currentTarget.checked,
                },
                { preserveScroll: true, preserveState: true },
            )}
    />
    {texts.wornOnSkin}</label
>
{#if job.uses.length > 0}
    <ul class="uses" aria-label={texts.toLookUp}>
        {#each job.uses as use (use.id)}<li><b>It {use.name}.</b> {use.ask}</li>{/each}
    </ul>
{/if}
{#if job.chain.some((l) => l.not_for_skin)}
    <p class="font-bold text-error" role="alert">
        {job.chain.find((l) => l.not_for_skin)?.material} is not sold for skin. Take one that is, and patch-test the wearer.
    </p>
{/if}

{#if promise !== null}<TakenWay job={job.id} taken={promise} />{/if}

<section aria-label={texts.chain} class="mt-4">
    <Chain
        chain={job.chain}
        {chosen}
        onchoose={(id, key) => {
            chosen = id;
            contactKey = key ?? null;
        }}
        quantity={job.quantity}
    />
    <p class="flex flex-wrap gap-2">
        <button class="btn btn-sm" onclick={() => (form = form === 'new' ? 'none' : 'new')}>{texts.addALink}</button>
        <a class="btn btn-sm" href="/jobs/{job.id}/plan">{texts.planIt}</a>
        <a class="btn btn-sm" href="/jobs/{job.id}/mould">{texts.whichMould}</a>
        <a class="btn btn-sm" href="/jobs/{job.id}/cost">{texts.whatAPieceCosts}</a>
        <OnPaper what="jobs/{job.id}" words="Its file" />
        <a class="btn btn-sm btn-ghost" href="/jobs/{job.id}/file.json" download
            >{texts.forAnotherShop}<span class="sr-only">{texts.json}</span></a
        >
        {#each job.moulds as mould (mould.id)}<a class="btn btn-sm" href="/rack/{mould.id}"
                >{mould.code}{mould.retired ? texts.retired : mould.likely === null ? '' : texts.aboutCastsLeft(mould.likely)}</a
            >{/each}
        {#if job.model !== null}<a class="btn btn-sm" href="/study/{job.model.id}">{texts.theStudyOf(job.model.name)}</a>{:else}<a
                class="btn btn-sm"
                href="/study?job={job.id}">{texts.studyItsModel}</a
            >{/if}
    </p>
</section>

<Wrong says={why} />
{#if form !== 'edit'}<Wrong says={refused('edition')} />{/if}
{#if form === 'new'}<LinkForm
        {materials}
        {words}
        others={job.chain}
        url="/jobs/{job.id}/impressions"
        method="post"
        onclose={() => (form = 'none')}
    />{/if}

{#if link !== null}
    {#if form === 'edit'}
        {#key link.id}<LinkForm
                {materials}
                {words}
                others={job.chain}
                url="/impressions/{link.id}"
                method="put"
                {link}
                onclose={() => (form = 'none')}
            />{/key}
    {/if}
    <section class="below" aria-label={texts.theChosenLink}>
        <div>
            <h2 class="text-2xl">{link.name}</h2>
            <p class="quiet">
                {link.material === '' ? 'Material not chosen yet' : link.material}{link.gone_ms === null ? '' : ', gone'}
                {#if link.material_code !== null}· <a class="link" href="/stores/{link.material_code}">{texts.itsSheet}</a>{/if}
            </p>
            {#if link.note !== ''}<p class="mt-2 max-w-prose">{link.note}</p>{/if}
            {#if link.knows_nothing}<p class="mt-2 max-w-prose font-bold" role="alert">
                    No contact known: nobody has said what “{link.name}” is poured into or onto. Add that to the chain, printed and bought
                    moulds too, or say under “Change it” what walls and bed it meets.
                </p>{/if}
            <div class="mt-4 flex flex-wrap gap-2">
                {#if link.pourable}<button class="btn btn-primary" onclick={plan}
                        >{link.pours.some((p) => p.state === 'draft' && p.operation === 'pour') ? texts.openItsPourSheet : texts.planAPour}
                        <kbd class="kbd kbd-sm text-base-content">p</kbd></button
                    >{/if}
                {#if openBuild !== undefined}<a class="btn btn-primary" href="/builds/{openBuild.id}">{texts.openItsBuild}</a>{/if}
                {#if openBuild !== undefined && openBuild.began_ms === null}<button
                        class="btn"
                        aria-expanded={building}
                        onclick={() => (building = !building)}>{texts.planItsBuildAnew}</button
                    >{:else if openBuild === undefined && link.pourable}<button
                        class="btn"
                        aria-expanded={building}
                        onclick={() => (building = !building)}>{texts.buildItInSeveralOperations} <kbd class="kbd kbd-sm">b</kbd></button
                    >{/if}
                {#if link.positive && link.kind !== 'cast'}<button
                        class="btn btn-ghost"
                        onclick={() =>
                            router.put(`/impressions/${String(link.id)}/gone`, { gone: link.gone_ms === null }, { preserveScroll: true })}
                        >{link.gone_ms === null ? texts.itIsGone : texts.itIsThereAfterAll}</button
                    >{/if}
                <button class="btn" onclick={() => (form = 'edit')}>{texts.changeIt}</button>
                <button
                    class="btn btn-ghost"
                    aria-label={texts.moveItEarlier}
                    onclick={() => router.post(`/impressions/${String(link.id)}/move?edition=${String(link.edition)}`, { by: -1 })}
                    >{texts.earlier}</button
                >
                <button
                    class="btn btn-ghost"
                    aria-label={texts.moveItLater}
                    onclick={() => router.post(`/impressions/${String(link.id)}/move?edition=${String(link.edition)}`, { by: 1 })}
                    >{texts.later}</button
                >
                <button
                    class="btn btn-ghost"
                    onclick={() => router.delete(`/impressions/${String(link.id)}?edition=${String(link.edition)}`)}
                    >{texts.takeItOut}</button
                >
            </div>
            {#if building && link.pourable}{#key link.id}<BuildIt
                        {link}
                        {ways}
                        surfaces={words.surfaces}
                        onclose={() => (building = false)}
                    />{/key}{/if}
        </div>
        {#if contact !== null}
            <div class="wide">
                {#if link.contacts.length > 1}
                    <p class="mb-2 flex flex-wrap gap-2" aria-label={texts.itsContacts}>
                        {#each link.contacts as c (c.key)}<button
                                class="btn btn-sm"
                                class:btn-primary={c.key === contact.key}
                                aria-pressed={c.key === contact.key}
                                onclick={() => (contactKey = c.key)}>{c.with}</button
                            >{/each}
                    </p>
                {/if}
                {#key `${String(link.id)} ${contact.key}`}<ContactPanel
                        {contact}
                        linkId={link.id}
                        edition={link.edition}
                        linkName={link.name}
                        {words}
                    />{/key}
            </div>
        {/if}
        <div class="card-paper">
            <h3 class="text-xl">{texts.pouredSoFar}</h3>
            {#each link.builds as built (built.id)}
                <p class="pour">
                    <a class="link inline-block" href="/builds/{built.id}"
                        >{built.name}{built.copy === null ? '' : texts.copy2(built.copy)}</a
                    >
                    <span class="fig">{built.wanted_on === null ? '' : `for ${calendarDay(built.wanted_on)}`}</span>
                    <span class="font-bold">{built.ended ? 'built' : built.began_ms === null ? 'planned' : 'being built'}</span>
                </p>
            {/each}
            <ul class="mt-2">
                {#each link.pours as pour (pour.id)}
                    <li class="pour">
                        <a class="link inline-block" href={pour.href}
                            >{pour.at_ms === null ? texts.nextPour : dayAndTime(pour.at_ms)}{pour.operation === 'pour'
                                ? ''
                                : `, ${pour.operation.replaceAll('-', ' ')}`}</a
                        >
                        <span class="fig">{pour.grams === null ? '' : measure(pour.grams, 'mass', bench.units)}</span>
                        <span class="font-bold">{pour.grade ?? states[pour.state]}</span>
                    </li>
                {:else}
                    <li class="quiet">
                        {link.pourable
                            ? 'Nothing yet. A pour sheet works out the volume, the formula and the cups.'
                            : 'An original is not poured: the first mould is taken from it.'}
                    </li>
                {/each}
            </ul>
            {#if link.pours_in_all > link.pours.length}
                <p class="mt-2">
                    <a class="link inline-block py-2" href="/log?{new URLSearchParams({ q: job.name }).toString()}"
                        >{texts.earlierInTheLog(link.pours_in_all - link.pours.length)}</a
                    >
                </p>
            {/if}
        </div>
    </section>
{/if}

{#if puttingAway}
    <section class="mt-10" role="alert" aria-label={texts.putTheJobAway}>
        <p class="max-w-prose">
            <b>In “{job.name}” there {job.lives.length === 1 && !/^\d/.test(job.lives[0] ?? '') ? 'is' : 'are'} {job.lives.join(', ')}.</b> All
            of that leaves bench, strip and day with it, and comes back with it: put-away jobs stand under Jobs.
        </p>
        <p class="mt-2 flex gap-2">
            <button class="btn btn-primary" onclick={() => router.delete(`/jobs/${String(job.id)}`)}>{texts.putItAwayAllTheSame}</button>
            <button class="btn btn-ghost" onclick={() => (puttingAway = false)}>{texts.keepItHere}</button>
        </p>
    </section>
{:else}
    <p class="mt-10">
        <button
            class="btn btn-ghost btn-sm"
            onclick={() => {
                if (job.lives.length > 0) {
                    puttingAway = true;
                } else {
                    router.delete(`/jobs/${String(job.id)}`);
                }
            }}>{texts.putTheJobAway2(job.lives.length > 0 ? ' …' : '')}</button
        >
    </p>
{/if}

<style>
    .uses {
        display: grid;
        gap: 0.4rem;
        max-width: 75ch;
        margin: 0.3rem 0 0.6rem;
    }
    .uses li {
        border-left: 5px solid var(--color-warning);
        padding-left: 0.8rem;
    }
    .below {
        display: grid;
        grid-template-columns: minmax(0, 0.8fr) minmax(0, 1.4fr);
        gap: 1.25rem 2.5rem;
        margin-top: 1.5rem;
        align-items: start;
    }
    .wide {
        grid-column: 2;
        grid-row: 1 / span 3;
    }
    .pour {
        display: grid;
        grid-template-columns: 1fr auto auto;
        gap: 1rem;
        padding: 0.4rem 0;
        border-top: 1px solid var(--color-base-300);
    }
    .pour:first-child {
        border-top: 0;
    }
    @media (max-width: 800px) {
        .below {
            grid-template-columns: minmax(0, 1fr);
        }
        .wide {
            grid-column: 1;
            grid-row: auto;
        }
    }
</style>
