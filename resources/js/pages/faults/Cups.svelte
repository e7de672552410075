<script lang="ts">
    /** The cups by the number on them, in an order of chance: who grades one need not know what was done to it. */
    import type { Outbox } from '../../lib/outbox.svelte';
    import Choice from '../../parts/Choice.svelte';
    import type { TrialView } from '../../types/server';
    import * as texts from './texts';

    type Props = { trial: TrialView; outbox: Outbox<TrialView>; shown: boolean };
    let { trial, outbox, shown }: Props = $props();
    type Cup = TrialView['labels'][number];
    /** What was said on this screen and is on its way. */
    let said: Record<number, string> = $state({});
    const now = (cup: Cup): string => said[cup.label] ?? (trial.counted === null ? (cup.grade ?? '') : cup.n === null ? '' : String(cup.n));
    const called = (cup: Cup): string => `Cup ${String(cup.label)}${shown ? `, ${trial.variants[cup.variant]?.name ?? ''}` : ''}`;
    let told = 0;

    function tell(cup: Cup, value: string): void {
        if (value === '' || value === now(cup)) {
            return;
        }
        said[cup.label] = value;
        told += 1;
        const of = { variant: cup.variant, cup: cup.cup };
        void outbox.add(
            `${String(cup.label)}/${value}/${Date.now().toString(36)}${String(told)}`,
            trial.counted === null ? 'graded' : 'counted',
            trial.counted === null ? { ...of, grade: value } : { ...of, n: Number(value) },
        );
    }
    // What another screen told shows here as soon as nothing of this one is under way.
    $effect(() => {
        void trial;
        if (outbox.idle) {
            said = {};
        }
    });
</script>

<div class="cups">
    {#each trial.labels as cup (cup.label)}
        {#if trial.ended}
            <p><span class="quiet">{called(cup)}</span><br /><b>{now(cup) === '' ? 'not seen' : now(cup)}</b></p>
        {:else if trial.counted === null}
            <Choice label={called(cup)} value={now(cup)} onchange={(chosen) => tell(cup, chosen)}>
                <option value="">{texts.notGraded}</option>
                {#each trial.grades as word (word)}<option>{word}</option>{/each}
            </Choice>
        {:else}
            <label class="entry"
                ><span>{called(cup)}: {trial.counted}</span><input
                    class="input fig w-full"
                    inputmode="numeric"
                    value={now(cup)}
                    onchange={(event) => tell(cup, event.currentTarget.value.trim())}
                /></label
            >
        {/if}
    {/each}
</div>

<style>
    .cups {
        display: grid;
        grid-template-columns: repeat(auto-fill, minmax(9.5rem, 1fr));
        gap: 0.8rem 1rem;
        align-items: end;
    }
</style>
