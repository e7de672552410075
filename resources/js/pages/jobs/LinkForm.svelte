<script lang="ts">
    import { useForm } from '@inertiajs/svelte';
    import { untrack } from 'svelte';
    import type { Words } from '../../lib/contacts';
    import Choice from '../../parts/Choice.svelte';
    import TextLine from '../../parts/TextLine.svelte';
    import { bench } from '../../lib/bench.svelte';
    import { differences, type Difference, type Said } from '../../lib/clash';
    import { refused } from '../../lib/refused';
    import Clash from '../../parts/Clash.svelte';
    import Wrong from '../../parts/Wrong.svelte';
    import type { JobView } from '../../types/server';
    import MaterialPick from './MaterialPick.svelte';
    import { firstOf, type Material } from './NewJob.svelte';
    import * as texts from './texts';

    type Props = {
        materials: Material[];
        words: Words;
        others: JobView['chain'];
        url: string;
        method: 'post' | 'put';
        link?: JobView['chain'][number];
        onclose: () => void;
    };
    let { materials, words, others, url, method, link, onclose }: Props = $props();

    const surfaces = $derived(Object.entries(words.surfaces));
    /** What stands in the mould may be had as well. */
    const INSIDE = ['core', 'insert', 'plug'];

    const form = useForm(
        untrack(() => ({
            kind: link?.kind ?? 'cast',
            name: link?.name ?? '',
            material: link?.material_code ?? (link?.kind === 'original' ? link.material : firstOf(materials, 'pr-10')),
            note: link?.note ?? '',
            surface: link?.surface ?? '',
            role: link?.role ?? 'whole',
            from_id: link?.from_id ?? null,
            wall: link?.wall ?? '',
            bed: link?.bed ?? '',
            after: others.at(-1)?.id ?? null,
        })),
    );

    type Fields = ReturnType<typeof fieldsOf>;
    function fieldsOf(of: JobView['chain'][number]) {
        return {
            kind: of.kind,
            name: of.name,
            material: of.material_code ?? (of.kind === 'original' ? of.material : ''),
            note: of.note,
            surface: of.surface ?? '',
            role: of.role,
            from_id: of.from_id,
            wall: of.wall ?? '',
            bed: of.bed ?? '',
        };
    }
    const opened = untrack(() => (link === undefined ? null : { edition: link.edition, fields: fieldsOf(link) }));
    const same = (one: Fields, other: Fields): boolean => JSON.stringify(one) === JSON.stringify(other);
    // What else changed on this link, a contact that was chosen, does not touch what is typed here.
    const edition = $derived(
        link !== undefined && opened !== null && same(opened.fields, fieldsOf(link)) ? link.edition : (opened?.edition ?? 0),
    );
    const clash = $derived(link === undefined ? null : refused('edition'));
    const called = (code: unknown): string => materials.find((m) => m.code === code)?.name ?? String(code ?? '');
    const differs = $derived.by((): Difference[] => {
        if (clash === null || link === undefined) {
            return [];
        }
        const [mine, theirs] = [form.data() as unknown as Fields, fieldsOf(link)];
        const said = (of: Fields): unknown => ({
            ...of,
            material: called(of.material),
            from_id: others.find((o) => o.id === of.from_id)?.name ?? 'the one before',
            surface: words.surfaces[of.surface] ?? of.surface,
            wall: words.surfaces[of.wall] ?? of.wall,
            bed: words.surfaces[of.bed] ?? of.bed,
        });
        const only = Object.fromEntries(Object.keys(theirs).map((key) => [key, mine[key as keyof Fields]])) as Fields;
        return differences(said(only), said(theirs), bench.units, LINK);
    });
    const LINK: Said[] = [
        [/^kind$/, 'What it is', null],
        [/^name$/, 'Name', null],
        [/^material$/, 'Material', null],
        [/^from_id$/, 'Takes its shape from', null],
        [/^role$/, 'To the mould it is', null],
        [/^surface$/, 'Its surface', null],
        [/^wall$/, 'Box walls', null],
        [/^bed$/, 'Bed', null],
        [/^note$/, 'Note', null],
    ];

    const sure = $derived(refused('sure'));
    function send(on: number, meant = false): void {
        const at = method === 'put' ? `${url}?edition=${String(on)}${meant ? '&sure=1' : ''}` : url;
        form.submit(method, at, { preserveScroll: true, preserveState: true, onSuccess: onclose });
    }
    function save(event: SubmitEvent): void {
        event.preventDefault();
        send(edition);
    }
</script>

<form class="card-paper mt-4 grid gap-3" onsubmit={save} aria-label={link === undefined ? texts.newLink : texts.changeTheLink}>
    <div class="grid gap-3 md:grid-cols-3">
        <Choice label={texts.whatItIs} bind:value={form.kind}>
            <option value="original">{texts.original}</option><option value="mould">{texts.mould}</option><option value="copy"
                >{texts.hardCopy}</option
            ><option value="cast">{texts.casts}</option>
        </Choice>
        <TextLine label={texts.nameWord} bind:value={form.name} error={form.errors.name ?? null} />
        {#if form.kind === 'original'}
            <TextLine label={texts.material} bind:value={form.material} />
        {:else}
            <MaterialPick
                label={texts.material}
                {materials}
                surfaces={form.kind === 'cast' && !INSIDE.includes(form.role) ? null : words.surfaces}
                bind:value={form.material}
                bind:surface={form.surface}
            />
        {/if}
    </div>
    <div class="grid gap-3 md:grid-cols-4">
        {#if form.kind === 'original'}
            <Choice label={texts.itsSurface} bind:value={form.surface}>
                <option value="">{texts.notSaid}</option>
                {#each surfaces as [id, name] (id)}<option value={id}>{name}</option>{/each}
            </Choice>
        {:else}
            <Choice label={texts.toTheMouldItIs} bind:value={form.role}>
                <option value="whole">{texts.whole}</option><option value="half">{texts.aHalf}</option><option value="jacket"
                    >{texts.aJacket}</option
                ><option value="core">{texts.aCore}</option><option value="insert">{texts.anInsert}</option><option value="plug"
                    >{texts.aPlug}</option
                >
            </Choice>
            <Choice label={texts.takesItsShapeFrom} bind:value={form.from_id}>
                <option value={null}>{texts.theOneBefore}</option>
                {#each others.filter((o) => o.id !== link?.id) as other (other.id)}<option value={other.id}>{other.name}</option>{/each}
            </Choice>
            <Choice label={texts.boxWalls} bind:value={form.wall}>
                <option value="">{texts.none}</option>
                {#each surfaces as [id, name] (id)}<option value={id}>{name}</option>{/each}
            </Choice>
            <Choice label={texts.bed} bind:value={form.bed}>
                <option value="">{texts.none}</option>
                {#each surfaces as [id, name] (id)}<option value={id}>{name}</option>{/each}
            </Choice>
        {/if}
        {#if link === undefined}
            <Choice label={texts.putItAfter} bind:value={form.after}>
                {#each others as other (other.id)}<option value={other.id}>{other.name}</option>{/each}
            </Choice>
        {/if}
    </div>
    <Wrong says={form.errors.from_id} />
    {#if sure !== null}<p class="max-w-prose font-bold" role="alert">{sure}</p>
        <p><button type="button" class="btn" onclick={() => send(edition, true)}>{texts.itIsMeantSo}</button></p>{/if}
    {#if clash !== null}<Clash says={clash} {differs} ontheirs={onclose} onmine={() => send(link?.edition ?? 0)} />{/if}
    <label class="grid gap-1"
        ><span class="quiet text-sm">{texts.note}</span><textarea class="textarea w-full" rows="2" bind:value={form.note}></textarea></label
    >
    <div class="flex gap-2">
        <button class="btn btn-primary" disabled={form.processing}>{texts.keepIt}</button>
        <button type="button" class="btn btn-ghost" onclick={onclose}>{texts.leaveIt}</button>
    </div>
</form>
