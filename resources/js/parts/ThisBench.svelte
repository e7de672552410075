<script lang="ts">
    /** What seldom changes: the shop's name, the scale it weighs on, its working day. */
    import { bench } from '../lib/bench.svelte';
    import type { Wrong } from '../lib/api';
    import type { Entry } from '../lib/units';
    import { deviceZone, zones } from '../lib/when';
    import Choice from './Choice.svelte';
    import Measure from './Measure.svelte';
    import TextLine from './TextLine.svelte';
    import Refused from './Wrong.svelte';

    let dialog: HTMLDialogElement;
    let form = $state({ name: '', division: null as Entry, capacity: null as Entry, starts: '', ends: '', zone: '' });
    let wrong = $state<Wrong | null>(null);
    const fields = ['name', 'scale_division_g', 'scale_capacity_g', 'day_starts_min', 'day_ends_min', 'time_zone'];
    const at = (field: string): string | null => (wrong?.field === field ? wrong.message : null);

    const clock = (min: number): string => `${String(Math.floor(min / 60)).padStart(2, '0')}:${String(min % 60).padStart(2, '0')}`;
    const minutes = (time: string): Entry => {
        const [hours, rest] = time.split(':').map(Number);
        return hours === undefined || rest === undefined || Number.isNaN(hours + rest) ? null : hours * 60 + rest;
    };

    function open(): void {
        const shop = bench.frame?.workshop;
        if (shop !== undefined) {
            form = {
                name: shop.name,
                division: shop.scale_division_g,
                capacity: shop.scale_capacity_g,
                starts: clock(shop.day_starts_min),
                ends: clock(shop.day_ends_min),
                zone: shop.time_zone ?? deviceZone(),
            };
        }
        wrong = null;
        dialog.showModal();
    }

    async function keep(event: SubmitEvent): Promise<void> {
        event.preventDefault();
        wrong = await bench.change({
            name: form.name,
            scale_division_g: form.division,
            scale_capacity_g: form.capacity,
            day_starts_min: minutes(form.starts),
            day_ends_min: minutes(form.ends),
            time_zone: form.zone,
        });
        if (wrong === null) {
            dialog.close();
        }
    }
</script>

<button class="btn btn-ghost btn-sm" onclick={open}>This bench</button>

<dialog class="modal" bind:this={dialog} aria-labelledby="bench-title">
    <form class="modal-box bg-secondary grid gap-4" onsubmit={keep} novalidate>
        <h2 id="bench-title" class="text-2xl">This bench</h2>
        <TextLine label="The workshop is called" bind:value={form.name} maxlength={80} error={at('name')} />
        <fieldset class="grid grid-cols-2 gap-3">
            <legend class="quiet mb-1">The scale, as its own plate says. New sheets, series and formulas are weighed in its steps.</legend>
            <Measure label="It steps by" kind="mass" bind:value={form.division} error={at('scale_division_g')} />
            <Measure label="It carries" kind="mass" bind:value={form.capacity} error={at('scale_capacity_g')} />
        </fieldset>
        <fieldset class="grid grid-cols-2 gap-3">
            <legend class="quiet mb-1">The working day, as the strip shows it</legend>
            <TextLine label="It begins" type="time" fig bind:value={form.starts} error={at('day_starts_min')} />
            <TextLine label="It ends" type="time" fig bind:value={form.ends} error={at('day_ends_min')} />
            <p class="quiet text-sm col-span-2">One that ends before it begins runs past midnight.</p>
        </fieldset>
        <Choice label="Time zone" bind:value={form.zone} error={at('time_zone')}>
            {#each form.zone === '' ? [] : zones(form.zone) as name (name)}<option value={name}>{name.replaceAll('_', ' ')}</option>{/each}
        </Choice>
        <Refused says={wrong !== null && !fields.includes(wrong.field) ? wrong.message : null} />
        <div class="flex flex-wrap gap-2">
            <button class="btn btn-primary">Keep it</button>
            <button type="button" class="btn btn-ghost" onclick={() => dialog.close()}>Leave it</button>
        </div>
    </form>
</dialog>
