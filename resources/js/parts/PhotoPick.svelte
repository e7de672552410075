<script lang="ts">
    /** A photo, off the disk or straight off the camera of a tablet. */
    import { tooLarge } from '../lib/size';
    import Wrong from './Wrong.svelte';

    let { label = 'Photo', onpick }: { label?: string; onpick: (photo: File | undefined) => void } = $props();
    const id = $props.id();
    let wrong = $state<string | null>(null);

    function pick(event: Event & { currentTarget: HTMLInputElement }): void {
        const photo = event.currentTarget.files?.[0];
        wrong = tooLarge(photo, 8, 'A photo');
        onpick(wrong === null ? photo : undefined);
    }
</script>

<div class="entry">
    <label for={id}>{label}</label>
    <input {id} type="file" accept="image/jpeg,image/png,image/webp" class="file-input w-full" onchange={pick} />
    <Wrong says={wrong} />
</div>
