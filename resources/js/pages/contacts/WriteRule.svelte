<script lang="ts">
    /** A contact rule of one's own: written in words, and what it would change on the board shown before it is kept. */
    import { router } from '@inertiajs/svelte';
    import { ask, type Wrong } from '../../lib/api';
    import { Typing } from '../../lib/typing.svelte';
    import Choice from '../../parts/Choice.svelte';
    import TextLine from '../../parts/TextLine.svelte';
    import Refused from '../../parts/Wrong.svelte';
    import type { ContactBoardView } from '../../types/server';
    import Several from '../stores/Several.svelte';
    import * as texts from './texts';

    type Change = { fresh: string; surface: string; was: string; becomes: string; in_short: string };
    let { board, onchanges, onclose }: { board: ContactBoardView; onchanges: (changes: Change[]) => void; onclose: () => void } = $props();

    const typing = new Typing('contacts/rule', {
        id: '',
        kind: 'inhibition',
        fresh: [] as string[],
        surface: [] as string[],
        gives: '',
        when: '',
        sure: 'usual',
        text: '',
    });
    const rule = typing.value;
    let wrong = $state<Wrong | null>(null);
    let changes = $state<Change[] | null>(null);

    const gives: Record<string, [string, string][]> = {
        adhesion: [
            ['lets-go', 'it lets go'],
            ['grips', 'it grips'],
            ['fuses', 'it fuses'],
        ],
        inhibition: [
            ['none', 'it cures'],
            ['may-slow', 'it may be slowed: test'],
            ['stops', 'it does not cure'],
        ],
        forbid: [['never', 'never']],
    };
    const whens: [string, string, Record<string, unknown> | null][] = [
        ['', 'always', null],
        ['sealed', 'where it is sealed', { sealed: true }],
        ['bare', 'where it is not sealed', { sealed: false }],
        ['damp', 'where it is damp', { damp: true }],
        ['young', 'less than a day after it cured', { hours_below: 24 }],
        ['wet', 'less than 15 min after solvent', { solvent_below: 15 }],
    ];
    // Fresh and cured go by the same ids: each list has names of its own.
    const fresh = $derived(Object.fromEntries(board.fresh.map((entry) => [entry.id, entry.name])));
    const surfaces = $derived(Object.fromEntries(board.surfaces.map((entry) => [entry.id, entry.name])));
    const at = (field: string): string | null => (wrong?.field.split('.')[0] === field ? wrong.message : null);
    const placed = ['id', 'fresh', 'surface', 'gives', 'text'];

    function said(): Record<string, unknown> {
        const { when, ...rest } = $state.snapshot(rule);
        const state = whens.find(([id]) => id === when)?.[2] ?? null;
        return {
            ...rest,
            id: rest.id
                .trim()
                .toLowerCase()
                .replaceAll(/[^a-z0-9]+/g, '-'),
            gives: rest.gives || null,
            ...(state === null ? {} : { when: state }),
        };
    }

    async function look(): Promise<void> {
        const answer = await ask<{ changes: Change[] }>('POST', '/contacts/rules/try', said());
        wrong = answer.ok ? null : answer.wrong;
        changes = answer.ok ? answer.data.changes : null;
        onchanges(changes ?? []);
    }

    async function keep(): Promise<void> {
        const answer = await ask<{ kept: string }>('POST', '/contacts/rules', said());
        wrong = answer.ok ? null : answer.wrong;
        if (answer.ok) {
            typing.clear();
            onchanges([]);
            onclose();
            router.reload();
        }
    }
</script>

<form
    class="card-paper mt-3 grid gap-3"
    aria-label={texts.aRuleOfYourOwn}
    onsubmit={(event) => {
        event.preventDefault();
        void look();
    }}
>
    <div class="grid gap-3 md:grid-cols-2">
        <TextLine label={texts.itsName} placeholder={texts.greyPrimer} bind:value={rule.id} error={at('id')} />
        <Choice label={texts.itIsAbout} bind:value={rule.kind} onchange={() => (rule.gives = '')}
            ><option value="inhibition">{texts.whetherItCures}</option><option value="adhesion">{texts.howItParts}</option><option
                value="forbid">{texts.whatMustNeverBe}</option
            ></Choice
        >
        <Several label={texts.fresh} bind:value={rule.fresh} all={board.fresh.map((f) => f.id)} named={fresh} error={at('fresh')} />
        <Several
            label={texts.onHeading}
            bind:value={rule.surface}
            all={board.surfaces.map((s) => s.id)}
            named={surfaces}
            error={at('surface')}
        />
        <Choice label={texts.whatHappens} bind:value={rule.gives} error={at('gives')}>
            <option value="">{texts.choose}</option>
            {#each gives[rule.kind] ?? [] as [id, words] (id)}<option value={id}>{words}</option>{/each}
        </Choice>
        <Choice label={texts.when} bind:value={rule.when}>
            {#each whens as [id, words] (id)}<option value={id}>{words}</option>{/each}
        </Choice>
        <Choice label={texts.howSureAreYou} bind:value={rule.sure}
            ><option value="usual">{texts.itIsUsuallySo}</option><option value="certain">{texts.itIsCertain}</option><option
                value="disputed">{texts.schoolsDiffer}</option
            ></Choice
        >
        <TextLine label={texts.whyAsYouWouldSayIt} bind:value={rule.text} error={at('text')} />
    </div>
    <Refused says={wrong !== null && !placed.includes(wrong.field.split('.')[0] ?? '') ? wrong.message : null} />
    {#if changes !== null}
        <div role="status">
            {#if changes.length === 0}<p>
                    On the board, as things usually are, it changes no verdict. It still speaks where its condition holds.
                </p>{:else}
                <p class="font-bold">It changes {changes.length === 1 ? 'one cell' : `${String(changes.length)} cells`} of the board:</p>
                <ul>
                    {#each changes.slice(0, 12) as change (change.fresh + change.surface)}<li>
                            {fresh[change.fresh]} on {surfaces[change.surface]}: {change.was.replaceAll('-', ' ')} becomes
                            <b>{change.becomes.replaceAll('-', ' ')}</b>, {change.in_short}
                        </li>{/each}
                </ul>
                {#if changes.length > 12}<p>and {changes.length - 12} more.</p>{/if}
            {/if}
        </div>
    {/if}
    <p class="flex flex-wrap gap-2">
        <button class="btn" class:btn-primary={changes === null}>{texts.whatWouldItChange}</button>
        <button type="button" class="btn" class:btn-primary={changes !== null} disabled={changes === null} onclick={() => void keep()}
            >{texts.keepTheRule}</button
        >
        <button
            type="button"
            class="btn btn-ghost"
            onclick={() => {
                onchanges([]);
                typing.clear();
                onclose();
            }}>{texts.leaveIt}</button
        >
    </p>
</form>
