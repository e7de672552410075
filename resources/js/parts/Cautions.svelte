<script lang="ts">
    import * as texts from './Cautions.texts';
    /** `brief` is for one step of several: that the sheet comes first was said at the beginning. */
    type Props = { cautions: { title: string; text: string }[]; gear?: string[]; brief?: boolean };
    let { cautions, gear = [], brief = false }: Props = $props();
</script>

<div class="grid gap-3">
    {#if gear.length > 0}
        <ul class="gear" aria-label={texts.wearAndHaveReady}>
            {#each gear as piece (piece)}<li>{piece}</li>{/each}
        </ul>
    {/if}
    <dl class="cautions" class:brief>
        {#each cautions as caution (caution.title)}
            <dt>{caution.title}</dt>
            <dd>{caution.text}</dd>
        {/each}
    </dl>
    {#if !brief}<p class="quiet text-sm">The supplier’s safety sheet and your local rules come before anything said here.</p>{/if}
</div>

<style>
    .gear {
        display: flex;
        flex-wrap: wrap;
        gap: 0.5rem;
    }
    .gear li {
        background: var(--color-primary);
        color: var(--color-primary-content);
        border-radius: 999px;
        padding: 0.3rem 0.9rem;
        font-weight: 700;
    }
    .cautions {
        display: grid;
        gap: 0.15rem 1rem;
    }
    .brief {
        border-left: 4px solid var(--color-warning);
        padding-left: 1rem;
        font-size: 1.1rem;
    }
    dt {
        font-weight: 700;
    }
    dd {
        margin-bottom: 0.45rem;
        max-width: 65ch;
    }
</style>
