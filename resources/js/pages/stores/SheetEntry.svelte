<script module lang="ts">
    import type { WriteSheetView } from '../../types/server';

    export type Asked = WriteSheetView['form']['groups'][number]['fields'][number];
    export type Lists = WriteSheetView['lists'];
</script>

<script lang="ts">
    /** One field of a sheet: what is asked, in its unit, why, and what still works while it stands open. */
    import { basesIn } from '../../lib/bases';
    import { bench } from '../../lib/bench.svelte';
    import type { Entry, Quantity } from '../../lib/units';
    import Choice from '../../parts/Choice.svelte';
    import Measure from '../../parts/Measure.svelte';
    import TextLine from '../../parts/TextLine.svelte';
    import Several from './Several.svelte';
    import SheetEntry from './SheetEntry.svelte';
    import * as texts from './texts';

    type Props = {
        asked: Omit<Asked, 'needed' | 'why' | 'open' | 'fields'> & Partial<Asked>;
        value: unknown;
        lists: Lists;
        named: Record<string, string>;
        /** Names of what is cured, by the same ids as what is fresh. */
        surfaces: Record<string, string>;
        wrong: (at: string) => string | null;
        /** Its place in the sheet, where it stands in a row. */
        place?: string;
    };
    let { asked, value = $bindable(), lists, named, surfaces, wrong, place }: Props = $props();

    const at = $derived(place ?? asked.at);
    const bases = $derived(basesIn(bench.units));
    const sides: Record<string, string> = { a: 'part A', b: 'part B', after: 'the mixed cup, last' };
    const quantities: Record<string, Quantity> = {
        minutes: 'minutes',
        mass: 'mass',
        temperature: 'temperature',
        percent: 'percent',
        'Pa·s': 'viscosity',
        'N/mm': 'tear',
        'ml/kg': 'yield',
        density: 'density',
    };
    const quantity = $derived(quantities[asked.unit ?? ''] ?? 'plain');
    const suffix = $derived(
        { times: '×' }[asked.unit ?? ''] ??
            (quantity === 'plain' && !['plain', 'money', null].includes(asked.unit) ? (asked.unit ?? '') : ''),
    );
    const options = $derived<[string, string][]>(
        asked.ask === 'choice'
            ? Object.entries(asked.of)
            : asked.ask === 'basis'
              ? Object.entries(bases)
              : asked.ask === 'into'
                ? Object.entries(sides)
                : asked.ask === 'role'
                  ? lists.roles.map((role) => [role, role.replace('-', ' ')])
                  : asked.ask === 'family'
                    ? lists.families.map((id) => [id, named[id] ?? id])
                    : [],
    );
    const many: Record<string, keyof Lists> = {
        families: 'families',
        fresh: 'fresh',
        surface: 'surfaces',
        likes: 'likes',
        cautions: 'cautions',
    };
    const rows = $derived(Array.isArray(value) ? (value as Record<string, unknown>[]) : []);
    const open = $derived(value === null || value === undefined || value === '' || (Array.isArray(value) && value.length === 0));
    const label = $derived(asked.needed === true ? `${asked.label} (needed)` : asked.label);
    const error = $derived(wrong(at));

    const blank = (): Record<string, unknown> => Object.fromEntries((asked.fields ?? []).map((field) => [field.at, null]));
</script>

<div class="entry-of-sheet" class:wide={['long', 'rows', 'families', 'fresh', 'surface', 'likes', 'cautions'].includes(asked.ask)}>
    {#if asked.ask === 'number'}
        <Measure {label} kind={quantity} {suffix} bind:value={() => value as Entry, (next) => (value = next)} {error} />
    {:else if asked.ask === 'yes-no'}
        <Choice
            {label}
            bind:value={
                () => (value === true ? 'yes' : value === false ? 'no' : ''), (next) => (value = next === '' ? null : next === 'yes')
            }
            {error}
        >
            <option value="">{texts.notSaid}</option><option value="yes">{texts.yes}</option><option value="no">{texts.no}</option>
        </Choice>
    {:else if options.length > 0}
        <Choice {label} bind:value={() => (typeof value === 'string' ? value : ''), (next) => (value = next === '' ? null : next)} {error}>
            <option value="">{texts.notSaid}</option>
            {#each options as [id, words] (id)}<option value={id}>{words}</option>{/each}
        </Choice>
    {:else if many[asked.ask] !== undefined}
        <Several
            {label}
            bind:value={() => (Array.isArray(value) ? (value as string[]) : []), (next) => (value = next)}
            all={lists[many[asked.ask] ?? 'families']}
            named={asked.ask === 'surface' || asked.ask === 'likes' ? surfaces : named}
            {error}
        />
    {:else if asked.ask === 'colour'}
        <div class="flex items-end gap-2">
            <TextLine
                {label}
                fig
                placeholder="#e3d2b5"
                bind:value={() => (typeof value === 'string' ? value : ''), (next) => (value = next)}
                {error}
            />
            <input
                type="color"
                class="swatch"
                aria-label={texts.picked(asked.label)}
                bind:value={
                    () => (typeof value === 'string' && /^#[0-9a-f]{6}$/i.test(value) ? value : '#dccfb4'), (next) => (value = next)
                }
            />
        </div>
    {:else if asked.ask === 'long'}
        <label class="grid gap-1"
            ><span class="quiet">{label}</span><textarea
                class="textarea w-full"
                rows="2"
                aria-invalid={error !== null}
                bind:value={() => (typeof value === 'string' ? value : ''), (next) => (value = next)}></textarea></label
        >
        {#if error !== null}<p class="font-bold text-error" role="alert">{error}</p>{/if}
    {:else if asked.ask === 'rows'}
        <fieldset class="grid gap-2">
            <legend class="quiet">{label}</legend>
            {#each rows as row, i (i)}
                <div class="row">
                    {#each asked.fields ?? [] as field (field.at)}
                        <SheetEntry
                            asked={field}
                            bind:value={() => row[field.at], (next) => (row[field.at] = next)}
                            {lists}
                            {named}
                            {surfaces}
                            {wrong}
                            place="{asked.at}.{i}.{field.at}"
                        />
                    {/each}
                    <button type="button" class="btn btn-ghost" onclick={() => (value = rows.filter((_, at) => at !== i))}
                        >{texts.takeItOut}</button
                    >
                </div>
            {/each}
            <button type="button" class="btn justify-self-start" onclick={() => (value = [...rows, blank()])}>{texts.addOne}</button>
        </fieldset>
    {:else}
        <TextLine {label} bind:value={() => (typeof value === 'string' ? value : ''), (next) => (value = next)} {error} />
    {/if}
    {#if asked.why !== undefined && asked.why !== ''}
        <p class="why">
            {asked.why}
            {#if open && asked.open !== undefined && asked.open !== ''}<span class="open">Left open, still works: {asked.open}</span>{/if}
        </p>
    {/if}
</div>

<style>
    .entry-of-sheet {
        display: grid;
        gap: 0.25rem;
        align-content: start;
        min-width: 0;
    }
    .wide {
        grid-column: 1 / -1;
    }
    .why {
        font-size: 0.9rem;
        line-height: 1.35;
        color: var(--color-neutral);
    }
    .open {
        display: block;
        font-style: italic;
    }
    .swatch {
        width: 3.5rem;
        height: 2.75rem;
        flex: none;
        border-radius: 0.9rem;
        border: 1.5px solid var(--color-base-300);
        padding: 0.2rem;
        background: var(--color-secondary);
    }
    .row {
        display: grid;
        grid-template-columns: repeat(auto-fit, minmax(9rem, 1fr));
        gap: 0.5rem;
        align-items: end;
        padding-bottom: 0.6rem;
        border-bottom: 1px solid var(--color-base-300);
    }
</style>
