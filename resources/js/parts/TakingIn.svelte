<script lang="ts">
    /** A large file on its way in: how far it is, and stopping it. */
    import { router } from '@inertiajs/svelte';
    import { onMount } from 'svelte';
    import { ask } from '../lib/api';
    import type { ImportView } from '../types/server';
    import * as texts from './TakingIn.texts';

    let { id }: { id: number } = $props();
    let at = $state<ImportView | null>(null);
    const ends = $derived(at !== null && !['waiting', 'running'].includes(at.state));

    async function look(): Promise<void> {
        const answer = await ask<ImportView>('GET', `/exchange/imports/${String(id)}`);
        if (answer.ok) {
            at = answer.data;
            if (at.state === 'done') {
                router.reload();
            }
        }
    }

    async function stop(): Promise<void> {
        const answer = await ask<ImportView>('POST', `/exchange/imports/${String(id)}/stop`);
        at = answer.ok ? answer.data : at;
    }

    onMount(() => {
        void look();
        const again = setInterval(() => {
            if (!ends) {
                void look();
            }
        }, 700);
        return () => {
            clearInterval(again);
        };
    });
</script>

{#if at !== null}
    <div class="mt-2 flex flex-wrap items-center gap-3" role="status">
        <p class:text-error={at.state === 'refused'}>{at.says}</p>
        {#if at.undo !== null}<button class="btn min-h-11" onclick={() => at?.undo && router.post(at.undo)}>{texts.takeItOutAgain}</button
            >{/if}
        {#if !ends}
            <progress class="progress w-48" max={Math.max(1, at.total)} value={at.done} aria-label={texts.howMuchOfTheFileIs}></progress>
            <span class="fig">{at.done} of {at.total}</span>
            <button class="btn min-h-11" onclick={() => void stop()}>{texts.stop}</button>
        {/if}
    </div>
{/if}
