import type { Kind } from '../parts/VerdictShape.svelte';
import type { JobView, ToChooseView } from '../types/server';

export type Contact = JobView['chain'][number]['contacts'][number];
/** A way out of a contact that is not safe. */
export type Way = { kind: string; what: string; adds_min: number; cost_hint: number | null; steps: { kind: string; id: string }[] };
export type Words = ToChooseView['words'];
export type ReleaseWords = Words['releases'][string];

/** The mark of a contact: what blocks is a cross, what is overruled stays visible as a bar. */
export function markOf(contact: Pick<Contact, 'blocks' | 'overruled'> & { result: { verdict: string } }): Kind {
    if (contact.blocks) {
        return 'stop';
    }
    if (contact.overruled !== null) {
        return 'mind';
    }
    return contact.result.verdict === 'test-first' ? 'ask' : 'good';
}

export const wordsOf = (contact: Contact): string =>
    contact.overruled !== null && !contact.blocks ? `overruled: ${contact.result.in_short}` : contact.result.in_short;

/** The mark of a bare verdict, where nothing has been chosen yet. */
export const verdictMark: Record<string, Kind> = {
    clear: 'good',
    release: 'mind',
    'seal-and-release': 'mind',
    'test-first': 'ask',
    stop: 'stop',
};

export const doing: Record<string, string> = { dry: 'Dry', seal: 'Seal', block: 'Block', release: 'Release', wait: 'Wait', test: 'Test' };
