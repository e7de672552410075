<script lang="ts">
    import { onMount, untrack } from 'svelte';
    import { ask } from '../../lib/api';
    import { bench } from '../../lib/bench.svelte';
    import { CostAsked, hasPrice, type Material } from '../../lib/costing.svelte';
    import Measure from '../../parts/Measure.svelte';
    import TextLine from '../../parts/TextLine.svelte';
    import Wrong from '../../parts/Wrong.svelte';
    import type { CostView } from '../../types/server';
    import Another from './Another.svelte';
    import Numbers from './Numbers.svelte';
    import Result from './Result.svelte';
    import * as texts from './texts';

    let { cost }: { cost: CostView } = $props();

    const costing = untrack(() => new CostAsked(cost));
    const { typed, asking, asked, isPiece } = costing;
    const answer = $derived(asking.answer);
    const change = (): void => asking.changed();
    onMount(change);

    const money = (amount: string): string => bench.price(Number(amount));
    let saved = $state<string | null>(null);

    async function keepPrice(material: Material): Promise<void> {
        const kept = await ask('PUT', `/stores/${material.code}/kit`, { price: material.kit.price, mass_g: material.kit.mass_g });
        saved = kept.ok ? `${material.name} is kept with that price.` : kept.wrong.message;
    }
    async function keepRate(rate: string): Promise<void> {
        const kept = await ask('PUT', '/cost/rate', { hour_rate: rate });
        saved = kept.ok ? 'That is what an hour costs here from now on.' : kept.wrong.message;
    }

    const words: Record<string, string> = { job: 'What a piece costs', formula: 'What a kilogram costs', mould: 'What it cost to make' };
    const at = (field: string): string | null => (asking.trouble?.field === field ? asking.trouble.message : null);
    const index = <T,>(list: T[], one: T, priced: (entry: T) => boolean): number => list.filter(priced).indexOf(one);
</script>

<svelte:head><title>{words[cost.of]}: {cost.name} · Apalos</title></svelte:head>

<p class="quiet"><a class="link inline-flex min-h-11 items-center" href={cost.href}>{cost.name}</a></p>
<h1 class="text-3xl">{words[cost.of]}</h1>

<div class="cols">
    <form
        class="grid content-start gap-5"
        onsubmit={(event) => event.preventDefault()}
        oninput={change}
        aria-label={texts.whatGoesIntoThePrice}
    >
        {#if isPiece}
            <div class="three">
                <Measure
                    label={texts.piecesCast}
                    kind="plain"
                    bind:value={asked.casts}
                    error={at('casts')}
                    onchange={() => costing.scaled()}
                />
                {#if asked.done !== undefined}<Measure
                        label={texts.castAlready}
                        kind="plain"
                        bind:value={asked.done}
                        error={at('done')}
                        onchange={change}
                    />{/if}
                <Measure
                    label={texts.ofThemRejects}
                    kind="percent"
                    bind:value={asked.reject_pct}
                    error={at('reject_pct')}
                    onchange={change}
                />
                <TextLine label={texts.money} fig maxlength={3} bind:value={asked.currency} error={at('currency')} />
            </div>
        {/if}
        <section aria-label={texts.material}>
            <h2 class="text-2xl">{texts.material}</h2>
            {#each asked.materials as material, i (material.code)}
                {@const n = index(asked.materials, material, hasPrice.material)}
                <div class="line" class:open={material.kit.price === ''}>
                    <p>
                        <a class="link inline-block leading-7 font-bold" href="/stores/{material.code}">{material.name}</a>
                        <span class="quiet text-sm"
                            >{material.from === null
                                ? 'no price known yet'
                                : material.from === 'kit'
                                  ? 'at your price'
                                  : `as ${material.from} cost`}</span
                        >
                    </p>
                    <p class="text-right">
                        {#if costing.lineOf(material) !== undefined}<b class="fig">{money(costing.lineOf(material)?.cost ?? '0')}</b>{/if}
                    </p>
                    <div class="four">
                        <Measure
                            label={texts.used}
                            kind="mass"
                            bind:value={material.used_g}
                            error={at(`materials.${String(n)}.used_g`)}
                            onchange={change}
                        />
                        <Measure
                            label={texts.lost}
                            kind="percent"
                            bind:value={material.waste_pct}
                            error={at(`materials.${String(n)}.waste_pct`)}
                            onchange={change}
                        />
                        <TextLine
                            label={texts.aKitCosts}
                            fig
                            inputmode="decimal"
                            bind:value={material.kit.price}
                            error={at(`materials.${String(n)}.kit.price`)}
                        />
                        <Measure
                            label={texts.andWeighs}
                            kind="mass"
                            bind:value={material.kit.mass_g}
                            error={at(`materials.${String(n)}.kit.mass_g`)}
                            onchange={change}
                        />
                    </div>
                    {#if hasPrice.material(material) && (material.kit.price !== cost.asked.materials[i]?.kit.price || material.kit.mass_g !== cost.asked.materials[i]?.kit.mass_g)}
                        <button type="button" class="btn btn-sm justify-self-start" onclick={() => void keepPrice(material)}
                            >{texts.keepItAsOurPrice}</button
                        >
                    {/if}
                </div>
            {:else}<p class="quiet">
                    Nothing is known of what goes into it yet. Plan or pour it once: then what it took stands here.
                </p>{/each}
        </section>
        {#if asked.moulds.length > 0}
            <section aria-label={texts.moulds}>
                <h2 class="text-2xl">{texts.moulds}</h2>
                {#each asked.moulds as mould (mould.name)}
                    {@const n = index(asked.moulds, mould, hasPrice.mould)}
                    <div class="line" class:open={mould.cost === ''}>
                        <p class="font-bold">
                            {#if mould.id === null}{mould.name}{:else}<a
                                    class="link inline-flex min-h-11 items-center"
                                    href="/rack/{mould.id}">{mould.name}</a
                                >{/if}
                        </p>
                        <span></span>
                        <div class="four">
                            <TextLine
                                label={texts.itCost}
                                fig
                                inputmode="decimal"
                                bind:value={mould.cost}
                                error={at(`moulds.${String(n)}.cost`)}
                            />
                            <Measure
                                label={texts.andGivesPieces}
                                kind="plain"
                                bind:value={mould.life_casts}
                                error={at(`moulds.${String(n)}.life_casts`)}
                                onchange={change}
                            />
                        </div>
                    </div>
                {/each}
            </section>
        {/if}
        <section aria-label={texts.handsAndOtherThings}>
            <h2 class="text-2xl">{texts.handsAndOtherThingsHeading}</h2>
            {#each asked.labour as work, i (i)}
                {@const n = index(asked.labour, work, hasPrice.labour)}
                <div class="line">
                    <div class="four">
                        <TextLine label={texts.work} bind:value={work.what} />
                        <Measure
                            label={texts.takes}
                            kind="minutes"
                            bind:value={work.min}
                            error={at(`labour.${String(n)}.min`)}
                            onchange={change}
                        />
                        <TextLine
                            label={texts.anHourCosts}
                            fig
                            inputmode="decimal"
                            bind:value={work.hour_rate}
                            error={at(`labour.${String(n)}.hour_rate`)}
                        />
                        {#if work.hour_rate !== '' && work.hour_rate !== cost.asked.labour[i]?.hour_rate}<p class="self-end">
                                <button type="button" class="btn btn-sm" onclick={() => void keepRate(work.hour_rate)}
                                    >{texts.keepThatRate}</button
                                >
                            </p>{/if}
                    </div>
                </div>
            {/each}
            {#each asked.other as other, i (i)}
                {@const n = index(asked.other, other, hasPrice.other)}
                <div class="line">
                    <div class="four">
                        <TextLine label={texts.what} bind:value={other.name} error={at(`other.${String(n)}.name`)} />
                        <TextLine
                            label={texts.costs}
                            fig
                            inputmode="decimal"
                            bind:value={other.price}
                            error={at(`other.${String(n)}.price`)}
                        />
                        <p class="self-end">
                            <button
                                type="button"
                                class="btn btn-ghost btn-sm"
                                onclick={() => {
                                    asked.other.splice(i, 1);
                                    change();
                                }}>{texts.leaveItOut}</button
                            >
                        </p>
                    </div>
                </div>
            {/each}
            <p class="flex flex-wrap gap-2">
                <button type="button" class="btn btn-sm" onclick={() => asked.other.push({ name: 'packing', price: '' })}
                    >{texts.somethingOther}</button
                >
                <button
                    type="button"
                    class="btn btn-sm"
                    onclick={() => asked.labour.push({ what: 'finishing', min: 20, hour_rate: cost.asked.labour[0]?.hour_rate ?? '' })}
                    >{texts.moreWork}</button
                >
                {#if typed.again}<button type="button" class="btn btn-ghost btn-sm" onclick={() => costing.cleared()}
                        >{texts.asLogAndStoresHaveIt}</button
                    >{/if}
            </p>
        </section>
        {#if saved !== null}<p role="status">{saved}</p>{/if}
    </form>

    <section class="result" aria-label={texts.whatItComesTo} aria-busy={!asking.fresh} class:stale={!asking.fresh}>
        <Wrong says={asking.trouble?.message} />
        {#if answer !== null}
            <Result {cost} {answer} {asked} unpriced={costing.unpriced} {money} />
            {#if isPiece && answer.numbers !== undefined}<Numbers
                    bind:numbers={asked.numbers}
                    found={answer.numbers}
                    {money}
                    error={at('numbers')}
                    onchange={change}
                />{/if}
        {:else if asking.trouble === null}<p class="quiet">Write the prices that are missing, and it is counted.</p>{/if}
        {#if isPiece}
            <Another {asked} others={cost.others} even={answer?.break_even ?? null} {money} {at} onchange={change} />
        {/if}
    </section>
</div>

<style>
    .cols {
        display: grid;
        grid-template-columns: minmax(0, 1.5fr) minmax(0, 1fr);
        gap: 2.5rem;
        margin-top: 0.75rem;
    }
    .three {
        display: grid;
        grid-template-columns: repeat(auto-fit, minmax(9rem, 1fr));
        gap: 0.6rem;
    }
    .line {
        display: grid;
        grid-template-columns: 1fr auto;
        gap: 0.3rem 1rem;
        padding: 0.6rem 0;
        border-top: 1.5px solid var(--color-base-300);
    }
    .four {
        grid-column: 1 / -1;
        display: grid;
        grid-template-columns: repeat(auto-fit, minmax(8.5rem, 1fr));
        gap: 0.6rem;
    }
    .open {
        border-left: 4px solid var(--color-warning);
        padding-left: 0.8rem;
    }
    .stale {
        opacity: 0.5;
    }
    @media (max-width: 900px) {
        .cols {
            grid-template-columns: minmax(0, 1fr);
        }
        .result {
            order: -1;
        }
    }
</style>
