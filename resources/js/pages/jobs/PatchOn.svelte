<script lang="ts">
    /** Test patches from one contact in one go: each of this base, with another release (or none) under it. */
    import { router } from '@inertiajs/svelte';
    import type { Contact, Words } from '../../lib/contacts';
    import { refused } from '../../lib/refused';
    import Wrong from '../../parts/Wrong.svelte';
    import * as texts from './texts';

    let { contact, words, url }: { contact: Contact; words: Words; url: string } = $props();
    const BARE = 'bare';
    const offered = $derived([
        BARE,
        ...new Set([...(contact.release === null ? [] : [contact.release]), ...contact.result.releases.map((r) => r.id)]),
    ]);
    let picked = $state<string[]>([]);
    let open = $state(false);
    /** A patch goes on what is done, not on what is planned. */
    const sealed = $derived(contact.sealed_with !== null && contact.sealed_ms !== null ? contact.sealed_with : null);

    function put(): void {
        router.post(
            `${url}/patches`,
            { patches: picked.map((id) => ({ sealed_with: sealed, release: id === BARE ? null : id })) },
            { preserveScroll: true, preserveState: true, onSuccess: () => ([picked, open] = [[], false]) },
        );
    }
</script>

<p class="mt-3">
    <button type="button" class="link py-2" aria-expanded={open} onclick={() => (open = !open)}>{texts.putTestPatchesOn}</button>
</p>
{#if open}
    <fieldset class="patches">
        <legend>{texts.onePatchOfForEachOf(contact.fresh, sealed === null ? '' : texts.over(words.sealers[sealed] ?? sealed))}</legend>
        {#each offered as id (id)}
            <label class:on={picked.includes(id)}
                ><input type="checkbox" class="checkbox" value={id} bind:group={picked} />
                {id === BARE ? (sealed === null ? texts.onTheBareSurface : texts.withoutARelease) : (words.releases[id]?.name ?? id)}</label
            >
        {/each}
        <p class="w-full">
            <button type="button" class="btn" disabled={picked.length === 0} onclick={put}
                >{picked.length > 1 ? texts.patchesAreOn(picked.length) : texts.thePatchIsOn}</button
            >
        </p>
    </fieldset>
{/if}
<Wrong says={refused('contact.patches')} />

<style>
    .patches {
        display: flex;
        flex-wrap: wrap;
        gap: 0.5rem;
    }
    label {
        display: flex;
        gap: 0.6rem;
        align-items: center;
        min-height: 2.75rem;
        padding: 0.3rem 0.9rem;
        border: 1.5px solid var(--color-base-300);
        border-radius: 1rem;
        cursor: pointer;
    }
    .on {
        border-color: var(--color-base-content);
    }
</style>
