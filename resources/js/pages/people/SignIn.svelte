<script lang="ts">
    /** Coming in by name and passphrase; at a trusted tablet with a tap and a PIN. */
    import { page, router } from '@inertiajs/svelte';
    import HandsPicker from '../../parts/HandsPicker.svelte';
    import * as texts from './texts';

    let {
        known,
        tablet,
        to,
        shop = null,
    }: {
        known: boolean;
        tablet: string | null;
        to: string;
        /** Which of several, as far as it is known; null where there is one. */ shop?: string | null;
    } = $props();

    // What is typed stays when the door answers.
    // svelte-ignore state_referenced_locally
    let called = $state(shop ?? '');
    let name = $state('');
    let passphrase = $state('');
    let busy = $state(false);
    const wrong = $derived((page.props.errors as Record<string, string | undefined>).name ?? '');

    function come(event: SubmitEvent): void {
        event.preventDefault();
        router.post(
            '/sign-in',
            { ...(shop === null ? {} : { shop: called }), name, passphrase, to },
            { onStart: () => (busy = true), onFinish: () => (busy = false) },
        );
    }
</script>

<svelte:head><title>Come in · Apalos</title></svelte:head>

<section class="mx-auto max-w-md">
    <h1 class="text-4xl">{texts.comeIn}</h1>
    {#if !known}
        <p class="mt-4">
            This bench has no people yet. Whoever answers for the shop opens the link that was printed where it was started; on that machine <code
                >bin/workshop owner</code
            > prints it again.
        </p>
    {:else}
        {#if tablet !== null}
            <h2 class="mt-6 mb-2 text-2xl">{texts.whoseHands}</h2>
            <HandsPicker taken={() => router.visit(to)} />
            <h2 class="mt-8 mb-2 text-2xl">{texts.orWithAPassphrase}</h2>
        {/if}
        <form onsubmit={come} class="mt-4 grid gap-3">
            {#if shop !== null}
                <label class="label-text"
                    >{texts.shop} <input class="input w-full" autocomplete="organization" autocapitalize="off" bind:value={called} /></label
                >
                <p class="-mt-2 text-sm">This server keeps several: type what yours is called at the door.</p>
            {/if}
            <label class="label-text"
                >{texts.nameWord}
                <input
                    class="input w-full"
                    autocomplete="username"
                    bind:value={name}
                    aria-invalid={wrong !== ''}
                    aria-describedby="in-wrong"
                /></label
            >
            <label class="label-text"
                >{texts.passphrase}
                <input class="input w-full" type="password" autocomplete="current-password" bind:value={passphrase} /></label
            >
            <p id="in-wrong" role="alert" class="font-bold text-error">{wrong}</p>
            <button
                class="btn btn-primary"
                disabled={busy || (shop !== null && called.trim() === '') || name.trim() === '' || passphrase === ''}>{texts.comeIn}</button
            >
        </form>
    {/if}
</section>
