<script lang="ts">
    import { useForm } from '@inertiajs/svelte';
    import { untrack } from 'svelte';
    import type { Words } from '../../lib/contacts';
    import Choice from '../../parts/Choice.svelte';
    import TextLine from '../../parts/TextLine.svelte';
    import Wrong from '../../parts/Wrong.svelte';
    import type { JobView } from '../../types/server';
    import MaterialPick from './MaterialPick.svelte';
    import { firstOf, type Material } from './NewJob.svelte';

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

    function save(event: SubmitEvent): void {
        event.preventDefault();
        form.submit(method, url, { preserveScroll: true, onSuccess: onclose });
    }
</script>

<form class="card-paper mt-4 grid gap-3" onsubmit={save} aria-label={link === undefined ? 'New link' : 'Change the link'}>
    <div class="grid gap-3 md:grid-cols-3">
        <Choice label="What it is" bind:value={form.kind}>
            <option value="original">Original</option><option value="mould">Mould</option><option value="copy">Hard copy</option><option
                value="cast">Casts</option
            >
        </Choice>
        <TextLine label="Name" bind:value={form.name} error={form.errors.name ?? null} />
        {#if form.kind === 'original'}
            <TextLine label="Material" bind:value={form.material} />
        {:else}
            <MaterialPick label="Material" {materials} bind:value={form.material} />
        {/if}
    </div>
    <div class="grid gap-3 md:grid-cols-4">
        {#if form.kind === 'original'}
            <Choice label="Its surface" bind:value={form.surface}>
                <option value="">not said</option>
                {#each surfaces as [id, name] (id)}<option value={id}>{name}</option>{/each}
            </Choice>
        {:else}
            <Choice label="To the mould it is" bind:value={form.role}>
                <option value="whole">whole</option><option value="half">a half</option><option value="jacket">a jacket</option><option
                    value="core">a core</option
                ><option value="insert">an insert</option>
            </Choice>
            <Choice label="Takes its shape from" bind:value={form.from_id}>
                <option value={null}>the one before</option>
                {#each others.filter((o) => o.id !== link?.id) as other (other.id)}<option value={other.id}>{other.name}</option>{/each}
            </Choice>
            <Choice label="Box walls" bind:value={form.wall}>
                <option value="">none</option>
                {#each surfaces as [id, name] (id)}<option value={id}>{name}</option>{/each}
            </Choice>
            <Choice label="Bed" bind:value={form.bed}>
                <option value="">none</option>
                {#each surfaces as [id, name] (id)}<option value={id}>{name}</option>{/each}
            </Choice>
        {/if}
        {#if link === undefined}
            <Choice label="Put it after" bind:value={form.after}>
                {#each others as other (other.id)}<option value={other.id}>{other.name}</option>{/each}
            </Choice>
        {/if}
    </div>
    <Wrong says={form.errors.from_id} />
    <label class="grid gap-1"
        ><span class="quiet text-sm">Note</span><textarea class="textarea w-full" rows="2" bind:value={form.note}></textarea></label
    >
    <div class="flex gap-2">
        <button class="btn btn-primary" disabled={form.processing}>Keep it</button>
        <button type="button" class="btn btn-ghost" onclick={onclose}>Leave it</button>
    </div>
</form>
