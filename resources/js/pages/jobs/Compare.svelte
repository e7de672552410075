<script lang="ts">
    import type { Words } from '../../lib/contacts';
    import { minutes } from '../../lib/units';
    import * as texts from './texts';

    let { releases, words, fuses }: { releases: { id: string; fit: number }[]; words: Words; fuses: boolean } = $props();
    const detail = ['keeps it all', 'keeps it', 'softens it', 'brush marks'];
    const paint: Record<string, string> = { wash: 'after washing', never: 'never again', yes: 'at once' };
    const order = [
        'Key the first half before anything goes on it.',
        'Clean the original; nothing on its detail but the thinnest film, wiped.',
        'Release everywhere two silicones meet: seam, keys, flange, sprue, vents.',
        'Walls and base board too.',
        'Look along a lamp: what does not shine is bare.',
    ];
</script>

<details class="mt-3">
    <summary class="link cursor-pointer">{texts.compareThem(fuses ? texts.andTheOrderOfWork : '')}</summary>
    <div class="overflow-x-auto">
        <table>
            <thead>
                <tr
                    ><th scope="col">{texts.release}</th><th scope="col">{texts.detail}</th><th scope="col">{texts.paint}</th><th
                        scope="col">{texts.skin}</th
                    ><th scope="col">{texts.vapour}</th><th scope="col">{texts.coats}</th><th scope="col">{texts.takes}</th><th scope="col"
                        >{texts.aCast}</th
                    ><th scope="col">{texts.againAfter}</th></tr
                >
            </thead>
            <tbody>
                {#each releases as { id } (id)}
                    {@const r = words.releases[id]}
                    {#if r !== undefined}
                        <tr>
                            <th scope="row">{r.name}</th>
                            <td>{detail[r.hides]}</td>
                            <td>{paint[r.paint]}</td>
                            <td>{r.skin_safe ? 'safe' : 'no'}</td>
                            <td>{r.vapour ? 'yes' : 'none'}</td>
                            <td class="fig">{r.coats}</td>
                            <td class="fig">{r.minutes === 0 ? 'no wait' : minutes(r.minutes)}</td>
                            <td class="fig">{r.cost.toFixed(2)}</td>
                            <td>{r.every === 1 ? 'every cast' : `${String(r.every)} casts`}</td>
                        </tr>
                        <tr class="how"><td colspan="9">{r.how}</td></tr>
                    {/if}
                {/each}
            </tbody>
        </table>
    </div>
    {#if fuses}
        <h4 class="mt-3 font-bold">{texts.theOrderOfWork}</h4>
        <ol class="list-decimal pl-5">
            {#each order as line (line)}<li>{line}</li>{/each}
        </ol>
    {/if}
</details>

<style>
    table {
        margin-top: 0.5rem;
        font-size: 0.88rem;
        width: 100%;
    }
    th,
    td {
        text-align: left;
        padding: 0.2rem 0.6rem 0.2rem 0;
        border-top: 1px solid var(--color-base-300);
        vertical-align: top;
    }
    thead th {
        font-weight: 400;
        color: var(--color-neutral);
        border: 0;
    }
    .how td {
        border: 0;
        padding-top: 0;
        color: var(--color-neutral);
    }
</style>
