<script lang="ts">
    import { router } from '@inertiajs/svelte';
    import { refused } from '../../lib/refused';
    import Wrong from '../../parts/Wrong.svelte';
    import * as texts from './texts';

    let { kind, id, title }: { kind: 'pours' | 'builds'; id: number; title: string } = $props();
</script>

<svelte:head><title>{title} · Apalos</title></svelte:head>

<h1 class="mt-10 text-4xl">{title}</h1>
<p class="mt-3 max-w-prose" role="alert">
    Its record is damaged and cannot be read. Everything else on the bench goes on. A backup of before has it whole; until then it can be
    put off the bench, where it keeps nobody from anything. Nothing of it is changed by that, and for two days it can be had back.
</p>
<Wrong says={refused('damaged')} />
<p class="mt-6">
    <button class="btn btn-primary" onclick={() => router.post(`/damaged/${kind}/${String(id)}`)}>{texts.putItOffTheBench}</button>
    <a class="btn" href="/">{texts.toTheBench}</a>
</p>
