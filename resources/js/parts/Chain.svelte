<script lang="ts">
    /**
     * A job's chain. A positive bulges into the mould that is taken from it, a mould is hollow towards what is cast in it, and two
     * halves meet in two cone keys: each joint is drawn the way the two surfaces touch.
     */
    import { markOf, wordsOf } from '../lib/contacts';
    import type { JobView } from '../types/server';
    import VerdictShape from './VerdictShape.svelte';
    import * as texts from './Chain.texts';

    type Link = JobView['chain'][number];
    type Props = { chain: Link[]; chosen: number | null; onchoose: (id: number, contact?: string) => void; quantity: number };
    let { chain, chosen, onchoose, quantity }: Props = $props();

    const BULGE = 9;
    type Joint = 'out' | 'in' | 'key' | 'end';

    function joint(before: Link | undefined, after: Link | undefined): Joint {
        if (before === undefined || after === undefined) {
            return 'end';
        }
        if (before.positive === after.positive) {
            return 'key';
        }
        return before.positive ? 'out' : 'in';
    }

    // Both profiles in a box of 100 × 100 that is stretched to the link; a bulge reaches over the edge of its own box.
    function right(kind: Joint): string {
        switch (kind) {
            case 'out':
                return `L100 0 Q${String(100 + BULGE * 2)} 50 100 100`;
            case 'in':
                return `L100 0 Q${String(100 - BULGE * 2)} 50 100 100`;
            case 'key':
                return 'L100 0 L100 16 L105 21 L105 31 L100 36 L100 64 L105 69 L105 79 L100 84 L100 100';
            case 'end':
                return 'L97 0 Q100 0 100 6 L100 94 Q100 100 97 100';
        }
    }
    function left(kind: Joint): string {
        switch (kind) {
            case 'out':
                return `L0 100 Q${String(BULGE * 2)} 50 0 0`;
            case 'in':
                return `L0 100 Q${String(-BULGE * 2)} 50 0 0`;
            case 'key':
                return 'L0 100 L0 84 L5 79 L5 69 L0 64 L0 36 L5 31 L5 21 L0 16 L0 0';
            case 'end':
                return 'L3 100 Q0 100 0 94 L0 6 Q0 0 3 0';
        }
    }
    const path = (i: number): string => `M3 0 ${right(joint(chain[i], chain[i + 1]))} ${left(joint(chain[i - 1], chain[i]))} Z`;
    // One above the other, on a narrow screen, the same profiles lie at foot and head.
    const laid = (path: string): string => path.replace(/(-?[\d.]+) (-?[\d.]+)/g, '$2 $1');
    const kinds: Record<string, string> = { original: 'original', mould: 'mould', copy: 'hard copy', cast: 'casts' };

    // Ink or paper, whichever reads better on the material's colour.
    function ink(colour: string): string {
        const [r, g, b] = [1, 3, 5].map((at) => Math.pow(parseInt(colour.slice(at, at + 2), 16) / 255, 2.2)) as [number, number, number];
        return 0.2126 * r + 0.7152 * g + 0.0722 * b > 0.19 ? '#1d1510' : '#fffaf0';
    }
</script>

<ol class="chain" style="--links:{chain.length}">
    {#each chain as link, i (link.id)}
        <li>
            <button
                class="link-body"
                class:chosen={link.id === chosen}
                style="--ink:{ink(link.colour)}"
                aria-pressed={link.id === chosen}
                onclick={() => onchoose(link.id)}
            >
                <svg viewBox="0 0 100 100" preserveAspectRatio="none" aria-hidden="true">
                    <path class="beside" d={path(i)} fill={link.colour} vector-effect="non-scaling-stroke" />
                    <path class="below" d={laid(path(i))} fill={link.colour} vector-effect="non-scaling-stroke" />
                </svg>
                <span class="words">
                    <span class="kind">{kinds[link.kind]}</span>
                    <span class="name title">{link.name}{link.kind === 'cast' && quantity > 1 ? ` × ${String(quantity)}` : ''}</span>
                    <span class="material">{link.material === '' ? texts.materialNotChosen : link.material}</span>
                    <span class="fig state">{link.status}</span>
                </span>
            </button>
            {#if link.knows_nothing}
                <p class="joints unknown"><VerdictShape kind="ask" size={22} /> <b>No contact known</b></p>
            {/if}
            {#if link.contacts.length > 0}
                <ul class="joints" aria-label={texts.contactsOf(link.name)}>
                    {#each link.contacts as contact (contact.key)}
                        <li>
                            <button class="joint" onclick={() => onchoose(link.id, contact.key)}>
                                <VerdictShape kind={markOf(contact)} size={22} />
                                <span class:bad={contact.blocks}><b>{wordsOf(contact)}</b> <span class="quiet">{contact.with}</span></span>
                            </button>
                        </li>
                    {/each}
                </ul>
            {/if}
        </li>
    {/each}
</ol>

<style>
    .chain {
        display: grid;
        grid-template-columns: repeat(var(--links), minmax(0, 1fr));
        gap: 14px;
        padding: 6px 2px 10px;
    }
    .link-body {
        position: relative;
        width: 100%;
        height: 11rem;
        text-align: left;
        color: var(--ink);
        display: block;
        cursor: pointer;
    }
    svg {
        position: absolute;
        inset: 0;
        width: 100%;
        height: 100%;
        overflow: visible;
    }
    .chosen svg path {
        stroke: var(--color-base-content);
        stroke-width: 3;
    }
    .below {
        display: none;
    }
    .words {
        position: relative;
        display: grid;
        gap: 0.2rem;
        /* Clear of the hollow, whose deepest point is nine hundredths in. */
        padding: 0.6rem calc(9% + 0.5rem) 0.6rem calc(9% + 0.9rem);
        height: 100%;
        align-content: center;
    }
    .kind {
        font-size: 0.875rem;
    }
    .title {
        font-size: 1.2rem;
    }
    .material {
        font-size: 0.9rem;
    }
    .state {
        font-size: 0.875rem;
        margin-top: 0.2rem;
    }
    .joints {
        display: grid;
        gap: 0.2rem;
        margin: 0.5rem 0 0 -0.5rem;
        border-left: 2px dotted var(--color-base-300);
        padding-left: 0.4rem;
    }
    .joint {
        display: flex;
        gap: 0.4rem;
        text-align: left;
        font-size: 0.875rem;
        line-height: 1.25;
        min-height: 44px;
        align-items: center;
        cursor: pointer;
    }
    .joint .bad {
        color: var(--color-error);
    }
    .joint:hover b {
        text-decoration: underline;
    }
    .link-body:hover .title,
    .link-body:focus-visible .title {
        text-decoration: underline;
    }
    @media (max-width: 900px) {
        .chain {
            grid-template-columns: 1fr;
            gap: 8px;
        }
        .link-body {
            height: auto;
            min-height: 5.5rem;
        }
        .words {
            padding: 1.2rem 1.6rem;
        }
        .beside {
            display: none;
        }
        .below {
            display: block;
        }
        .joints {
            margin-top: 1.1rem;
        }
    }
</style>
