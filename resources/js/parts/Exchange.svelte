<script lang="ts">
    /** What can be taken out of this screen as files, and taking one in; a file is taken whole or not at all. */
    import { page, router } from '@inertiajs/svelte';
    import { refused } from '../lib/refused';
    import { tooLarge } from '../lib/size';
    import TakingIn from './TakingIn.svelte';
    import Wrong from './Wrong.svelte';
    import * as texts from './Exchange.texts';

    type Props = { out: { href: string; what: string }[]; to: string; accept: string };
    let { out, to, accept }: Props = $props();

    let large = $state<string | null>(null);
    const wrong = $derived(large ?? refused('file'));
    // The page names it once; it stays on screen until it has ended.
    let taking = $state<number | null>(null);
    $effect(() => {
        const named = page.props.taking as number | null;
        taking = named ?? taking;
    });

    function take(event: Event & { currentTarget: HTMLInputElement }): void {
        const file = event.currentTarget.files?.[0];
        large = tooLarge(file, 5, 'A file');
        if (file !== undefined && large === null) {
            router.post(to, { file }, { forceFormData: true, preserveScroll: true });
            event.currentTarget.value = '';
        }
    }
</script>

<p class="flex flex-wrap items-center gap-2">
    {#each out as file (file.href)}<a class="btn btn-sm" href={file.href} download>{file.what}</a>{/each}
    <label class="btn btn-sm">{texts.takeAFileIn} <input class="sr-only" type="file" {accept} onchange={take} /></label>
</p>
<Wrong says={wrong} />
{#if taking !== null}{#key taking}<TakingIn id={taking} />{/key}{/if}
