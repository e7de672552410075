<script lang="ts">
    /** Coming in by name and passphrase; at a trusted tablet with a tap and a PIN. */
    import { page, router } from '@inertiajs/svelte';
    import HandsPicker from '../../parts/HandsPicker.svelte';

    let { known, tablet, to }: { known: boolean; tablet: string | null; to: string } = $props();

    let name = $state('');
    let passphrase = $state('');
    let busy = $state(false);
    const wrong = $derived((page.props.errors as Record<string, string | undefined>).name ?? '');

    function come(event: SubmitEvent): void {
        event.preventDefault();
        router.post('/sign-in', { name, passphrase, to }, { onStart: () => (busy = true), onFinish: () => (busy = false) });
    }
</script>

<svelte:head><title>Come in · Apalos</title></svelte:head>

<section class="mx-auto max-w-md">
    <h1 class="text-4xl">Come in</h1>
    {#if !known}
        <p class="mt-4">
            This bench has no people yet. Whoever answers for the shop opens the link that was printed where it was started; on that machine <code
                >bin/workshop owner</code
            > prints it again.
        </p>
    {:else}
        {#if tablet !== null}
            <h2 class="mt-6 mb-2 text-2xl">Whose hands?</h2>
            <HandsPicker taken={() => router.visit(to)} />
            <h2 class="mt-8 mb-2 text-2xl">Or with a passphrase</h2>
        {/if}
        <form onsubmit={come} class="mt-4 grid gap-3">
            <label class="label-text"
                >Name <input
                    class="input w-full"
                    autocomplete="username"
                    bind:value={name}
                    aria-invalid={wrong !== ''}
                    aria-describedby="in-wrong"
                /></label
            >
            <label class="label-text"
                >Passphrase <input class="input w-full" type="password" autocomplete="current-password" bind:value={passphrase} /></label
            >
            <p id="in-wrong" role="alert" class="font-bold text-error">{wrong}</p>
            <button class="btn btn-primary" disabled={busy || name.trim() === '' || passphrase === ''}>Come in</button>
        </form>
    {/if}
</section>
