import { ask } from './api';
import { bench } from './bench.svelte';
import { tablet } from './tablet.svelte';

export type Word = { id: string; word: string; also: string[]; says: string; mark: string };

/** A piece of a sentence: words as they stand, or a word of the craft one may ask about. */
export type Piece = { text: string; of: Word | null };

const STORE = 'apalos.glossary';
/** Who learns is told; old hands are left alone until they say otherwise. */
const LEARNING = ['apprentice', 'guest'];

/** A sentence in pieces: each word of the craft is found once, the longest first, and never inside another word. */
export function pieces(text: string, words: Word[]): Piece[] {
    const forms = words
        .flatMap((word) => [word.word, ...word.also].map((form) => ({ form, word })))
        .sort((a, b) => b.form.length - a.form.length);
    if (forms.length === 0) {
        return [{ text, of: null }];
    }
    const escaped = forms.map(({ form }) => form.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')).join('|');
    const found: Piece[] = [];
    const seen: string[] = [];
    let at = 0;
    for (const match of text.matchAll(new RegExp(`(?<![\\p{L}\\p{N}-])(?:${escaped})(?![\\p{L}\\p{N}-])`, 'giu'))) {
        const word = forms.find(({ form }) => form.toLowerCase() === match[0].toLowerCase())?.word;
        if (word === undefined || seen.includes(word.id)) {
            continue;
        }
        seen.push(word.id);
        if (match.index > at) {
            found.push({ text: text.slice(at, match.index), of: null });
        }
        found.push({ text: match[0], of: word });
        at = match.index + match[0].length;
    }
    return at < text.length ? [...found, { text: text.slice(at), of: null }] : found;
}

/** The words of the craft: fetched once for a page, kept for when nobody answers. */
class Glossary {
    words = $state.raw<Word[]>([]);
    /** What somebody asked about just now. */
    asked = $state.raw<Word | null>(null);
    #fetched = false;

    /** Whether words are explained on this tablet: as it was set here, else to whoever learns. */
    get on(): boolean {
        return tablet.explains ?? LEARNING.includes(bench.frame?.hands?.role ?? '');
    }

    fetch(): void {
        if (this.#fetched) {
            return;
        }
        this.#fetched = true;
        try {
            const kept: unknown = JSON.parse(localStorage.getItem(STORE) ?? '[]');
            this.words = Array.isArray(kept) ? (kept as Word[]) : [];
        } catch {
            this.words = [];
        }
        void ask<{ words: Word[] }>('GET', '/glossary').then((answer) => {
            if (answer.ok) {
                this.words = answer.data.words;
                try {
                    localStorage.setItem(STORE, JSON.stringify(answer.data.words));
                } catch {
                    // Without room they are fetched anew.
                }
            }
        });
    }
}

export const glossary = new Glossary();
