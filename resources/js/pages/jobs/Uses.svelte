<script lang="ts">
    import * as texts from './texts';
    /** What else it is for: each asks one to look something up, and never clears itself. */
    let { uses, chosen = $bindable() }: { uses: Record<string, string>; chosen: string[] } = $props();
</script>

<fieldset>
    <legend class="quiet text-sm">{texts.it}</legend>
    <div class="flex flex-wrap gap-x-6">
        {#each Object.entries(uses).filter(([id]) => id !== 'skin') as [id, name] (id)}<label class="flex min-h-11 items-center gap-3"
                ><input
                    type="checkbox"
                    class="checkbox"
                    checked={chosen.includes(id)}
                    onchange={(e) => (chosen = e.currentTarget.checked ? [...chosen, id] : chosen.filter((one) => one !== id))}
                />
                {name}</label
            >{/each}
    </div>
</fieldset>
