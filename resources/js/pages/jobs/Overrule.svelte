<script lang="ts">
    /** The last resort: somebody knows better. What is certain has to be typed out first. */
    import { untrack } from 'svelte';
    import type { Contact } from '../../lib/contacts';
    import { refused } from '../../lib/refused';
    import TextLine from '../../parts/TextLine.svelte';
    import * as texts from './texts';

    let { contact, onoverrule }: { contact: Contact; onoverrule: (reason: string | null, words: string) => void } = $props();

    let reason = $state(untrack(() => contact.overruled ?? contact.lapsed ?? ''));
    let words = $state('');
    // Once opened it stays open, also when what was handed in is refused.
    let open = $state(untrack(() => contact.overruled !== null));
</script>

{#if contact.lapsed !== null}
    <p class="mt-3 text-sm" role="status">
        It was overruled once (“{contact.lapsed}”), for something else than stands here now. That no longer holds.
    </p>
{/if}
{#if contact.certain}
    <p class="mt-3"><b>That is certain:</b> no test and no reason talks it round. Take a way out, or cast it otherwise.</p>
{:else if contact.blocks || contact.overruled !== null}
    <details class="mt-3" bind:open>
        <summary class="link cursor-pointer quiet"
            >{contact.overruled === null
                ? texts.youKnowBetterAllTheSame
                : texts.overruled(contact.overruled_by === null ? '' : texts.by(contact.overruled_by))}</summary
        >
        <form
            class="mt-2 grid gap-2"
            onsubmit={(event) => {
                event.preventDefault();
                onoverrule(reason, words);
            }}
        >
            <TextLine
                label={texts.yourReasonItIsKeptAsked}
                placeholder={texts.whyItIsSafeAllThe}
                bind:value={reason}
                error={refused('contact.overruled')}
            />
            {#if contact.words !== null && contact.overruled === null}
                <TextLine label={texts.thisIsCertainTypeItOut(contact.words)} bind:value={words} error={refused('contact.words')} />
            {/if}
            <div class="flex gap-2">
                <button class="btn">{texts.overruleIt}</button>
                {#if contact.overruled !== null}<button
                        type="button"
                        class="btn btn-ghost"
                        onclick={() => {
                            reason = '';
                            onoverrule(null, '');
                        }}>{texts.takeThatBack}</button
                    >{/if}
            </div>
        </form>
    </details>
{/if}
