import type { KeptView } from '../types/server';
import { ask } from './api';

/** What is kept beside a run: read when it may have changed, never while somebody only weighs. */
export class Kept {
    view = $state<KeptView | null>(null);
    #pour: number;

    constructor(pour: number) {
        this.#pour = pour;
    }

    async look(): Promise<void> {
        const answer = await ask<KeptView>('GET', `/pours/${String(this.#pour)}/kept`);
        if (answer.ok) {
            this.view = answer.data;
        }
    }
}
