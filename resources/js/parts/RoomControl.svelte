<script lang="ts">
    import { bench } from '../lib/bench.svelte';
    import { measure } from '../lib/units';
    import Measure from './Measure.svelte';
    import * as texts from './RoomControl.texts';

    let dialog: HTMLDialogElement;
    let room = $state<number | string | null>(null);
    let wrong = $state<string | null>(null);

    function open(): void {
        room = bench.frame?.workshop.room_c ?? null;
        wrong = null;
        dialog.showModal();
    }

    async function set(event: SubmitEvent): Promise<void> {
        event.preventDefault();
        wrong = (await bench.change({ room_c: room }))?.message ?? null;
        if (wrong === null) {
            dialog.close();
        }
    }

    async function measured(): Promise<void> {
        wrong = (await bench.change({ room_source: 'thermometer' }))?.message ?? null;
        if (wrong === null) {
            dialog.close();
        }
    }
</script>

<button
    class="btn btn-ghost btn-sm fig text-base font-bold"
    onclick={open}
    aria-label={texts.roomTemperatureChange(measure(bench.frame?.workshop.room_c, 'temperature', bench.units))}
>
    {measure(bench.frame?.workshop.room_c, 'temperature', bench.units, 1)}
    <span class="quiet text-sm font-normal">{bench.frame?.workshop.room_source === 'thermometer' ? texts.measured : texts.byHand}</span>
</button>

<dialog class="modal" bind:this={dialog} aria-labelledby="room-title">
    <form class="modal-box bg-secondary" onsubmit={set}>
        <h2 id="room-title" class="text-2xl">{texts.howWarmIsTheRoom}</h2>
        <p class="quiet mt-2">Everything timed follows it: what pours now is counted with the warmth it really had.</p>
        <div class="mt-4"><Measure label={texts.room} kind="temperature" bind:value={room} error={wrong} /></div>
        <div class="mt-5 flex flex-wrap gap-2">
            <button class="btn btn-primary">{texts.setIt}</button>
            {#if bench.frame?.thermometer}<button type="button" class="btn" onclick={measured}>{texts.letTheThermometerSay}</button>{/if}
            <button type="button" class="btn btn-ghost" onclick={() => dialog.close()}>{texts.leaveIt}</button>
        </div>
    </form>
</dialog>
