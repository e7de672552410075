<script lang="ts">
    /** The first of a shop, or an owner who comes back: a name, a passphrase, and a PIN for the bench. */
    import { page, router } from '@inertiajs/svelte';
    import * as texts from './texts';

    let { good, secret }: { good: boolean; secret: string } = $props();

    let name = $state('');
    let passphrase = $state('');
    let pin = $state('');
    let busy = $state(false);
    const wrong = $derived(page.props.errors as Record<string, string | undefined>);

    function begin(event: SubmitEvent): void {
        event.preventDefault();
        router.post(`/welcome/${secret}`, { name, passphrase, pin }, { onStart: () => (busy = true), onFinish: () => (busy = false) });
    }
</script>

<svelte:head><title>Welcome · Apalos</title></svelte:head>

<section class="mx-auto max-w-md">
    <h1 class="text-4xl">{texts.youAnswerForThisShop}</h1>
    {#if !good}
        <p class="mt-4" role="alert">
            This link was used, or is older than a day. On the bench computer <code>bin/workshop owner</code> gives a new one.
        </p>
    {:else}
        <p class="mt-2">From now on whoever comes over the network says who they are. Others you write down under People.</p>
        <form onsubmit={begin} class="mt-4 grid gap-3">
            <label class="label-text"
                >{texts.yourName} <input class="input w-full" autocomplete="username" maxlength="40" bind:value={name} /></label
            >
            <p role="alert" class="font-bold text-error">{wrong.name ?? ''}</p>
            <label class="label-text"
                >{texts.aPassphraseTenLettersOrMore}
                <input class="input w-full" type="password" autocomplete="new-password" bind:value={passphrase} /></label
            >
            <p role="alert" class="font-bold text-error">{wrong.passphrase ?? ''}</p>
            <label class="label-text"
                >{texts.aPinForTheBench4}
                <input class="input w-full" type="password" inputmode="numeric" autocomplete="off" maxlength="8" bind:value={pin} /></label
            >
            <p role="alert" class="font-bold text-error">{wrong.pin ?? ''}</p>
            <button class="btn btn-primary" disabled={busy || name.trim() === '' || passphrase === ''}>{texts.begin}</button>
        </form>
    {/if}
</section>
