<script lang="ts">
    /** Asks for what a door wants before what was pressed goes on: a countersign, the passphrase once more, whose hands it is. */
    import { ask } from '../lib/api';
    import { comeIn } from '../lib/comein.svelte';
    import HandsPicker from './HandsPicker.svelte';
    import PeopleToTap, { type Tappable } from './PeopleToTap.svelte';
    import PinPad from './PinPad.svelte';
    import * as texts from './LetIn.texts';

    let dialog: HTMLDialogElement;
    let maker = $state<Tappable | null>(null);
    let passphrase = $state('');
    let wrong = $state('');
    let busy = $state(false);
    const asked = $derived(comeIn.asked);

    $effect(() => {
        if (asked !== null && !dialog.open) {
            [maker, passphrase, wrong] = [null, '', ''];
            dialog.showModal();
        } else if (asked === null && dialog.open) {
            dialog.close();
        }
    });

    async function give(url: string, body: unknown): Promise<void> {
        busy = true;
        const answer = await ask('POST', url, body);
        busy = false;
        wrong = answer.ok ? '' : answer.wrong.message;
        if (answer.ok) {
            comeIn.answer(true);
        }
    }
</script>

<dialog class="modal" bind:this={dialog} aria-labelledby="let-in" onclose={() => comeIn.answer(false)}>
    <div class="modal-box bg-secondary">
        {#if asked !== null}
            <h2 id="let-in" class="text-2xl">
                {asked.field === 'countersign' ? texts.countersign : asked.field === 'again' ? texts.onceMore : texts.whoseHands}
            </h2>
            <p class="my-2">{asked.message}</p>
            {#if asked.field === 'hands'}
                <HandsPicker taken={() => comeIn.answer(true)} />
            {:else if asked.field === 'again'}
                <form
                    onsubmit={(event) => {
                        event.preventDefault();
                        void give('/sign-in/again', { passphrase });
                    }}
                >
                    <label class="label-text"
                        >{texts.passphrase}
                        <input class="input w-full" type="password" autocomplete="current-password" bind:value={passphrase} /></label
                    >
                    <p class="font-bold text-error" role="alert">{wrong}</p>
                    <button class="btn btn-primary mt-2" disabled={busy || passphrase === ''}>{texts.goOn}</button>
                </form>
            {:else if maker === null}
                {#if asked.makers.length === 0}<p>Nobody who countersigns has a PIN yet. An owner gives one under People.</p>{/if}
                <PeopleToTap people={asked.makers} tap={(one) => (maker = one)} />
            {:else}
                <PinPad
                    named={maker.name}
                    {wrong}
                    {busy}
                    give={(pin) => void give('/countersign', { person: maker?.id, pin, door: asked.door })}
                />
            {/if}
            <p class="mt-4 text-right"><button class="btn" onclick={() => comeIn.answer(false)}>{texts.leaveIt}</button></p>
        {/if}
    </div>
</dialog>
