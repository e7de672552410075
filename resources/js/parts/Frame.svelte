<script lang="ts">
    import { page, router } from '@inertiajs/svelte';
    import { onMount, type Snippet } from 'svelte';
    import { ask } from '../lib/api';
    import { away } from '../lib/away.svelte';
    import { refused } from '../lib/refused';
    import { bench } from '../lib/bench.svelte';
    import { begun, currentKeys, press, type Key } from '../lib/keys.svelte';
    import { practice } from '../lib/practice.svelte';
    import { tabletScale } from '../lib/tabletScale.svelte';
    import { deviceZone, when } from '../lib/when';
    import type { FrameView } from '../types/server';
    import Calls from './Calls.svelte';
    import DayStrip from './DayStrip.svelte';
    import Find from './Find.svelte';
    import Jumps from './Jumps.svelte';
    import RoomControl from './RoomControl.svelte';
    import Explained from './Explained.svelte';
    import LetIn from './LetIn.svelte';
    import ThisBench from './ThisBench.svelte';
    import WhoseHands from './WhoseHands.svelte';
    import * as texts from './Frame.texts';

    let { children }: { children?: Snippet } = $props();

    type Shared = { frame: FrameView | null; flash: string | null; undo: string | null; onward: { words: string; href: string } | null };
    const shared = $derived(page.props as unknown as Shared);
    const screens = [
        { name: 'Bench', href: '/', key: 'b' },
        { name: 'Jobs', href: '/jobs', key: 'j' },
        { name: 'Rack', href: '/rack', key: 'r' },
        { name: 'Study', href: '/study', key: 't' },
        { name: 'Swatches', href: '/swatches', key: 'w' },
        { name: 'Contacts', href: '/contacts', key: 'c' },
        { name: 'Stores', href: '/stores', key: 's' },
        { name: 'Log', href: '/log', key: 'l' },
    ];
    const here = $derived.by(() => {
        const path = page.url.split('?')[0] ?? '/';
        return path === '/' || path.startsWith('/day')
            ? '/'
            : path.startsWith('/pours') || path.startsWith('/builds')
              ? '/jobs'
              : path.startsWith('/formulas') || path.startsWith('/versions')
                ? '/swatches'
                : path.startsWith('/faults') || path.startsWith('/trials')
                  ? '/log'
                  : `/${path.split('/')[1] ?? ''}`;
    });
    // A newer version is taken over between pours, never in one.
    $effect(() => away.renew(running));
    const running = $derived(/^\/(pours\/\d+\/run|swatches\/series\/\d+)/.test(page.url));

    let finding = $state(false);
    let help: HTMLDialogElement;
    let helpKeys = $state<Key[]>([]);
    let dark = $state(false);
    let tools = $state(false);

    const frameKeys: Key[] = [
        { press: '/', does: 'Find something', run: () => (finding = true) },
        { press: '?', does: 'Show these keys', run: showHelp },
        { press: 'g d', does: 'Go to Day', run: () => router.visit('/day') },
        ...screens.map((s) => ({ press: `g ${s.key}`, does: `Go to ${s.name}`, run: () => router.visit(s.href) })),
        { press: 'g p', does: 'Go to Practice', run: () => router.visit('/practice') },
        { press: 'm', does: 'Sound on or off', run: mute },
    ];

    function showHelp(): void {
        helpKeys = [...currentKeys(), ...frameKeys];
        help.showModal();
    }

    function mute(): void {
        void bench.change({ muted: !bench.muted });
    }

    function light(): void {
        dark = !dark;
        const name = dark ? 'lamplit' : 'gelcoat';
        document.documentElement.dataset.theme = name;
        localStorage.setItem('apalos.light', name);
    }

    /** What was sent and got no answer of ours. */
    let unanswered = $state<string | null>(null);
    const LOST =
        'The bench computer did not answer, so it is not known whether that arrived. Press once more: it counts as the same press, and nothing is made twice.';
    const BUSY = 'The bench computer is busy. Wait a moment and press once more: it counts as the same press, and nothing is made twice.';

    /** Why nothing can be written down just now. */
    const cannot = $derived(unanswered ?? bench.frame?.trouble ?? refused('disk'));

    $effect.pre(() => {
        if (shared.frame !== null) {
            bench.take(shared.frame, away.since);
        }
    });

    onMount(() => {
        let still: (() => void) | null = null;
        void away.begin().then((stop) => (still = stop));
        void tabletScale.begin();
        dark = document.documentElement.dataset.theme === 'lamplit';
        const second = setInterval(() => bench.tick(), 500);
        const refresh = setInterval(() => {
            if (document.visibilityState === 'visible') {
                void thermometer();
            }
        }, 20_000);
        const woke = (): void => {
            if (document.visibilityState === 'visible') {
                void bench.refresh();
            }
        };
        document.addEventListener('visibilitychange', woke);
        const heard = [
            router.on('networkError', (event) => {
                event.preventDefault();
                unanswered = LOST;
            }),
            router.on('httpException', (event) => {
                const { status } = event.detail.response;
                if (status === 429 || status >= 502) {
                    event.preventDefault();
                    unanswered = BUSY;
                }
            }),
            router.on('success', () => {
                unanswered = null;
            }),
        ];
        // The first screen says in which time zone the bench stands; This bench changes it.
        if (bench.frame?.workshop.time_zone === null) {
            void bench.change({ time_zone: deviceZone() }, bench.frame?.workshop.edition);
        }
        return () => {
            still?.();
            clearInterval(second);
            clearInterval(refresh);
            document.removeEventListener('visibilitychange', woke);
            heard.forEach((stop) => {
                stop();
            });
        };
    });

    // Every link of ours is followed without loading the page anew, so that clock, sound and strip go on.
    function follow(event: MouseEvent): void {
        const link = event.target instanceof Element ? event.target.closest('a') : null;
        const plain = event.button === 0 && !event.metaKey && !event.ctrlKey && !event.shiftKey && !event.altKey && !event.defaultPrevented;
        if (
            link === null ||
            !plain ||
            link.origin !== location.origin ||
            link.hasAttribute('download') ||
            link.target === '_blank' ||
            link.getAttribute('href')?.startsWith('#') === true
        ) {
            return;
        }
        event.preventDefault();
        router.visit(link.href);
    }

    async function thermometer(): Promise<void> {
        if (bench.frame?.thermometer === true && bench.frame.workshop.room_source === 'thermometer') {
            await ask('POST', '/devices/thermometer');
        }
        await bench.refresh();
    }
</script>

<svelte:window onkeydown={(event) => press(event, frameKeys)} onclick={follow} onfocusin={begun.forget} onpointerdown={begun.forget} />

<a href="#main" class="skip">{texts.toTheContent}</a>
{#if shared.frame !== null}<header>
        <DayStrip whole={(here === '/' || running) && bench.frame?.practice == null} />
        <nav aria-label={texts.screens} class:running>
            <ul>
                {#each screens as s (s.href)}
                    <li><a href={s.href} aria-current={here === s.href ? 'page' : undefined}>{s.name}</a></li>
                {/each}
            </ul>
            <button class="btn more" aria-expanded={tools} aria-controls="tools" onclick={() => (tools = !tools)}>{texts.tools}</button>
            <div class="tools" id="tools" class:open={tools}>
                <RoomControl />
                <button
                    class="btn btn-ghost btn-sm"
                    onclick={() => void bench.change({ units: bench.units === 'metric' ? 'imperial' : 'metric' })}
                >
                    {bench.units === 'metric' ? texts.gMm : texts.ozIn}<span class="sr-only">{texts.changeUnits}</span>
                </button>
                <button class="btn btn-ghost btn-sm" aria-pressed={!bench.muted} onclick={mute}
                    >{bench.muted ? texts.soundOff : texts.soundOn}</button
                >
                <button class="btn btn-ghost btn-sm" onclick={light}
                    >{dark ? texts.lamplit : texts.daylight}<span class="sr-only">{texts.changeLight}</span></button
                >
                <a class="btn btn-ghost btn-sm" href="/practice" aria-current={here === '/practice' ? 'page' : undefined}
                    >{texts.practice}</a
                >
                <WhoseHands />
                {#if practice.id === null}<ThisBench />{/if}
                <button class="btn btn-ghost btn-sm" onclick={showHelp} aria-label={texts.keysOfThisScreen}>?</button>
                <Find bind:open={finding} />
            </div>
        </nav>
    </header>{/if}

{#if bench.frame !== null && bench.frame.practice !== null && shared.frame?.practice != null}
    {@const { id, name } = bench.frame.practice}
    {#await import('./PracticeBar.svelte') then bar}<bar.default {id} {name} />{/await}
{/if}

<Calls said={shared.flash} undo={shared.undo} onward={shared.onward} />

{#if away.since !== null && away.since > 0}
    <p class="kept" role="status">
        As it stood {when(away.since, bench.now)}: the bench computer does not answer. What you tell is kept on this tablet and goes out by
        itself.{#if bench.clockOff}
            The clock of this tablet was set back: moments go on from what the bench computer last said.{/if}
    </p>
{/if}
{#if cannot !== null}<p class="cannot" role="alert">{cannot}</p>{/if}

<main id="main">
    {@render children?.()}
</main>

{#if shared.frame !== null}<Jumps {screens} />{/if}

<LetIn />
<Explained />

<dialog class="modal" bind:this={help} aria-labelledby="keys-title">
    <div class="modal-box bg-secondary">
        <h2 id="keys-title" class="text-2xl">{texts.keysHere}</h2>
        <dl class="mt-3 grid grid-cols-[auto_1fr] gap-x-4 gap-y-2">
            {#each helpKeys as key (key.press)}
                <dt><kbd class="kbd">{key.press}</kbd></dt>
                <dd>{key.does}</dd>
            {/each}
        </dl>
        <form method="dialog" class="mt-4 text-right"><button class="btn">{texts.close}</button></form>
    </div>
</dialog>

<style>
    .kept {
        background: var(--color-neutral);
        color: var(--color-neutral-content);
        padding: 0.6rem 1.25rem;
    }
    .cannot {
        background: var(--color-error);
        color: var(--color-error-content);
        font-weight: 700;
        padding: 0.75rem 1.25rem;
    }
    nav {
        display: flex;
        flex-wrap: wrap;
        align-items: center;
        justify-content: space-between;
        gap: 0 1rem;
        padding: 0 2rem;
    }
    nav ul {
        display: flex;
        flex-wrap: wrap;
        gap: 0.25rem 0.4rem;
    }
    nav li a {
        display: inline-flex;
        align-items: center;
        justify-content: center;
        min-width: 2.75rem;
        min-height: 2.75rem;
        color: var(--color-neutral);
        position: relative;
    }
    nav li a[aria-current] {
        color: var(--color-base-content);
        font-weight: 700;
    }
    nav li a[aria-current]::after {
        content: '';
        position: absolute;
        left: 50%;
        bottom: -4px;
        translate: -50% 0;
        border: 6px solid transparent;
        border-top: 9px solid var(--color-accent);
        border-bottom: 0;
    }
    .tools {
        display: flex;
        flex-wrap: wrap;
        align-items: center;
        gap: 0.15rem;
    }
    main {
        padding: 0.75rem 2rem 3rem;
    }
    .skip {
        position: absolute;
        left: -999px;
    }
    .skip:focus {
        left: 1rem;
        top: 0.5rem;
        z-index: 50;
        background: var(--color-secondary);
        padding: 0.5rem 1rem;
        border-radius: 1rem;
    }
    @media print {
        header {
            display: none;
        }
        main {
            padding: 0;
        }
    }
    .tools :global(.btn) {
        padding-inline: 0.3rem;
    }
    .more {
        display: none;
    }
    @media (max-width: 640px) {
        main {
            padding: 0.75rem 1rem 6rem;
        }
        /* The words lie within reach of a thumb; on a run its action does, and they stay away. */
        nav {
            padding: 0;
        }
        nav ul {
            position: fixed;
            inset: auto 0 0 0;
            z-index: 20;
            flex-wrap: nowrap;
            justify-content: space-between;
            gap: 0;
            background: var(--color-base-200);
            border-top: 1.5px solid var(--color-base-300);
            padding: 0 0 env(safe-area-inset-bottom);
            overflow-x: auto;
        }
        nav li a {
            min-width: 2.75rem;
            min-height: 3.25rem;
            display: grid;
            place-items: center;
            font-size: 0.875rem;
            letter-spacing: -0.01em;
            padding: 0;
        }
        nav li a[aria-current]::after {
            bottom: auto;
            top: -1px;
        }
        .running ul {
            display: none;
        }
        .more {
            display: inline-flex;
            position: fixed;
            top: 0.1rem;
            right: 0.25rem;
            z-index: 21;
            padding-inline: 0.7rem;
        }
        .tools {
            display: none;
        }
        .tools.open {
            display: grid;
            justify-items: start;
            position: fixed;
            inset: 3rem 0 auto 0;
            z-index: 20;
            padding: 0.5rem 1rem 1rem;
            background: var(--color-base-200);
            border-bottom: 1.5px solid var(--color-base-300);
        }
    }
</style>
