<script lang="ts">
    /** The step a pour stands at, as it asks for what it needs. */
    import type { Kept } from '../../lib/kept.svelte';
    import type { LiveRun } from '../../lib/run.svelte';
    import ContactsStep from './ContactsStep.svelte';
    import DoneStep from './DoneStep.svelte';
    import GivenUpStep from './GivenUpStep.svelte';
    import GradeStep, { type Grading } from './GradeStep.svelte';
    import HeatStep from './HeatStep.svelte';
    import History from './History.svelte';
    import LaidStep from './LaidStep.svelte';
    import NotReady from './NotReady.svelte';
    import PlainStep from './PlainStep.svelte';
    import RescueStep from './RescueStep.svelte';
    import TimedStep from './TimedStep.svelte';
    import WaitStep from './WaitStep.svelte';
    import WeighStep from './WeighStep.svelte';
    import WhatWentWrong from './WhatWentWrong.svelte';

    type Props = {
        live: LiveRun;
        kept: Kept;
        grading: Grading;
        scaled: boolean;
        byHand: number | string | null;
        typing: boolean;
        onconfirm: () => void;
    };
    let { live, kept, grading, scaled, byHand = $bindable(), typing = $bindable(), onconfirm }: Props = $props();
    const run = $derived(live.run);
    const kind = $derived(run.step.kind);
</script>

{#if kind === 'contacts'}
    <ContactsStep {live} />
{:else if kind === 'weigh' && run.line !== null}
    <WeighStep {live} line={run.line} bind:byHand bind:typing {onconfirm} />
{:else if kind === 'rescue'}
    <RescueStep {run} />
{:else if kind === 'heat' && run.heat !== null}
    <HeatStep {live} heat={run.heat} />
{:else if kind === 'mix' || kind === 'degas'}
    <TimedStep {run} />
{:else if kind === 'wait'}
    <WaitStep {live} />
{:else if kind === 'grade'}
    <GradeStep {run} bind:grading={() => grading, (next) => Object.assign(grading, next)} />
{:else if run.given_up !== null}
    <GivenUpStep {run} end={run.given_up} />
    <History pour={run.pour_id} />
{:else if kind !== 'done'}
    <PlainStep {live} {kind} {scaled} />
    {#if kind === 'fill'}<NotReady {live} />{/if}
{:else if run.laid}
    <LaidStep {live} />
    <History pour={run.pour_id} />
    {#if kept.view?.bad === true && kept.view.faults > 0}<WhatWentWrong {live} {kept} />{/if}
{:else if run.grade !== null}
    <DoneStep {run} grade={run.grade} kept={kept.view} />
    <History pour={run.pour_id} />
    {#if kept.view?.bad === true && kept.view.faults > 0}<WhatWentWrong {live} {kept} />{/if}
{/if}
