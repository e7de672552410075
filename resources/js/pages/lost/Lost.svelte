<script lang="ts">
    import * as texts from './texts';
    let { status }: { status: number } = $props();
    const said: Record<number, [string, string]> = {
        403: ['This is for somebody else', 'It is for whoever answers for the shop. Hand over to an owner, or ask one.'],
        404: ['There is nothing here', 'Perhaps it was put away, or the address lost a letter. What was poured is in the log.'],
        413: [
            'That is more than fits',
            'A photo may have 8 MB, a file 5 MB. Go back and choose a smaller one; what you typed is still there.',
        ],
        419: ['This page has been open too long', 'Load it again. What was confirmed is kept.'],
        503: ['Back in a moment', 'The bench computer is busy with itself. What was confirmed is kept.'],
    };
    const [title, text] = $derived(
        said[status] ?? [
            'Something went wrong',
            'It is written down on the bench computer. What was confirmed is kept; go back and try again.',
        ],
    );
</script>

<svelte:head><title>{title} · Apalos</title></svelte:head>

<h1 class="mt-10 text-4xl">{title}</h1>
<p class="mt-3 max-w-prose">{text}</p>
<p class="mt-6">
    <a class="btn btn-primary" href="/">{texts.toTheBench}</a> <a class="btn" href="/jobs">{texts.allJobs}</a>
    <a class="btn" href="/log">{texts.theLog}</a>
</p>
