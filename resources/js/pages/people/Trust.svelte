<script lang="ts">
    /** Four pictures: how a tablet comes to trust the bench. */
    import { qr } from '../../lib/qr';
    import * as texts from './texts';

    let { address, here, safe, own, mark }: { address: string; here: string; safe: boolean; own: boolean; mark: string | null } = $props();
    const code = $derived(qr(mark === null ? address : `${here}/trust`));
</script>

<svelte:head><title>Trust · Apalos</title></svelte:head>

<h1 class="mt-6 text-4xl">{safe ? texts.thisTabletTrustsTheBench : texts.beforeThisTabletWorksAtThe}</h1>
{#if safe}
    <p class="mt-2 max-w-prose">
        It was opened safely. From its browser’s menu put it on the home screen: then it opens without the network as well, as it stood
        last.
    </p>
    <p class="mt-4"><a class="btn btn-primary" href="/">{texts.toTheBench}</a></p>
{:else if own}
    <p class="mt-2 max-w-prose">This is the bench computer itself: it needs none of this. Open this page on the tablet.</p>
    <p class="mt-4"><a class="btn btn-primary" href="/">{texts.toTheBench}</a></p>
{:else if !address.startsWith('https:')}
    <p class="mt-2 max-w-prose">
        This bench is served without a safe address. It works; but a tablet keeps no pages for when the network goes, and opens neither its
        camera nor a scale.
    </p>
    <p class="mt-4"><a class="btn btn-primary" href="/">{texts.toTheBench}</a></p>
{:else if mark === null}
    <p class="mt-2 max-w-prose">Open it at its safe address; nothing has to be taken in here for that.</p>
    <p class="mt-4"><a class="btn btn-primary" href={address}>{address}</a></p>
{:else}
    <p class="mt-2 max-w-prose">
        The bench computer has an authority of its own. A tablet that trusts it keeps pages, opens the camera and a scale, and nobody on the
        network reads along. It is done once.
    </p>
    <ol class="four">
        <li>
            <svg viewBox="0 0 120 80" aria-hidden="true"
                ><rect x="26" y="8" width="44" height="64" rx="5" class="body" /><path d="M34 22h28v28h-28z" class="light" /><path
                    d={code.path}
                    transform="translate(34.5 22.5) scale({27 / code.size})"
                    class="ink"
                /><path d="M78 40h26m-8-8 8 8-8 8" class="line" /></svg
            >
            <h2>{texts.takeThisPageAlong}</h2>
            <p>On a phone or tablet point its camera at the code below, or type <b class="address">{here}/trust</b>.</p>
            <svg class="code" viewBox="0 0 {code.size} {code.size}" role="img" aria-label={texts.codeOfTrust(here)}
                ><rect width={code.size} height={code.size} fill="#fff" /><path d={code.path} fill="#000" /></svg
            >
        </li>
        <li>
            <svg viewBox="0 0 120 80" aria-hidden="true"
                ><path d="M38 8h32l14 14v50H38z" class="light" /><path d="M70 8v14h14" class="line" /><circle
                    cx="61"
                    cy="50"
                    r="11"
                    class="seal"
                /><path d="M54 58l-3 14 10-5 10 5-3-14" class="seal" /><path d="M48 32h26" class="line" /></svg
            >
            <h2>{texts.takeItsCertificateIn}</h2>
            <p><a class="btn btn-primary" href="/authority.crt" download>{texts.takeTheCertificate}</a></p>
            <p class="quiet">Its mark begins <span class="fig">{mark}</span>; the bench computer prints the same when it starts.</p>
        </li>
        <li>
            <svg viewBox="0 0 120 80" aria-hidden="true"
                ><path d="M60 6 88 17v22c0 17-12 28-28 35-16-7-28-18-28-35V17z" class="seal" /><path
                    d="M47 39l9 10 18-20"
                    class="tick"
                /></svg
            >
            <h2>{texts.sayThatYouTrustIt}</h2>
            <p>
                <b>Android</b>: Settings, Security, Install a certificate, CA certificate. <b>iPad, iPhone</b>: Settings, Profile
                downloaded, Install; then General, About, Certificate trust settings, switch it on. <b>Computer</b>: in the browser’s
                settings under certificates, authorities, import.
            </p>
        </li>
        <li>
            <svg viewBox="0 0 120 80" aria-hidden="true"
                ><rect x="20" y="14" width="80" height="54" rx="5" class="body" /><path d="M28 24h64v36H28z" class="light" /><path
                    d="M52 42v-5a8 8 0 0 1 16 0v5"
                    class="line"
                /><rect x="49" y="42" width="22" height="14" rx="2" class="seal" /></svg
            >
            <h2>{texts.openItSafely}</h2>
            <p><a class="btn" href={address}>{address}</a></p>
            <p class="quiet">From there put it on the home screen.</p>
        </li>
    </ol>
{/if}

<style>
    .four {
        display: grid;
        grid-template-columns: repeat(auto-fit, minmax(17rem, 1fr));
        gap: 1.5rem 2rem;
        margin-top: 1.5rem;
        counter-reset: step;
    }
    .four li {
        counter-increment: step;
    }
    .four h2 {
        font-size: 1.35rem;
        margin-top: 0.5rem;
    }
    .four h2::before {
        content: counter(step) '. ';
    }
    .four p {
        margin-top: 0.4rem;
    }
    .four svg {
        width: 12rem;
        max-width: 100%;
    }
    .body {
        fill: var(--color-neutral);
    }
    .light {
        fill: var(--color-base-100);
        stroke: var(--color-neutral);
        stroke-width: 2;
    }
    .ink {
        fill: var(--color-neutral);
    }
    .line {
        fill: none;
        stroke: var(--color-neutral);
        stroke-width: 3;
    }
    .seal {
        fill: var(--color-accent);
    }
    .tick {
        fill: none;
        stroke: #fff;
        stroke-width: 6;
    }
    .address {
        overflow-wrap: anywhere;
    }
    .four .code {
        width: 9rem;
        margin-top: 0.75rem;
    }
</style>
