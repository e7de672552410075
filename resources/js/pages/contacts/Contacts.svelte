<script lang="ts">
    import { router } from '@inertiajs/svelte';
    import { onMount, tick, untrack } from 'svelte';
    import { ask } from '../../lib/api';
    import { verdictMark } from '../../lib/contacts';
    import { screenKeys } from '../../lib/keys.svelte';
    import Exchange from '../../parts/Exchange.svelte';
    import VerdictShape from '../../parts/VerdictShape.svelte';
    import type { ContactBoardView, ContactResult } from '../../types/server';
    import WriteRule from './WriteRule.svelte';
    import Pair from './Pair.svelte';
    import Patches from './Patches.svelte';
    import * as texts from './texts';

    let { board }: { board: ContactBoardView } = $props();

    const chemistries = [
        { id: 'silicone', name: 'Silicones' },
        { id: 'clinging', name: 'Urethane, epoxy, polyester' },
        { id: 'watery', name: 'Plaster, latex, alginate' },
        { id: 'hot', name: 'Hot' },
        { id: '', name: 'All' },
    ];
    const words: Record<string, string> = {
        clear: 'clear',
        release: 'release',
        'seal-and-release': 'seal',
        'test-first': 'test',
        stop: 'stop',
    };

    let chemistry = $state('silicone');
    const fresh = $derived(board.fresh.filter((f) => chemistry === '' || f.groups.includes(chemistry)));
    let at = $state({ fresh: 'silicone-platinum', surface: 'silicone-platinum' });
    let pair = $state<ContactResult | null>(null);
    let asked = 0;
    let writing = $state(false);
    let changed = $state<string[]>([]);

    async function open(f: string, s: string, base: string | null = null): Promise<void> {
        at = { fresh: f, surface: s };
        const mine = ++asked;
        const answer = await ask<ContactResult>('POST', '/contacts/judge', {
            fresh: { family: f, skin_safe: true },
            surface: { id: s },
            base: base ?? board.bases.find((b) => b.family === f)?.code ?? null,
        });
        if (answer.ok && mine === asked) {
            pair = answer.data;
        }
    }

    async function arrows(event: KeyboardEvent): Promise<void> {
        const step = { ArrowRight: [1, 0], ArrowLeft: [-1, 0], ArrowDown: [0, 1], ArrowUp: [0, -1], Home: [-99, 0], End: [99, 0] }[
            event.key
        ];
        if (step === undefined) {
            return;
        }
        event.preventDefault();
        const column = fresh.findIndex((f) => f.id === at.fresh);
        const row = board.surfaces.findIndex((s) => s.id === at.surface);
        const f = fresh[Math.min(fresh.length - 1, Math.max(0, column + (step[0] ?? 0)))];
        const s = board.surfaces[Math.min(board.surfaces.length - 1, Math.max(0, row + (step[1] ?? 0)))];
        if (f !== undefined && s !== undefined) {
            await open(f.id, s.id);
            await tick();
            document.getElementById(`cell-${f.id}-${s.id}`)?.focus();
        }
    }

    $effect(() => {
        const first = fresh[0];
        if (first !== undefined && !fresh.some((f) => f.id === untrack(() => at.fresh))) {
            void open(
                first.id,
                untrack(() => at.surface),
            );
        }
    });

    onMount(() => {
        void open(at.fresh, at.surface);
        return screenKeys([
            {
                press: 'ArrowDown',
                does: 'On the board: the next surface',
                run: () => document.getElementById(`cell-${at.fresh}-${at.surface}`)?.focus(),
            },
            {
                press: 'f',
                does: 'Next chemistry',
                run: () => (chemistry = chemistries[(chemistries.findIndex((c) => c.id === chemistry) + 1) % chemistries.length]?.id ?? ''),
            },
        ]);
    });

    const name = (list: { id: string; name: string }[], id: string): string => list.find((entry) => entry.id === id)?.name ?? id;
</script>

<svelte:head><title>Contacts · Apalos</title></svelte:head>

<div class="flex flex-wrap items-baseline justify-between gap-3">
    <h1 class="text-3xl">{texts.whatMayTouchWhat}</h1>
    <fieldset class="flex flex-wrap gap-1">
        <legend class="sr-only">{texts.freshMaterial}</legend>
        {#each chemistries as c (c.id)}
            <label class="chip" class:on={chemistry === c.id}
                ><input type="radio" class="sr-only" name="chemistry" value={c.id} bind:group={chemistry} />{c.name}</label
            >
        {/each}
    </fieldset>
</div>

<div class="board-and-pair">
    <div
        class="scroll"
        role="grid"
        tabindex="-1"
        aria-label={texts.freshMaterialsOnSurfaces}
        aria-rowcount={board.surfaces.length + 1}
        onkeydown={arrows}
        style="--columns:{fresh.length}"
    >
        <div role="row" class="row head">
            <span role="columnheader" class="corner quiet">on ↓ fresh →</span>
            {#each fresh as f (f.id)}<span role="columnheader" class="column">{f.name}</span>{/each}
        </div>
        {#each board.surfaces as s (s.id)}
            <div role="row" class="row">
                <span role="rowheader" class="surface">{s.name}</span>
                {#each fresh as f (f.id)}
                    {@const cell = board.cells[f.id]?.[s.id]}
                    {#if cell !== undefined}
                        <button
                            role="gridcell"
                            id="cell-{f.id}-{s.id}"
                            class="cell"
                            class:changed={changed.includes(`${f.id}/${s.id}`)}
                            class:on={at.fresh === f.id && at.surface === s.id}
                            tabindex={at.fresh === f.id && at.surface === s.id ? 0 : -1}
                            aria-selected={at.fresh === f.id && at.surface === s.id}
                            aria-label={texts.on(
                                f.name,
                                s.name,
                                cell.in_short,
                                cell.tested === null ? '' : cell.tested ? texts.yourTestPassed : texts.yourTestFailed,
                            )}
                            onclick={() => void open(f.id, s.id)}
                        >
                            <VerdictShape kind={verdictMark[cell.verdict] ?? 'stop'} size={16} />
                            {words[cell.verdict]}{#if cell.tested !== null}<sup aria-hidden="true">{cell.tested ? '✓' : '✗'}</sup>{/if}
                        </button>
                    {/if}
                {/each}
            </div>
        {/each}
    </div>

    <section class="pair" aria-live="polite">
        {#if pair !== null}
            <Pair
                {pair}
                {board}
                onbase={(code) => void open(at.fresh, at.surface, code)}
                fresh={at.fresh}
                surface={at.surface}
                title={texts.on2(name(board.fresh, at.fresh), name(board.surfaces, at.surface))}
            />
        {/if}
    </section>
</div>

<Patches {board} onopen={(f, s) => void open(f, s)} />

<section class="mt-8" aria-labelledby="own-rules">
    <h2 id="own-rules" class="text-2xl">{texts.rulesOfYourOwn}</h2>
    <ul class="mt-1">
        {#each board.own_rules as rule (rule.id)}
            <li class="flex flex-wrap items-center gap-3">
                <b>{rule.name}</b>
                {rule.text}
                <button
                    class="btn btn-ghost btn-xs"
                    onclick={() => router.delete(`/contacts/rules/${String(rule.id)}`, { preserveScroll: true })}>{texts.leaveItOut}</button
                >
            </li>
        {:else}
            <li class="quiet max-w-prose">None yet. A rule of your own may narrow what is usual, never overrule what is certain.</li>
        {/each}
    </ul>
    {#if writing}<WriteRule
            {board}
            onchanges={(changes) => {
                changed = changes.map((c) => `${c.fresh}/${c.surface}`);
                if (changes.length > 0) {
                    chemistry = '';
                }
            }}
            onclose={() => (writing = false)}
        />{:else}<button class="btn mt-2" onclick={() => (writing = true)}>{texts.writeARule}</button>{/if}
    <div class="mt-3">
        <Exchange
            out={[
                { href: '/contacts.yaml', what: 'Take rules and tests out (YAML)' },
                { href: '/contacts.json', what: 'as JSON' },
            ]}
            to="/contacts/import"
            accept=".yaml,.yml,.json"
        />
    </div>
</section>

<style>
    .board-and-pair {
        display: grid;
        grid-template-columns: minmax(0, 1.25fr) minmax(20rem, 1fr);
        gap: 1.5rem;
        margin-top: 0.75rem;
        align-items: start;
    }
    .scroll {
        overflow: auto;
        max-height: 70vh;
    }
    .row {
        display: grid;
        grid-template-columns: 11rem repeat(var(--columns), minmax(5.2rem, 1fr));
        border-top: 1px solid var(--color-base-300);
        min-width: fit-content;
    }
    .head {
        position: sticky;
        top: 0;
        background: var(--color-base-100);
        z-index: 2;
        border-top: 0;
    }
    .column {
        font-weight: 700;
        font-size: 0.875rem;
        line-height: 1.15;
        padding: 0.25rem;
        align-self: end;
    }
    .corner {
        font-size: 0.875rem;
        align-self: end;
    }
    .surface {
        font-size: 0.9rem;
        padding: 0.2rem 0.4rem 0.2rem 0;
        position: sticky;
        left: 0;
        background: var(--color-base-100);
        line-height: 1.2;
        align-self: center;
    }
    .cell {
        display: flex;
        align-items: center;
        gap: 0.35rem;
        padding: 0.3rem;
        min-height: 44px;
        font-size: 0.9rem;
        border-radius: 0.6rem;
        cursor: pointer;
    }
    .cell.changed {
        outline: 3px dashed var(--color-accent);
        outline-offset: -2px;
    }
    .cell.on {
        background: var(--color-secondary);
        box-shadow: inset 0 0 0 2px var(--color-base-content);
    }
    @media (max-width: 1000px) {
        .board-and-pair {
            grid-template-columns: minmax(0, 1fr);
        }
        .row {
            grid-template-columns: 8rem repeat(var(--columns), minmax(5rem, 1fr));
        }
        .scroll {
            max-height: 55vh;
        }
    }
</style>
