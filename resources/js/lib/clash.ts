import { measure, type Quantity, type Units } from './units';

/** One thing that stands otherwise on two screens, said for people. */
export type Difference = { what: string; mine: string; theirs: string };

/** What a field is called and measured in, by how its place ends; what is not listed goes by its own name. */
export type Said = [ending: RegExp, label: string, kind: Quantity | null];

const SHEET: Said[] = [
    [/^volume\.method$/, 'How it is measured', null],
    [/^volume\.box\.l_mm$/, 'Box, length', 'length'],
    [/^volume\.box\.w_mm$/, 'Box, width', 'length'],
    [/^volume\.box\.h_mm$/, 'Box, height', 'length'],
    [/^volume\.part\.(\w)_mm$/, 'Part, $1', 'length'],
    [/^volume\.part\.\w+_ml$/, 'Part, volume', 'volume'],
    [/^volume\.allowance_pct$/, 'Allowance', 'percent'],
    [/^volume\.correction_pct$/, 'Correction', 'percent'],
    [/^volume\..*_mm2$/, 'Area', 'area'],
    [/^volume\.coats\.(\d+)\..*$/, 'Thickness of a coat', 'length'],
    [/^volume\..*_mm$/, 'Measure', 'length'],
    [/^volume\..*_ml$/, 'Volume', 'volume'],
    [/^target\.mass_g$/, 'Mass wanted', 'mass'],
    [/^target\.waste_pct$/, 'Lost on cups and sticks', 'percent'],
    [/^formula\.base$/, 'Base', null],
    [/^formula_name$/, 'Name of the formula', null],
    [/^plan\.vessel\.capacity_ml$/, 'Cup holds', 'fluid'],
    [/^plan\.vessel\.tare_g$/, 'Cup weighs', 'mass'],
    [/^plan\.vessel\.degas$/, 'De-aired', null],
    [/^plan\.vessel\.rise_factor$/, 'Rises to … times', 'plain'],
    [/^plan\.scale\.division_g$/, 'Scale steps', 'mass'],
    [/^plan\.scale\.capacity_g$/, 'Scale carries', 'mass'],
    [/^plan\.mix_min$/, 'Mixing', 'minutes'],
    [/^plan\.degas_min$/, 'De-airing', 'minutes'],
    [/^plan\.thickest_mm$/, 'Thickest place', 'length'],
    [/^plan\.pour_g_per_min$/, 'You pour', 'rate'],
];

/** What is kept beside a sheet and never shown. */
const UNSEEN = /^(formula_from|carried|cup)$/;

function flat(value: unknown, at = '', into = new Map<string, unknown>()): Map<string, unknown> {
    if (Array.isArray(value) && at === 'formula.additives') {
        for (const line of value as { code: string; amount: unknown; basis: string; into: string }[]) {
            into.set(`${at}.${line.code}`, `${String(line.amount ?? '')} ${line.basis.replaceAll('_', ' ')}, into ${line.into}`);
        }
    } else if (typeof value === 'object' && value !== null) {
        for (const [key, inner] of Object.entries(value)) {
            flat(inner, at === '' ? key : `${at}.${key}`, into);
        }
    } else {
        into.set(at, value);
    }
    return into;
}

function told(value: unknown, kind: Quantity | null, units: Units): string {
    if (value === null || value === undefined || value === '') {
        return 'nothing';
    }
    if (typeof value === 'number' && kind !== null) {
        return measure(value, kind, units);
    }
    return typeof value === 'boolean' ? (value ? 'yes' : 'no') : String(value as string | number);
}

/** What differs between two sheets, in the words of the screen. */
export function differences(mine: unknown, theirs: unknown, units: Units, said: Said[] = SHEET): Difference[] {
    const [ours, others] = [flat(mine), flat(theirs)];
    const found: Difference[] = [];
    for (const at of new Set([...ours.keys(), ...others.keys()])) {
        const [here, there] = [ours.get(at) ?? null, others.get(at) ?? null];
        if (here === there || UNSEEN.test(at)) {
            continue;
        }
        const known = said.find(([ending]) => ending.test(at));
        const what = known === undefined ? at.replace(/^.*\./, '').replaceAll('_', ' ') : at.replace(known[0], known[1]);
        found.push({ what, mine: told(here, known?.[2] ?? null, units), theirs: told(there, known?.[2] ?? null, units) });
    }
    return found;
}
