import { page } from '@inertiajs/svelte';

/** Why what was last handed in at this field was not taken, in a sentence that says what to do; null where it was. */
export function refused(field: string): string | null {
    const said = (page.props.errors as Record<string, string> | undefined)?.[field];
    return said ?? null;
}
