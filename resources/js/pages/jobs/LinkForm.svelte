<script lang="ts">
    import { useForm } from '@inertiajs/svelte';
    import { untrack } from 'svelte';
    import type { JobView } from '../../types/server';
    import MaterialPick from './MaterialPick.svelte';
    import type { Material } from './NewJob.svelte';

    type Props = { materials: Material[]; url: string; method: 'post' | 'put'; link?: JobView['chain'][number]; onclose: () => void };
    let { materials, url, method, link, onclose }: Props = $props();

    const form = useForm(
        untrack(() => ({
            kind: link?.kind ?? 'cast',
            name: link?.name ?? '',
            material: link?.material_code ?? (link?.kind === 'original' ? link.material : 'pr-10'),
            note: link?.note ?? '',
        })),
    );

    function save(event: SubmitEvent): void {
        event.preventDefault();
        form.submit(method, url, { preserveScroll: true, onSuccess: onclose });
    }
</script>

<form class="card-paper mt-4 grid gap-3" onsubmit={save} aria-label={link === undefined ? 'New link' : 'Change the link'}>
    <div class="grid gap-3 md:grid-cols-3">
        <label class="grid gap-1"
            ><span class="quiet text-sm">What it is</span>
            <select class="select w-full" bind:value={form.kind}>
                <option value="original">Original</option><option value="mould">Mould</option><option value="copy">Hard copy</option><option
                    value="cast">Casts</option
                >
            </select>
        </label>
        <label class="grid gap-1"
            ><span class="quiet text-sm">Name</span>
            <input class="input w-full" bind:value={form.name} aria-invalid={form.errors.name !== undefined} />
            {#if form.errors.name !== undefined}<span class="font-bold text-error text-sm" role="alert">{form.errors.name}</span>{/if}
        </label>
        <label class="grid gap-1"
            ><span class="quiet text-sm">Material</span>
            {#if form.kind === 'original'}<input class="input w-full" bind:value={form.material} />{:else}<MaterialPick
                    {materials}
                    bind:value={form.material}
                />{/if}
        </label>
    </div>
    <label class="grid gap-1"
        ><span class="quiet text-sm">Note</span><textarea class="textarea w-full" rows="2" bind:value={form.note}></textarea></label
    >
    <div class="flex gap-2">
        <button class="btn btn-primary" disabled={form.processing}>Keep it</button>
        <button type="button" class="btn btn-ghost" onclick={onclose}>Leave it</button>
    </div>
</form>
