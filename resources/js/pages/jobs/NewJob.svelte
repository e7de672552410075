<script module lang="ts">
    export type Material = { code: string; name: string; shore: string | null; family: string };
</script>

<script lang="ts">
    import { useForm } from '@inertiajs/svelte';
    import type { Words } from '../../lib/contacts';
    import MaterialPick from './MaterialPick.svelte';

    let { materials, words, onclose }: { materials: Material[]; words: Words; onclose: () => void } = $props();

    const form = useForm({
        name: '',
        purpose: '',
        quantity: 1 as number | string,
        due_on: '',
        original: '',
        surface: '',
        mould: 'pr-25',
        cast: 'pr-10',
    });

    let first: HTMLInputElement;
    $effect(() => first.focus());

    function make(event: SubmitEvent): void {
        event.preventDefault();
        form.transform(({ original, surface, mould, cast, ...piece }) => ({
            ...piece,
            chain: [
                { kind: 'original', name: 'Original', material: original, surface },
                { kind: 'mould', name: 'Mould', material: mould },
                { kind: 'cast', name: 'Casts', material: cast },
            ],
        })).post('/jobs');
    }
    const wrong = $derived(form.errors as Record<string, string | undefined>);
</script>

<form class="card-paper mt-4 grid gap-4" onsubmit={make} aria-label="New job" novalidate>
    <div class="grid gap-4 md:grid-cols-[2fr_1fr_1fr]">
        <label class="grid gap-1"
            ><span class="quiet text-sm">Piece</span>
            <input
                class="input w-full text-lg"
                bind:this={first}
                bind:value={form.name}
                aria-invalid={wrong.name !== undefined}
                aria-describedby="job-name-say"
            />
            <span id="job-name-say" class="say" role={wrong.name === undefined ? undefined : 'alert'}>{wrong.name ?? ''}</span>
        </label>
        <label class="grid gap-1"
            ><span class="quiet text-sm">How many</span>
            <input
                class="input fig w-full text-lg"
                inputmode="numeric"
                bind:value={form.quantity}
                aria-invalid={wrong.quantity !== undefined}
            />
            <span class="say">{wrong.quantity ?? ''}</span>
        </label>
        <label class="grid gap-1"
            ><span class="quiet text-sm">Wanted by</span>
            <input class="input fig w-full" type="date" bind:value={form.due_on} />
            <span class="say">{wrong.due_on ?? ''}</span>
        </label>
    </div>
    <label class="grid gap-1"
        ><span class="quiet text-sm">What is it for? Skin, water, weather, a stage, a hand?</span>
        <textarea class="textarea w-full" rows="2" bind:value={form.purpose}></textarea>
        <span class="say">{wrong.purpose ?? ''}</span>
    </label>
    <div class="grid gap-3 md:grid-cols-4">
        <label class="grid gap-1"
            ><span class="quiet text-sm">What is the first mould taken from?</span>
            <input class="input w-full" placeholder="oil clay sculpt, printed model, old part …" bind:value={form.original} />
        </label>
        <label class="grid gap-1"
            ><span class="quiet text-sm">Its surface</span>
            <select class="select w-full" bind:value={form.surface}>
                <option value="">not said</option>
                {#each Object.entries(words.surfaces) as [id, name] (id)}<option value={id}>{name}</option>{/each}
            </select>
        </label>
        <label class="grid gap-1"><span class="quiet text-sm">Mould of</span><MaterialPick {materials} bind:value={form.mould} /></label>
        <label class="grid gap-1"><span class="quiet text-sm">Casts of</span><MaterialPick {materials} bind:value={form.cast} /></label>
    </div>
    <div class="flex flex-wrap gap-2">
        <button class="btn btn-primary" disabled={form.processing}>Start the job</button>
        <button type="button" class="btn btn-ghost" onclick={onclose}>Leave it</button>
    </div>
</form>

<style>
    .say {
        color: var(--color-error);
        font-weight: 700;
        font-size: 0.85rem;
        min-height: 1.2em;
    }
</style>
