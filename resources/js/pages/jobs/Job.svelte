<script lang="ts">
    import OnPaper from '../../parts/OnPaper.svelte';
    import { router } from '@inertiajs/svelte';
    import { onMount, untrack } from 'svelte';
    import type { Words } from '../../lib/contacts';
    import { screenKeys } from '../../lib/keys.svelte';
    import { refused } from '../../lib/refused';
    import Chain from '../../parts/Chain.svelte';
    import Wrong from '../../parts/Wrong.svelte';
    import type { JobView, PromiseView } from '../../types/server';
    import BuildIt, { type WayToBuild } from './BuildIt.svelte';
    import ContactPanel from './ContactPanel.svelte';
    import JobHead from './JobHead.svelte';
    import LinkForm from './LinkForm.svelte';
    import type { Material } from './NewJob.svelte';
    import PouredList from './PouredList.svelte';
    import PutJobAway from './PutJobAway.svelte';
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
        (job.chain.find((l) => l.contacts.some((c) => c.blocks)) ?? job.chain.find((l) => l.pourable && !l.settled) ?? job.chain.at(-1))
            ?.id ?? null;
    let chosen = $state(untrack(next));
    let form = $state<'none' | 'new' | 'edit'>('none');
    let contactKey = $state<string | null>(null);
    let building = $state(false);
    const link = $derived(job.chain.find((l) => l.id === chosen) ?? null);
    const contact = $derived(
        link?.contacts.find((c) => c.key === contactKey) ?? link?.contacts.find((c) => c.blocks) ?? link?.contacts[0] ?? null,
    );
    const why = $derived(refused('impression') ?? refused('from_id'));

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

<JobHead {job} {uses} />

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
        {#if job.chain.some((link) => link.kind === 'cast')}<OnPaper what="jobs/{job.id}/care" words="Care of the piece" />{/if}
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
        <PouredList {link} job={job.name} />
    </section>
{/if}

<PutJobAway {job} />

<style>
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
