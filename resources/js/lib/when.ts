/** Moments as the workshop reads them: in its own time zone, whatever device they are read on. Milliseconds since the epoch throughout. */

const HOUR = 3_600_000;
const MINUTE = 60_000;

/** The workshop's zone; the device's own until the workshop has said which. */
let zone: string | undefined;
let clock = clockOf(undefined);

function clockOf(timeZone: string | undefined): Intl.DateTimeFormat {
    return new Intl.DateTimeFormat('en-GB', {
        timeZone,
        hourCycle: 'h23',
        year: 'numeric',
        month: '2-digit',
        day: '2-digit',
        hour: '2-digit',
        minute: '2-digit',
        second: '2-digit',
    });
}

export function setZone(name: string | null): void {
    try {
        clock = clockOf(name ?? undefined);
        zone = name ?? undefined;
    } catch {
        // A zone this browser does not know: better its own than none.
        zone = undefined;
        clock = clockOf(zone);
    }
}

/** Browsers go on with names that places have left behind. */
const TODAY: Record<string, string> = {
    'Africa/Asmera': 'Africa/Asmara',
    'America/Buenos_Aires': 'America/Argentina/Buenos_Aires',
    'America/Godthab': 'America/Nuuk',
    'Asia/Calcutta': 'Asia/Kolkata',
    'Asia/Katmandu': 'Asia/Kathmandu',
    'Asia/Rangoon': 'Asia/Yangon',
    'Asia/Saigon': 'Asia/Ho_Chi_Minh',
    'Atlantic/Faeroe': 'Atlantic/Faroe',
    'Europe/Kiev': 'Europe/Kyiv',
    'Pacific/Ponape': 'Pacific/Pohnpei',
    'Pacific/Truk': 'Pacific/Chuuk',
};
const called = (name: string): string => TODAY[name] ?? name;

export const deviceZone = (): string => called(Intl.DateTimeFormat().resolvedOptions().timeZone);

/** Every zone to choose from, by the names of today; the one that is chosen is always among them. */
export const zones = (chosen: string): string[] =>
    [...new Set(['UTC', chosen, deviceZone(), ...Intl.supportedValuesOf('timeZone').map(called)])].sort();

/** A moment that could not be read where it is kept comes as the beginning of time. */
const UNREADABLE = 'no readable date';

const written = (ms: number, how: Intl.DateTimeFormatOptions): string =>
    ms === 0 ? UNREADABLE : new Intl.DateTimeFormat('en-GB', { ...how, timeZone: zone }).format(ms);

export const clockTime = (ms: number): string => written(ms, { hour: '2-digit', minute: '2-digit' });

export const dayAndTime = (ms: number): string =>
    written(ms, { weekday: 'short', day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' });

const DAY_MS = 24 * HOUR;

/** A moment beside the clock of today: on another day it says the day, further off the date too. */
export function when(ms: number, now: number): string {
    if (ms === 0) {
        return UNREADABLE;
    }
    const day = (at: number): string => written(at, { year: 'numeric', month: '2-digit', day: '2-digit' });
    if (day(ms) === day(now)) {
        return clockTime(ms);
    }
    return Math.abs(ms - now) < 6 * DAY_MS
        ? written(ms, { weekday: 'short', hour: '2-digit', minute: '2-digit' }).replace(',', '')
        : dayAndTime(ms);
}

export const dateOf = (ms: number): string => written(ms, { day: 'numeric', month: 'short', year: 'numeric' });

export const shortDate = (ms: number): string => written(ms, { day: 'numeric', month: 'short', year: '2-digit' });

export const dayInWords = (ms: number): string => written(ms, { weekday: 'long', day: 'numeric', month: 'long' });

/** A calendar day that was written down (`2026-03-04`): it is that day everywhere. */
export function calendarDay(date: string, month: 'short' | 'long' = 'short'): string {
    return new Intl.DateTimeFormat('en-GB', { day: 'numeric', month, timeZone: 'UTC' }).format(new Date(`${date}T00:00:00Z`));
}

/** How far the zone's clock is ahead of UTC at a moment. */
function ahead(ms: number): number {
    const parts = clock.formatToParts(ms);
    const part = (type: string): number => Number(parts.find((p) => p.type === type)?.value ?? 0);
    const shown = Date.UTC(part('year'), part('month') - 1, part('day'), part('hour'), part('minute'), part('second'));
    return shown - Math.floor(ms / 1000) * 1000;
}

/** The moment at which the zone's clock shows this; of an hour that comes twice the first, of one that is left out the moment after. */
function momentOf(shown: number): number {
    const early = shown - Math.max(ahead(shown - 14 * HOUR), ahead(shown + 14 * HOUR));
    const late = shown - Math.min(ahead(shown - 14 * HOUR), ahead(shown + 14 * HOUR));
    for (const moment of [early, late]) {
        if (moment + ahead(moment) === shown) {
            return moment;
        }
    }
    return late;
}

const two = (n: number): string => String(n).padStart(2, '0');

/** A moment as a field for date and time shows it, by the workshop's clock: `2026-03-04T17:05`. */
export function inField(ms: number): string {
    const shown = new Date(ms + ahead(ms));
    return `${String(shown.getUTCFullYear())}-${two(shown.getUTCMonth() + 1)}-${two(shown.getUTCDate())}T${two(shown.getUTCHours())}:${two(shown.getUTCMinutes())}`;
}

/** The moment such a field says; null where it says none. */
export function ofField(text: string): number | null {
    const shown = /^\d{4}-\d\d-\d\dT\d\d:\d\d$/.test(text) ? Date.parse(`${text}:00Z`) : NaN;
    return Number.isNaN(shown) ? null : momentOf(shown);
}

/** The day a moment lies in, so many days on: when it begins. Days have 23, 24 or 25 hours. */
export function midnight(ms: number, daysOn = 0): number {
    const shown = ms + ahead(ms);
    return momentOf((Math.floor(shown / (24 * HOUR)) + daysOn) * 24 * HOUR);
}

/** When the clock of the day a moment lies in shows so many minutes after midnight; past 24 hours it is the next day's clock. */
export function atMinutes(ms: number, minutes: number): number {
    const shown = ms + ahead(ms);
    return momentOf(Math.floor(shown / (24 * HOUR)) * 24 * HOUR + minutes * MINUTE);
}

/** The working day around a moment, or the next one to come; one that ends at or before its beginning runs past midnight. */
export function workingDay(ms: number, starts: number, ends: number): { from: number; to: number } {
    const until = ends > starts ? ends : ends + 24 * 60;
    const yesterday = midnight(ms, -1);
    if (ms <= atMinutes(yesterday, until)) {
        const from = atMinutes(yesterday, starts);
        if (ms >= from) {
            return { from, to: atMinutes(yesterday, until) };
        }
    }
    return { from: atMinutes(ms, starts), to: atMinutes(ms, until) };
}

/** Every full hour on the zone's clock between two moments. */
export function fullHours(from: number, to: number): number[] {
    const hours: number[] = [];
    let shown = Math.ceil((from + ahead(from)) / HOUR) * HOUR;
    for (let guard = 0; guard < 200; guard++, shown += HOUR) {
        const moment = momentOf(shown);
        if (moment > to) {
            break;
        }
        if (moment >= from && moment !== hours.at(-1)) {
            hours.push(moment);
        }
    }
    return hours;
}
