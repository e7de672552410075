<script module lang="ts">
    export type MishapKind = { what: string; by: number | null; unit: string; line: boolean; at: boolean; is: boolean };
</script>

<script lang="ts">
    /** Something to practise that a maker writes. */
    import { router } from '@inertiajs/svelte';
    import { refused } from '../../lib/refused';
    import Wrong from '../../parts/Wrong.svelte';
    import { ground, mishap } from './words';
    import * as texts from './texts';

    let {
        open = $bindable(),
        bases,
        mishaps,
        grounds,
    }: { open: boolean; bases: { code: string; name: string }[]; mishaps: MishapKind[]; grounds: string[] } = $props();
    let dialog: HTMLDialogElement;
    let name = $state('');
    let about = $state('');
    let base = $state('');
    let ml = $state(150);
    let cup = $state(750);
    let degas = $state(false);
    let room = $state(21);
    let chosen = $state<Record<string, { by: number | null; line: number; at: string; is: string }>>({});

    $effect(() => {
        if (open && !dialog.open) {
            base ||= bases[0]?.code ?? '';
            dialog.showModal();
        }
    });

    function toggle(kind: MishapKind): void {
        if (chosen[kind.what] === undefined) {
            chosen[kind.what] = { by: kind.by, line: 2, at: 'mix', is: grounds[0] ?? 'sulphur' };
        } else {
            chosen = Object.fromEntries(Object.entries(chosen).filter(([what]) => what !== kind.what));
        }
    }

    function keep(event: SubmitEvent): void {
        event.preventDefault();
        const wrong = mishaps
            .filter((kind) => chosen[kind.what] !== undefined)
            .map((kind) => {
                const one = chosen[kind.what];
                return {
                    what: kind.what,
                    ...(kind.by === null ? {} : { by: one?.by ?? kind.by }),
                    ...(kind.line ? { line: one?.line ?? 2 } : {}),
                    ...(kind.at ? { at: one?.at ?? 'mix' } : {}),
                    ...(kind.is ? { is: one?.is ?? 'sulphur' } : {}),
                };
            });
        router.post(
            '/practice/scenarios',
            {
                name,
                ...(about.trim() === '' ? {} : { about }),
                make: { base, volume_ml: ml, cup_ml: cup, degas },
                room_c: room,
                goes_wrong: wrong,
            },
            { onSuccess: () => dialog.close(), preserveScroll: true },
        );
    }
</script>

<dialog class="modal" bind:this={dialog} aria-labelledby="own-title" onclose={() => (open = false)}>
    <div class="modal-box max-w-3xl bg-secondary">
        <h2 id="own-title" class="text-2xl">{texts.somethingToPractise}</h2>
        {#if open}<form class="mt-3 grid gap-3" onsubmit={keep}>
                <label class="label-text">{texts.nameWord}<input class="input w-full" bind:value={name} maxlength="80" required /></label>
                <label class="label-text"
                    >{texts.whatItIsAbout}<textarea class="textarea w-full" bind:value={about} maxlength="600"></textarea></label
                >
                <div class="grid gap-3 sm:grid-cols-2">
                    <label class="label-text"
                        >{texts.base}<select class="select w-full" bind:value={base}
                            >{#each bases as one (one.code)}<option value={one.code}>{one.name}</option>{/each}</select
                        ></label
                    >
                    <label class="label-text"
                        >{texts.howMuchMl}<input
                            class="input w-full"
                            type="number"
                            min="1"
                            max="100000"
                            step="any"
                            bind:value={ml}
                        /></label
                    >
                    <label class="label-text"
                        >{texts.theCupTakesMl}<input class="input w-full" type="number" min="1" step="any" bind:value={cup} /></label
                    >
                    <label class="label-text"
                        >{texts.theRoomC}<input class="input w-full" type="number" min="-10" max="45" step="0.5" bind:value={room} /></label
                    >
                </div>
                <label class="flex min-h-11 items-center gap-3"
                    ><input class="checkbox" type="checkbox" bind:checked={degas} /> {texts.itIsDeAired}</label
                >
                <fieldset>
                    <legend class="font-bold">{texts.whatGoesWrong}</legend>
                    {#each mishaps as kind (kind.what)}
                        {@const one = chosen[kind.what]}
                        <div class="flex min-h-11 flex-wrap items-center gap-3">
                            <label class="flex min-h-11 items-center gap-3"
                                ><input class="checkbox" type="checkbox" checked={one !== undefined} onchange={() => toggle(kind)} />
                                {mishap[kind.what]?.name ?? kind.what}</label
                            >
                            {#if one !== undefined}
                                {#if kind.by !== null}<label class="flex items-center gap-2"
                                        ><span class="quiet">{mishap[kind.what]?.by}</span><input
                                            class="input w-24"
                                            type="number"
                                            step="any"
                                            bind:value={one.by}
                                        />{kind.unit}</label
                                    >{/if}
                                {#if kind.line}<label class="flex items-center gap-2"
                                        ><span class="quiet">{texts.atLine}</span><input
                                            class="input w-20"
                                            type="number"
                                            min="1"
                                            max="30"
                                            bind:value={one.line}
                                        /></label
                                    >{/if}
                                {#if kind.is}<label
                                        ><span class="sr-only">{texts.onWhat}</span><select class="select" bind:value={one.is}
                                            >{#each grounds as it (it)}<option value={it}>{ground[it] ?? it}</option>{/each}</select
                                        ></label
                                    >{/if}
                                {#if kind.at}<label
                                        ><span class="sr-only">{texts.when}</span><select class="select" bind:value={one.at}
                                            ><option value="mix">{texts.whileItIsStirred}</option><option value="fill"
                                                >{texts.beforeItGoesIn}</option
                                            ><option value="weigh">{texts.whileItIsWeighed}</option></select
                                        ></label
                                    >{/if}
                            {/if}
                        </div>
                    {/each}
                </fieldset>
                <Wrong says={refused('scenario')} />
                <p class="flex justify-end gap-2">
                    <button type="button" class="btn btn-ghost" onclick={() => dialog.close()}>{texts.leaveIt}</button>
                    <button class="btn btn-primary">{texts.keepIt}</button>
                </p>
            </form>{/if}
    </div>
</dialog>
