<script lang="ts">
    /** A photo, off the disk or straight off the camera of a tablet. */
    let { label = 'Photo', onpick }: { label?: string; onpick: (photo: File | undefined) => void } = $props();
    const id = $props.id();
</script>

<div class="entry">
    <label for={id}>{label}</label>
    <input {id} type="file" accept="image/*" class="file-input w-full" onchange={(event) => onpick(event.currentTarget.files?.[0])} />
</div>
