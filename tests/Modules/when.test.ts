import { afterEach, describe, expect, test } from 'vitest';
import {
    atMinutes,
    calendarDay,
    clockTime,
    dateOf,
    dayAndTime,
    fullHours,
    midnight,
    setZone,
    workingDay,
    zones,
} from '../../resources/js/lib/when';

const HOUR = 3_600_000;
const at = (iso: string): number => Date.parse(iso);
const iso = (ms: number): string => new Date(ms).toISOString().replace('.000', '');

afterEach(() => setZone('UTC'));

describe('a moment is read on the workshop’s clock', () => {
    test.each([
        ['UTC', '18:45', 'Tue 3 Mar, 18:45'],
        ['Asia/Kolkata', '00:15', 'Wed 4 Mar, 00:15'],
        ['America/Los_Angeles', '10:45', 'Tue 3 Mar, 10:45'],
    ])('%s', (zone, time, day) => {
        setZone(zone);
        expect(clockTime(at('2026-03-03T18:45:00Z'))).toBe(time);
        expect(dayAndTime(at('2026-03-03T18:45:00Z'))).toBe(day);
    });

    test('a zone nobody knows leaves the device’s own', () => {
        setZone('Moon/Base');
        expect(clockTime(1)).toMatch(/^\d\d:\d\d$/);
    });
});

describe('a deadline is the day that was written down', () => {
    test.each(['America/Los_Angeles', 'UTC', 'Pacific/Auckland'])('seen from %s', (zone) => {
        setZone(zone);
        expect(calendarDay('2026-03-04')).toBe('4 Mar');
        expect(calendarDay('2026-03-04', 'long')).toBe('4 March');
    });
});

describe('days begin where they begin', () => {
    test.each([
        ['UTC', '2026-03-04T10:15:00Z', '2026-03-04T00:00:00Z'],
        ['Asia/Kolkata', '2026-03-04T18:29:00Z', '2026-03-03T18:30:00Z'],
        ['Asia/Kolkata', '2026-03-04T18:31:00Z', '2026-03-04T18:30:00Z'],
        ['America/St_Johns', '2026-01-10T03:29:00Z', '2026-01-09T03:30:00Z'],
        ['Europe/Berlin', '2026-03-29T12:00:00Z', '2026-03-28T23:00:00Z'],
        ['Europe/Berlin', '2026-10-25T12:00:00Z', '2026-10-24T22:00:00Z'],
    ])('%s, %s', (zone, moment, begins) => {
        setZone(zone);
        expect(iso(midnight(at(moment)))).toBe(begins);
    });

    test('a day in spring has 23 hours, one in autumn 25', () => {
        setZone('Europe/Berlin');
        const length = (moment: string): number => (midnight(at(moment), 1) - midnight(at(moment))) / HOUR;
        expect([length('2026-03-29T12:00:00Z'), length('2026-10-25T12:00:00Z'), length('2026-07-01T12:00:00Z')]).toEqual([23, 25, 24]);
    });

    test('noon is noon on the day the clocks change', () => {
        setZone('Europe/Berlin');
        expect(iso(atMinutes(at('2026-03-29T01:30:00Z'), 12 * 60))).toBe('2026-03-29T10:00:00Z');
        expect(iso(atMinutes(at('2026-10-25T00:30:00Z'), 12 * 60))).toBe('2026-10-25T11:00:00Z');
    });

    test('an hour that is left out is the moment after, one that comes twice its first', () => {
        setZone('Europe/Berlin');
        expect(iso(atMinutes(at('2026-03-29T12:00:00Z'), 2.5 * 60))).toBe('2026-03-29T01:30:00Z');
        expect(iso(atMinutes(at('2026-10-25T12:00:00Z'), 2.5 * 60))).toBe('2026-10-25T00:30:00Z');
    });

    test('whatever the zone, a day holds the moment it was asked for', () => {
        for (const zone of ['UTC', 'Asia/Kolkata', 'America/St_Johns', 'Pacific/Chatham', 'America/Los_Angeles', 'Australia/Lord_Howe']) {
            setZone(zone);
            for (let ms = at('2026-01-01T00:00:00Z'); ms < at('2027-01-01T00:00:00Z'); ms += 37 * HOUR) {
                expect(midnight(ms)).toBeLessThanOrEqual(ms);
                expect(midnight(ms, 1)).toBeGreaterThan(ms);
                expect(clockTime(midnight(ms))).toBe('00:00');
            }
        }
    });
});

describe('the working day', () => {
    test('around now, and the next one when it is over', () => {
        setZone('Asia/Kolkata');
        const day = workingDay(at('2026-03-04T05:00:00Z'), 7 * 60, 18 * 60);
        expect([iso(day.from), iso(day.to)]).toEqual(['2026-03-04T01:30:00Z', '2026-03-04T12:30:00Z']);
    });

    test('past midnight it is still yesterday’s', () => {
        setZone('UTC');
        const night = workingDay(at('2026-03-05T01:00:00Z'), 18 * 60, 2 * 60);
        expect([iso(night.from), iso(night.to)]).toEqual(['2026-03-04T18:00:00Z', '2026-03-05T02:00:00Z']);
        const evening = workingDay(at('2026-03-05T19:00:00Z'), 18 * 60, 2 * 60);
        expect([iso(evening.from), iso(evening.to)]).toEqual(['2026-03-05T18:00:00Z', '2026-03-06T02:00:00Z']);
    });

    test('through the night the clocks change it is an hour shorter', () => {
        setZone('Europe/Berlin');
        const night = workingDay(at('2026-03-28T22:00:00Z'), 22 * 60, 6 * 60);
        expect((night.to - night.from) / HOUR).toBe(7);
    });
});

describe('full hours on the strip', () => {
    test('stand on the zone’s hours, also where they are half past elsewhere', () => {
        setZone('Asia/Kolkata');
        expect(fullHours(at('2026-03-04T05:10:00Z'), at('2026-03-04T07:40:00Z')).map(iso)).toEqual([
            '2026-03-04T05:30:00Z',
            '2026-03-04T06:30:00Z',
            '2026-03-04T07:30:00Z',
        ]);
    });

    test('none is missing and none comes twice through a change of the clocks', () => {
        setZone('Europe/Berlin');
        const hours = fullHours(at('2026-03-28T22:00:00Z'), at('2026-03-29T04:00:00Z'));
        expect(hours.length).toBe(7);
        expect(new Set(hours).size).toBe(7);
        expect(fullHours(at('2026-10-24T22:00:00Z'), at('2026-10-25T04:00:00Z')).map(iso)).toContain('2026-10-25T02:00:00Z');
    });
});

test('zones go by the names of today, and the one chosen is among them', () => {
    expect(zones('Asia/Kolkata')).toContain('Asia/Kolkata');
    expect(zones('UTC')).toContain('Asia/Kolkata');
    expect(zones('UTC')).not.toContain('Asia/Calcutta');
    expect(zones('Asia/Calcutta')).toContain('Asia/Calcutta');
    expect(new Set(zones('UTC')).size).toBe(zones('UTC').length);
});

test('a moment nobody could read is said to be unreadable, not to be in 1970', () => {
    expect(dayAndTime(0)).toBe('no readable date');
    expect(dateOf(0)).toBe('no readable date');
});
