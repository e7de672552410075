<script lang="ts">
    /** What is asked: the piece, how many of what by when, and what there is to make it with. */
    import Choice from '../../parts/Choice.svelte';
    import Measure from '../../parts/Measure.svelte';
    import TextLine from '../../parts/TextLine.svelte';
    import type { PlanItView } from '../../types/server';
    import type { Question } from './question';
    import * as texts from './texts';

    type Props = { plan: PlanItView; said: Question; at: (field: string) => string | null; onchange: () => void };
    let { plan, said, at, onchange }: Props = $props();
    const words = {
        undercuts: { none: 'none', slight: 'a few', deep: 'deep' },
        detail: { plain: 'plain', fine: 'fine', hair: 'to the pore' },
    } as const;
    const flags = [
        ['flat_back', 'It has a flat back'],
        ['hollow', 'It is hollow'],
        ['skin', 'It is worn on skin'],
    ] as const;
    const gear = [
        ['vacuum', 'vacuum chamber'],
        ['pot', 'pressure pot'],
        ['printer', 'printer'],
    ] as const;
    const moulds = $derived(plan.bases.filter((base) => base.mould));
    // On a narrow screen the ways come first.
    const wide = window.innerWidth > 900;
    function toggle(code: string): void {
        const all = plan.bases.map((base) => base.code);
        const now = said.shelf ?? all;
        const next = now.includes(code) ? now.filter((one) => one !== code) : [...now, code];
        said.shelf = next.length === all.length ? null : next;
        onchange();
    }
</script>

<form
    class="grid content-start gap-3"
    oninput={onchange}
    onsubmit={(event) => event.preventDefault()}
    aria-label={texts.thePiece}
    novalidate
>
    <div class="two">
        <Measure label={texts.howMany} kind="plain" bind:value={said.count} error={at('casts.count')} {onchange} />
        <TextLine label={texts.wantedBy} fig type="date" bind:value={said.ready_on} error={at('casts.ready_on')} {onchange} />
    </div>
    <Choice label={texts.castIn} bind:value={said.cast} error={at('casts.family')} {onchange}>
        <optgroup label={texts.ofTheShelf}
            >{#each plan.bases as base (base.code)}<option value={base.code}>{base.name}</option>{/each}</optgroup
        >
        <optgroup label={texts.anyOfAFamily}
            >{#each Object.entries(plan.families) as [id, name] (id)}<option value="family:{id}">{name}</option>{/each}</optgroup
        >
    </Choice>
    <details open={wide} class="grid gap-3">
        <summary class="cursor-pointer py-2 font-bold">{texts.thePieceAndWhatThereIs}</summary>
        <div class="mt-2 grid gap-3">
            <div class="three">
                <Measure label={texts.length} kind="length" bind:value={said.l} error={at('piece.size_mm.l')} {onchange} />
                <Measure label={texts.width} kind="length" bind:value={said.w} error={at('piece.size_mm.w')} {onchange} />
                <Measure label={texts.height} kind="length" bind:value={said.h} error={at('piece.size_mm.h')} {onchange} />
                <Measure label={texts.itTakes} kind="volume" bind:value={said.volume_ml} error={at('piece.volume_ml')} {onchange} />
                <Measure label={texts.thinnest} kind="length" bind:value={said.thinnest_mm} error={at('piece.thinnest_mm')} {onchange} />
                <Measure label={texts.stretch} kind="percent" bind:value={said.stretch_pct} error={at('piece.stretch_pct')} {onchange} />
            </div>
            {#if plan.studied !== null}<p class="quiet text-sm">
                    As <a class="link" href="/study/{plan.studied.model}">{plan.studied.name}</a> was studied.
                </p>{/if}
            {#each Object.entries(words) as [key, choices] (key)}
                <fieldset>
                    <legend class="quiet text-sm">{{ undercuts: 'Undercuts', detail: 'Detail' }[key]}</legend>
                    <div class="flex flex-wrap gap-1">
                        {#each Object.entries(choices) as [id, word] (id)}
                            <label class="chip" class:on={said[key as keyof typeof words] === id}
                                ><input
                                    type="radio"
                                    class="sr-only"
                                    name={key}
                                    value={id}
                                    checked={said[key as keyof typeof words] === id}
                                    onchange={() => {
                                        Object.assign(said, { [key]: id });
                                        onchange();
                                    }}
                                />{word}</label
                            >
                        {/each}
                    </div>
                </fieldset>
            {/each}
            <div class="flex flex-wrap gap-x-5 gap-y-2">
                {#each flags as [key, label] (key)}
                    <label class="flex min-h-11 items-center gap-2"
                        ><input type="checkbox" class="checkbox" bind:checked={said[key]} {onchange} />{label}</label
                    >
                {/each}
                <label class="flex min-h-11 items-center gap-2"
                    ><input
                        type="checkbox"
                        class="checkbox"
                        bind:checked={said.may_be_lost}
                        {onchange}
                    />{texts.theOriginalMayBeLost}</label
                >
            </div>
            <Measure label={texts.boughtInItWouldCostA} kind="plain" bind:value={said.buy_in} error={at('buy_in')} {onchange} />
            <Choice label={texts.theOriginalIsOf} bind:value={said.surface} {onchange}
                >{#each Object.entries(plan.surfaces) as [id, name] (id)}<option value={id}>{name}</option>{/each}</Choice
            >
            <fieldset>
                <legend class="quiet text-sm">{texts.thereIsA}</legend>
                <div class="flex flex-wrap gap-x-5 gap-y-2">
                    {#each gear as [key, label] (key)}
                        <label class="flex min-h-11 items-center gap-2"
                            ><input type="checkbox" class="checkbox" bind:checked={said[key]} {onchange} />{label}</label
                        >
                    {/each}
                </div>
            </fieldset>
            <fieldset>
                <legend class="quiet text-sm">{texts.mouldsMayBeMadeOf}</legend>
                <div class="flex flex-wrap gap-1">
                    {#each moulds as base (base.code)}
                        {@const on = said.shelf?.includes(base.code) ?? true}
                        <button type="button" class="chip" class:on aria-pressed={on} onclick={() => toggle(base.code)}>{base.code}</button>
                    {/each}
                </div>
            </fieldset>
        </div>
    </details>
</form>

<style>
    .two {
        display: grid;
        grid-template-columns: 0.7fr 1fr;
        gap: 0.6rem;
    }
    .three {
        display: grid;
        grid-template-columns: repeat(3, minmax(0, 1fr));
        gap: 0.6rem;
        align-items: end;
    }
</style>
