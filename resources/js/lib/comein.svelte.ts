/** What stands between a press and its door: who it is, a countersign, the passphrase once more. Asked in one place, for every screen. */

export type Maker = { id: string; name: string; colour: string };
export type Asked = { field: 'hands' | 'again' | 'countersign'; message: string; door: string; makers: Maker[] };

class ComeIn {
    asked = $state<Asked | null>(null);
    #done: ((isIn: boolean) => void) | null = null;

    /** Shows what is asked, and waits until it was given or put off. */
    ask(asked: Asked): Promise<boolean> {
        this.answer(false);
        this.asked = asked;
        return new Promise((done) => (this.#done = done));
    }

    answer(isIn: boolean): void {
        this.asked = null;
        this.#done?.(isIn);
        this.#done = null;
    }
}

export const comeIn = new ComeIn();

/** Where the server asks for that: whether it was given, so that the same may be sent once more. */
export async function letIn(status: number, data: unknown): Promise<boolean> {
    if (status !== 401 && status !== 403) {
        return false;
    }
    const error = (parsed(data) as { error?: Omit<Partial<Asked>, 'field'> & { field?: string } } | null)?.error;
    if (error?.field === 'sign-in') {
        window.location.assign('/sign-in');
        return false;
    }
    if (error?.field !== 'hands' && error?.field !== 'again' && error?.field !== 'countersign') {
        return false;
    }
    return comeIn.ask({ field: error.field, message: error.message ?? '', door: error.door ?? '', makers: error.makers ?? [] });
}

function parsed(data: unknown): unknown {
    if (typeof data !== 'string') {
        return data;
    }
    try {
        return JSON.parse(data);
    } catch {
        return null;
    }
}
