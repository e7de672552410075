<script lang="ts">
    /** A mould that was made elsewhere, or before there was a log. */
    import { router } from '@inertiajs/svelte';
    import { make } from '../../lib/api';
    import { Typing } from '../../lib/typing.svelte';
    import type { Entry } from '../../lib/units';
    import Choice from '../../parts/Choice.svelte';
    import Measure from '../../parts/Measure.svelte';
    import TextLine from '../../parts/TextLine.svelte';
    import Wrong from '../../parts/Wrong.svelte';
    import * as texts from './texts';

    let { bases, surfaces }: { bases: Record<string, string>; surfaces: Record<string, string> } = $props();
    const typed = new Typing<{ name: string; material: string; casting: string; casts: Entry; place: string }>('rack', {
        name: '',
        material: '',
        casting: '',
        casts: null,
        place: '',
    });
    const mould = typed.value;
    let wrong = $state<{ field: string; message: string } | null>(null);
    const at = (field: string): string | null => (wrong?.field === field ? wrong.message : null);

    async function put(): Promise<void> {
        const answer = await make<{ id: number }>('/rack', {
            name: mould.name,
            material: mould.material || null,
            casting: mould.casting || null,
            casts: mould.casts,
            place: mould.place || null,
        });
        wrong = answer.ok ? null : answer.wrong;
        if (answer.ok) {
            typed.clear();
            router.visit(`/rack/${String(answer.data.id)}`);
        }
    }
</script>

<form
    class="card-paper mt-3 grid gap-3"
    onsubmit={(event) => {
        event.preventDefault();
        void put();
    }}
    aria-label={texts.aMouldThatIsThereAlready}
>
    <div class="fields">
        <TextLine label={texts.called} bind:value={mould.name} error={at('name')} />
        <Choice label={texts.madeOf} bind:value={mould.material} error={at('material')}
            ><option value="">{texts.notSaid}</option>{#each Object.entries(bases) as [code, name] (code)}<option value={code}
                    >{name}</option
                >{/each}<optgroup label={texts.printedMachinedOrBought}>
                {#each Object.entries(surfaces) as [id, name] (id)}<option value={id}>{name}</option>{/each}
            </optgroup></Choice
        >
        <Choice label={texts.casts} bind:value={mould.casting} error={at('casting')}
            ><option value="">{texts.notSaid}</option>{#each Object.entries(bases) as [code, name] (code)}<option value={code}
                    >{name}</option
                >{/each}</Choice
        >
        <Measure label={texts.castsMadeInItSoFar} kind="plain" bind:value={mould.casts} error={at('casts')} />
        <TextLine label={texts.whereItLies} bind:value={mould.place} />
    </div>
    {#if wrong !== null && !['name', 'material', 'casting', 'casts'].includes(wrong.field)}<Wrong says={wrong.message} />{/if}
    <p><button class="btn btn-primary">{texts.putItOnTheRack}</button></p>
</form>

<style>
    .fields {
        display: grid;
        grid-template-columns: repeat(auto-fit, minmax(11rem, 1fr));
        gap: 0.75rem;
    }
</style>
