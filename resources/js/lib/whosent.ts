import { clockTime } from './when';

/** What is known of a fact beside what it says: whose hands told it, and whether the clock it was told by had been wrong. */
export type Teller = { at_ms: number; by?: string; clock_off?: boolean };

/**
 * What has to stand in the record beside facts that were kept on a tablet: who told them where somebody else was at the tablet when they
 * went up, and that their moments are not those its clock showed. Null where nothing has to be said.
 */
export function beside(facts: Teller[], sender: string | null): string | null {
    const others = [...new Set(facts.flatMap((fact) => (fact.by !== undefined && fact.by !== sender ? [fact.by] : [])))];
    const off = facts.filter((fact) => fact.clock_off === true);
    const span = (some: Teller[]): string => {
        const at = some.map((fact) => fact.at_ms);
        const [from, to] = [clockTime(Math.min(...at)), clockTime(Math.max(...at))];
        return from === to ? `at ${from}` : `from ${from} to ${to}`;
    };
    const said = others.map((by) => {
        const theirs = facts.filter((fact) => fact.by === by);
        const many = theirs.length === 1 ? 'one step' : `${String(theirs.length)} steps`;
        return `${by} told ${many}, ${span(theirs)}, kept on this tablet${sender === null ? '.' : `; ${sender} sent ${theirs.length === 1 ? 'it' : 'them'}.`}`;
    });
    if (off.length > 0) {
        said.push(`The clock of the tablet was wrong ${span(off)}: these moments go on from what the bench computer last said.`);
    }
    return said.length === 0 ? null : said.join(' ');
}
