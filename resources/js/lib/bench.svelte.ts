import type { FrameView } from '../types/server';
import { ask } from './api';
import type { Units } from './units';

/**
 * What every screen shares: the frame as the server last told it, and a clock that runs on the server's time, so that a
 * tablet with a wrong clock still counts down right.
 */
class Bench {
    frame = $state<FrameView | null>(null);
    now = $state(Date.now());
    #skew = 0;

    get units(): Units {
        return this.frame?.workshop.units === 'imperial' ? 'imperial' : 'metric';
    }

    get muted(): boolean {
        return this.frame?.workshop.muted ?? false;
    }

    take(frame: FrameView): void {
        this.#skew = frame.strip.now_ms - Date.now();
        this.frame = frame;
        this.tick();
    }

    tick(): void {
        this.now = Date.now() + this.#skew;
    }

    async refresh(): Promise<void> {
        const answer = await ask<FrameView>('GET', '/frame');
        if (answer.ok) {
            this.take(answer.data);
        }
    }

    /** Changes units, sound or room; the sentence that says what is wrong, or null. */
    async change(
        what: Partial<{ units: Units; muted: boolean; room_c: number | string | null; room_source: 'hand' | 'thermometer' }>,
    ): Promise<string | null> {
        const answer = await ask<FrameView>('PUT', '/workshop', what);
        if (!answer.ok) {
            return answer.wrong.message;
        }
        this.take(answer.data);
        return null;
    }
}

export const bench = new Bench();
