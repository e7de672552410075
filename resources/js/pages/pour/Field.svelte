<script lang="ts">
    /** One measure of the sheet, found by its path, with what the server says of it. */
    import type { LiveSheet } from '../../lib/pourSheet.svelte';
    import type { Entry, Quantity } from '../../lib/units';
    import Measure from '../../parts/Measure.svelte';

    type Props = { live: LiveSheet; path: string; label: string; kind: Quantity; hint?: string; onset?: () => void };
    let { live, path, label, kind, hint = '', onset }: Props = $props();

    type Branch = Record<string, unknown>;
    const keys = $derived(path.split('.'));
    const branch = $derived(
        keys.slice(0, -1).reduce<Branch | undefined>((at, key) => at?.[key] as Branch | undefined, live.sheet as unknown as Branch),
    );
    const leaf = $derived(keys.at(-1) ?? '');
    const error = $derived(live.error(path));

    function set(value: Entry): void {
        if (branch !== undefined) {
            branch[leaf] = value;
            onset?.();
            live.changed();
        }
    }
</script>

<Measure
    {label}
    {kind}
    {hint}
    value={branch?.[leaf] as Entry | undefined}
    error={error?.message ?? null}
    missing={error?.missing ?? false}
    onchange={set}
/>
