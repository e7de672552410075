import type { Entry } from '../../lib/units';
import type { PlanItView } from '../../types/server';

/** What a maker says of the piece, as it stands on the screen. */
export type Question = {
    count: Entry;
    ready_on: string;
    buy_in: Entry;
    cast: string;
    l: Entry;
    w: Entry;
    h: Entry;
    volume_ml: Entry;
    thinnest_mm: Entry;
    stretch_pct: Entry;
    undercuts: 'none' | 'slight' | 'deep';
    detail: 'plain' | 'fine' | 'hair';
    flat_back: boolean;
    hollow: boolean;
    skin: boolean;
    may_be_lost: boolean;
    surface: string;
    vacuum: boolean;
    pot: boolean;
    printer: boolean;
    /** Some of the shelf; null for all of it. */
    shelf: string[] | null;
};

const whole = (mm: number | undefined): Entry => (mm === undefined ? null : Math.round(mm * 10) / 10);

/** What the job and its study say already. */
export function proposed({ job, studied, original, cast, family, vacuum }: PlanItView): Question {
    const depth = studied?.undercut_depth_mm;
    return {
        count: job.quantity,
        ready_on: job.due_on ?? '',
        buy_in: null,
        cast: cast ?? `family:${family}`,
        l: whole(studied?.size_mm[0]) ?? 150,
        w: whole(studied?.size_mm[1]) ?? 60,
        h: whole(studied?.size_mm[2]) ?? 40,
        volume_ml: whole(studied?.volume_ml),
        thinnest_mm: null,
        stretch_pct: studied?.stretch_pct ?? null,
        undercuts: depth === undefined ? 'slight' : depth < 1 ? 'none' : depth < 5 ? 'slight' : 'deep',
        detail: 'fine',
        flat_back: false,
        hollow: false,
        skin: job.skin,
        may_be_lost: true,
        surface: original,
        vacuum,
        pot: false,
        printer: false,
        shelf: null,
    };
}

/** As it is asked. */
export function asked(said: Question, area: number | null): Record<string, unknown> {
    const family = said.cast.startsWith('family:') ? said.cast.slice(7) : null;
    return {
        piece: {
            size_mm: { l: said.l, w: said.w, h: said.h },
            volume_ml: said.volume_ml,
            area_mm2: area,
            undercuts: said.undercuts,
            detail: said.detail,
            thinnest_mm: said.thinnest_mm,
            flat_back: said.flat_back,
            hollow: said.hollow,
            skin: said.skin,
            original: { surface: said.surface, may_be_lost: said.may_be_lost },
            stretch_pct: said.stretch_pct,
        },
        casts: {
            count: said.count,
            ...(family === null ? { code: said.cast } : { family }),
            heat_c: null,
            ready_on: said.ready_on === '' ? null : said.ready_on,
        },
        gear: { vacuum: said.vacuum, pot: said.pot, oven: false, printer: said.printer },
        ...(said.shelf === null ? {} : { shelf: said.shelf }),
        ...(said.buy_in === null ? {} : { buy_in: said.buy_in }),
    };
}
