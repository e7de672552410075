<script lang="ts">
    import { router } from '@inertiajs/svelte';
    import { ask } from '../lib/api';
    import Point, { type Pointed } from './Point.svelte';
    import * as texts from './Find.texts';

    type Found = { kind: string; name: string; href: string };
    let { open = $bindable() }: { open: boolean } = $props();
    let dialog: HTMLDialogElement;
    let pointer = $state<Point>();
    let q = $state('');
    let found = $state<Found[]>([]);
    let chosen = $state(0);
    let asked = 0;

    $effect(() => {
        if (open && !dialog.open) {
            q = '';
            found = [];
            dialog.showModal();
        }
    });

    async function look(): Promise<void> {
        const mine = ++asked;
        const answer = await ask<{ found: Found[] }>('GET', `/find?q=${encodeURIComponent(q)}`);
        if (mine === asked && answer.ok) {
            found = answer.data.found;
            chosen = 0;
        }
    }

    function go(entry: Found | undefined): void {
        if (entry !== undefined) {
            dialog.close();
            router.visit(entry.href);
        }
    }

    /** A label opens what it stands on. */
    function point(at: Pointed): null {
        router.visit(at.href);
        return null;
    }

    function keys(event: KeyboardEvent): void {
        if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
            event.preventDefault();
            chosen = (chosen + (event.key === 'ArrowDown' ? 1 : found.length - 1)) % Math.max(1, found.length);
        } else if (event.key === 'Enter') {
            event.preventDefault();
            go(found[chosen]);
        }
    }
</script>

<button class="jump" onclick={() => (open = true)}
    >{texts.find} <span class="what">{texts.aJobMouldFormulaSheet}</span> <kbd class="kbd kbd-sm">/</kbd></button
>

<dialog class="modal modal-top" bind:this={dialog} onclose={() => (open = false)} aria-label={texts.find}>
    <div class="modal-box bg-secondary mx-auto mt-24 max-w-xl rounded-3xl">
        <input
            class="input input-lg w-full"
            placeholder={texts.aPartOfItsName}
            aria-label={texts.findAJobAMouldA}
            role="combobox"
            aria-expanded={found.length > 0}
            aria-controls="found"
            aria-activedescendant={found.length > 0 ? `found-${String(chosen)}` : undefined}
            bind:value={q}
            oninput={look}
            onkeydown={keys}
        />
        <ul id="found" role="listbox" aria-label={texts.found} class="mt-3">
            {#each found as entry, i (entry.href + entry.name)}
                <!-- svelte-ignore a11y_click_events_have_key_events -->
                <li
                    id="found-{i}"
                    role="option"
                    aria-selected={i === chosen}
                    class="hit"
                    class:chosen={i === chosen}
                    onclick={() => go(entry)}
                >
                    <span class="font-bold">{entry.name}</span> <span class="quiet text-sm">{entry.kind}</span>
                </li>
            {/each}
        </ul>
        {#if q.trim() !== '' && found.length === 0}<p class="quiet mt-2">Nothing by that name.</p>{/if}
        <p class="mt-3 flex flex-wrap justify-between gap-2">
            <button
                class="btn btn-sm"
                onclick={() => {
                    dialog.close();
                    void pointer?.show();
                }}>{texts.pointAtALabel}</button
            >
            <button class="btn btn-ghost btn-sm" onclick={() => dialog.close()}>{texts.close}</button>
        </p>
    </div>
</dialog>

<Point bind:this={pointer} onpoint={point} button={false} />

<style>
    .jump {
        background: var(--color-secondary);
        color: var(--color-neutral);
        border: 1.5px solid var(--color-base-300);
        border-radius: 999px;
        padding: 0.35rem 1rem;
        min-height: 2.75rem;
        font-size: 0.92rem;
        white-space: nowrap;
    }
    .hit {
        padding: 0.55rem 0.8rem;
        border-radius: 0.8rem;
        cursor: pointer;
    }
    .hit.chosen {
        background: var(--color-base-200);
    }
    @media (max-width: 1500px) {
        .what {
            position: absolute;
            width: 1px;
            height: 1px;
            overflow: hidden;
            clip-path: inset(50%);
        }
    }
</style>
