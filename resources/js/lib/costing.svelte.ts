import type { CostView } from '../types/server';
import { Asking } from './asking.svelte';
import { Typing } from './typing.svelte';
import type { Entry } from './units';

type Shown = CostView['asked']['materials'][number];
export type Material = Shown & { kit: { price: string; mass_g: Entry }; used_g: Entry; waste_pct: Entry };
export type Asked = {
    currency: string;
    casts: Entry;
    done?: Entry;
    reject_pct: Entry;
    materials: Material[];
    moulds: { id: number | null; name: string; cost: string; life_casts: Entry }[];
    labour: { what: string; min: Entry; hour_rate: string }[];
    other: { name: string; price: string }[];
    against: { name: string; fixed: string; each: string };
    numbers: Entry[];
    /** For how many pieces the grams and minutes stand that are typed: it goes with them, to whichever tablet shows them next. */
    counted: number;
};
type Answer = NonNullable<CostView['answer']>;

export const hasPrice = {
    material: (m: Material): boolean => m.kit.price !== '' && m.kit.mass_g !== null,
    mould: (m: Asked['moulds'][number]): boolean => m.cost !== '',
    labour: (l: Asked['labour'][number]): boolean => l.hour_rate !== '',
    other: (o: Asked['other'][number]): boolean => o.price !== '',
};

/** What a piece, a formula or a mould costs, as somebody writes it over what log and stores know. Made while a component is. */
export class CostAsked {
    readonly typed: Typing<Asked>;
    readonly asking: Asking<Answer | null>;
    readonly isPiece: boolean;

    constructor(cost: CostView) {
        this.isPiece = cost.of === 'job';
        this.typed = new Typing<Asked>(`cost/${cost.of}/${String(cost.id)}`, {
            ...(structuredClone($state.snapshot(cost.asked)) as Asked),
            against: { name: '', fixed: '', each: '' },
            numbers: [1, 10, 100],
            counted: Number(cost.asked.casts),
        });
        this.asking = new Asking<Answer | null>('POST', '/cost', () => this.question(), cost.answer);
    }

    get asked(): Asked {
        return this.typed.value;
    }

    /** What has no price yet cannot be counted: it is left out, and said. */
    get unpriced(): string[] {
        const { materials, moulds, labour, other } = this.asked;
        return [
            ...materials.filter((m) => !hasPrice.material(m)).map((m) => m.name),
            ...moulds.filter((m) => !hasPrice.mould(m)).map((m) => m.name),
            ...labour.filter((l) => !hasPrice.labour(l)).map((l) => l.what),
            ...other.filter((o) => !hasPrice.other(o) && o.name !== '').map((o) => o.name),
        ];
    }

    question(): unknown {
        const all = $state.snapshot(this.asked) as Asked;
        const { against, numbers, ...rest } = all;
        return {
            ...rest,
            counted: undefined,
            materials: all.materials.filter(hasPrice.material),
            moulds: all.moulds.filter(hasPrice.mould),
            labour: all.labour.filter(hasPrice.labour),
            other: all.other.filter(hasPrice.other),
            ...(against.name !== '' && against.fixed !== '' && against.each !== '' ? { against } : {}),
            ...(this.isPiece ? { numbers: numbers.filter((n) => typeof n === 'number') } : {}),
        };
    }

    /** What it takes grows with the pieces: grams and hands for the number that stands there. */
    scaled(): void {
        const [before, now] = [this.asked.counted, Number(this.asked.casts)];
        if (now >= 1 && before >= 1 && now !== before) {
            const by = <T extends Entry>(v: T): T => (typeof v === 'number' ? (Number(((v * now) / before).toPrecision(12)) as T) : v);
            this.asked.materials.forEach((m) => (m.used_g = by(m.used_g)));
            this.asked.labour.forEach((l) => (l.min = by(l.min)));
            this.asked.counted = now;
        }
        this.asking.changed();
    }

    /** As log and stores have it again. */
    cleared(): void {
        this.typed.clear();
        this.asking.changed();
    }

    /** Its line of the answer: the lines stand in the order of those that had a price. */
    lineOf(material: Material): Answer['lines'][number] | undefined {
        const place = this.asked.materials.filter(hasPrice.material).indexOf(material);
        return place < 0 ? undefined : this.asking.answer?.lines[place];
    }
}
