<script lang="ts">
    /** Whose hands? One tap, and a PIN where it was not given here lately. */
    import { onMount } from 'svelte';
    import { ask } from '../lib/api';
    import { bench } from '../lib/bench.svelte';
    import PeopleToTap, { type Tappable } from './PeopleToTap.svelte';
    import PinPad from './PinPad.svelte';
    import * as texts from './HandsPicker.texts';

    type One = { id: string; name: string; role: string; colour: string; locked: boolean; known: boolean };

    let { taken }: { taken: () => void } = $props();

    let people = $state<One[]>([]);
    let one = $state<One | null>(null);
    let wrong = $state('');
    let busy = $state(false);

    onMount(async () => {
        const answer = await ask<{ people: One[] }>('GET', '/hands');
        people = answer.ok ? answer.data.people : [];
        wrong = answer.ok ? '' : answer.wrong.message;
    });

    async function take(person: One, pin?: string): Promise<void> {
        busy = true;
        const answer = await ask('POST', '/hands', pin === undefined ? { person: person.id } : { person: person.id, pin });
        busy = false;
        if (answer.ok) {
            await bench.refresh();
            taken();
            return;
        }
        wrong = answer.wrong.message;
    }

    function tap(mark: Tappable): void {
        const person = people.find((each) => each.id === mark.id);
        if (person === undefined) {
            return;
        }
        [one, wrong] = [person, ''];
        if (person.known) {
            void take(person);
        }
    }
</script>

{#if one === null}
    <PeopleToTap
        people={people.map((each) => ({ id: each.id, name: each.name, colour: each.colour, note: each.locked ? 'locked' : each.role }))}
        {tap}
    />
    <p role="alert" class="font-bold text-error">{wrong}</p>
    {#if bench.frame?.made_up === true}<p class="mt-2">In this made-up shop everybody’s PIN is <b class="fig">2580</b>.</p>{/if}
{:else}
    <PinPad named={one.name} {wrong} {busy} give={(pin) => one !== null && void take(one, pin)} />
    <button class="btn btn-ghost mt-2" onclick={() => (one = null)}>{texts.somebodyElse}</button>
{/if}
