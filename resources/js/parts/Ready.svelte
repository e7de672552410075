<script lang="ts">
    /** When it can be used, held against the day it is wanted by. */
    import { calendarDay, dayAndTime } from '../lib/when';

    type Props = {
        ready_ms: number | null;
        full: boolean;
        wanted_on: string | null;
        late_days: number;
        /** Nothing has met yet. */ planned?: boolean;
    };
    let { ready_ms, full, wanted_on, late_days, planned = false }: Props = $props();
</script>

{#if ready_ms !== null}
    <p class:late={late_days > 0} data-testid="ready">
        {planned ? 'Poured now, ready' : 'Ready'}
        <b>{dayAndTime(ready_ms)}</b>
        {full ? '(full cure)' : '(its sheet gives no full cure: ready for service)'}{#if wanted_on !== null}; wanted by {calendarDay(
                wanted_on,
                'long',
            )}{late_days > 0 ? `: ${late_days === 1 ? 'a day' : `${String(late_days)} days`} late` : ''}{/if}.
    </p>
{/if}

<style>
    .late {
        padding-left: 0.7rem;
        border-left: 4px solid var(--color-error);
        font-weight: 700;
    }
</style>
