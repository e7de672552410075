<script lang="ts">
    import * as texts from './PinPad.texts';
    /** Figures large enough for a knuckle in a glove, and a box for whoever has keys. */
    let { named, wrong, busy = false, give }: { named: string; wrong: string; busy?: boolean; give: (pin: string) => void } = $props();

    let pin = $state('');
    const least = 4;
    const most = 8;

    $effect(() => {
        // What was wrong is typed anew.
        if (wrong !== '') {
            pin = '';
        }
    });

    function done(event: SubmitEvent): void {
        event.preventDefault();
        if (pin.length >= least && !busy) {
            give(pin);
        }
    }
</script>

<form class="pad" onsubmit={done}>
    <label class="label-text"
        >{texts.pinOf}
        {named}
        <input
            class="input w-full text-center text-2xl tracking-[0.4em]"
            type="password"
            inputmode="numeric"
            autocomplete="off"
            maxlength={most}
            bind:value={pin}
            aria-invalid={wrong !== ''}
            aria-describedby="pin-wrong"
        /></label
    >
    <p id="pin-wrong" class="wrong" role="alert">{wrong}</p>
    <div class="figures">
        {#each ['1', '2', '3', '4', '5', '6', '7', '8', '9'] as figure (figure)}
            <button type="button" class="btn fig" disabled={pin.length >= most} onclick={() => (pin += figure)}>{figure}</button>
        {/each}
        <button type="button" class="btn" aria-label={texts.takeTheLastFigureBack} onclick={() => (pin = pin.slice(0, -1))}>⌫</button>
        <button type="button" class="btn fig" disabled={pin.length >= most} onclick={() => (pin += '0')}>0</button>
        <button class="btn btn-primary" disabled={pin.length < least || busy}>{texts.go}</button>
    </div>
</form>

<style>
    .pad {
        max-width: 20rem;
        margin-inline: auto;
    }
    .figures {
        display: grid;
        grid-template-columns: repeat(3, 1fr);
        gap: 0.5rem;
        margin-top: 0.5rem;
    }
    .figures .btn {
        min-height: 3.5rem;
        font-size: 1.35rem;
    }
    .wrong {
        min-height: 1.4em;
        color: var(--color-error);
        font-weight: 700;
    }
</style>
