<script lang="ts">
    /** How this tablet knocks and speaks where it stands, and what a foot or a knuckle presses. */
    import { glossary } from '../lib/glossary.svelte';
    import { knock } from '../lib/sound';
    import ScaleHere from './ScaleHere.svelte';
    import { mayBePedal, say, tablet } from '../lib/tablet.svelte';
    import * as texts from './ThisTablet.texts';

    let dialog: HTMLDialogElement;
    let open = $state(false);
    let waiting = $state(false);
    let says = $state('');
    const voice = 'speechSynthesis' in window;
    const named = (key: string): string => (key === ' ' ? 'Space' : key.replace(/([a-z])([A-Z])/g, '$1 $2'));

    export function show(): void {
        open = true;
        dialog.showModal();
    }

    function learn(event: KeyboardEvent): void {
        if (!waiting) {
            return;
        }
        event.preventDefault();
        event.stopPropagation();
        if (event.key === 'Escape') {
            waiting = false;
            return;
        }
        if (!mayBePedal(event.key)) {
            says = `“${event.key}” is used for writing. Set the pedal to another key: Page Down, or one of the F keys.`;
            return;
        }
        [says, waiting] = ['', false];
        tablet.set({ pedal: event.key });
    }
</script>

<svelte:window onkeydowncapture={learn} />

<dialog class="modal" bind:this={dialog} aria-labelledby="this-tablet" onclose={() => ([open, waiting] = [false, false])}>
    <div class="modal-box bg-secondary">
        <h2 id="this-tablet" class="text-2xl">{texts.thisTablet}</h2>
        <p class="quiet">For where it stands; other tablets have their own.</p>
        {#if open}<div class="mt-4 grid gap-4">
                <label class="label-text"
                    >{texts.howLoudItKnocks}
                    <input
                        class="range w-full"
                        type="range"
                        min="0"
                        max="100"
                        step="5"
                        value={tablet.loud}
                        oninput={(event) => tablet.set({ loud: event.currentTarget.valueAsNumber })}
                        onchange={() => knock()}
                    /></label
                >
                <label class="flex min-h-11 items-center gap-3"
                    ><input
                        type="checkbox"
                        class="checkbox"
                        disabled={!voice}
                        checked={tablet.speaks}
                        onchange={(event) => {
                            tablet.set({ speaks: event.currentTarget.checked });
                            say('This is how it sounds.');
                        }}
                    />
                    {voice ? texts.sayAloudWhatAStepAsks : texts.thisBrowserHasNoVoice}</label
                >
                <label class="flex min-h-11 items-center gap-3"
                    ><input
                        type="checkbox"
                        class="checkbox"
                        checked={glossary.on}
                        onchange={(event) => tablet.set({ explains: event.currentTarget.checked })}
                    />
                    {texts.explainWordsOfTheCraftWhere}</label
                >
                <label class="flex min-h-11 items-center gap-3"
                    ><input
                        type="checkbox"
                        class="checkbox"
                        checked={tablet.letter}
                        onchange={(event) => tablet.set({ letter: event.currentTarget.checked })}
                    />
                    {texts.printOnLetterPaperNotOn}</label
                >
                <div>
                    <p>
                        {tablet.pedal === null
                            ? 'A pedal or a large key can confirm in place of Space.'
                            : `The pedal is ${named(tablet.pedal)}: it confirms.`}
                    </p>
                    <p class="mt-2 flex flex-wrap gap-2">
                        <button class="btn" onclick={() => ([says, waiting] = ['', true])}
                            >{waiting ? texts.pressThePedalNow : tablet.pedal === null ? texts.setAPedal : texts.setAnother}</button
                        >
                        {#if tablet.pedal !== null}<button class="btn btn-ghost" onclick={() => tablet.set({ pedal: null })}
                                >{texts.none}</button
                            >{/if}
                    </p>
                    <p class="mt-1 font-bold" role="status">{says}</p>
                </div>
                <ScaleHere />
            </div>{/if}
        <p class="mt-4 text-right"><button class="btn" onclick={() => dialog.close()}>{texts.close}</button></p>
    </div>
</dialog>
