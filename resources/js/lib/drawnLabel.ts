import { qr } from './qr';

/** What stands on a label: in large what it is, under it whose it is and what is in it, and a code that leads back. */
export type LabelText = { code: string; name: string; lines: string[]; href: string };

/** The roll that lies in the printer. */
export type Roll = { w_mm: number; h_mm: number; dots_mm: number };

/** Of a dot this light or darker the printer makes black. */
const BLACK_BELOW = 150;

/** Words in as few lines as they fit in; one that is longer than a line is broken where the line ends. */
export function broken(text: string, width: number, wide: (text: string) => number): string[] {
    const lines: string[] = [];
    let line = '';
    for (const word of text.split(/\s+/).filter((one) => one !== '')) {
        if (line !== '' && wide(`${line} ${word}`) <= width) {
            line = `${line} ${word}`;
            continue;
        }
        if (line !== '') {
            lines.push(line);
        }
        line = word;
        while (wide(line) > width && line.length > 1) {
            let fits = line.length - 1;
            while (fits > 1 && wide(line.slice(0, fits)) > width) {
                fits--;
            }
            lines.push(line.slice(0, fits));
            line = line.slice(fits);
        }
    }
    return line === '' ? lines : [...lines, line];
}

/** A bitmap `P4`: rows of bits, each filled up to a byte; what is set is black. */
export function bitmap(width: number, height: number, black: (x: number, y: number) => boolean): Uint8Array {
    const head = new TextEncoder().encode(`P4\n${String(width)} ${String(height)}\n`);
    const bytes = Math.ceil(width / 8);
    const all = new Uint8Array(head.length + bytes * height);
    all.set(head);
    for (let y = 0; y < height; y++) {
        for (let x = 0; x < width; x++) {
            if (black(x, y)) {
                const at = head.length + y * bytes + (x >> 3);
                all[at] = (all[at] ?? 0) | (0x80 >> (x & 7));
            }
        }
    }
    return all;
}

/** Its dots again: for whoever shows what came out. */
export function dots(pbm: Uint8Array): { width: number; height: number; black: (x: number, y: number) => boolean } | null {
    const head = /^P4\s+(\d+)\s+(\d+)\s/.exec(new TextDecoder('latin1').decode(pbm.slice(0, 24)));
    if (head === null) {
        return null;
    }
    const [width, height] = [Number(head[1]), Number(head[2])];
    return { width, height, black: (x, y) => (((pbm[head[0].length + y * Math.ceil(width / 8) + (x >> 3)] ?? 0) << (x & 7)) & 0x80) !== 0 };
}

export function toBase64(bytes: Uint8Array): string {
    let text = '';
    for (let i = 0; i < bytes.length; i += 4096) {
        text += String.fromCharCode(...bytes.subarray(i, i + 4096));
    }
    return btoa(text);
}

export function fromBase64(text: string): Uint8Array {
    return Uint8Array.from(atob(text), (letter) => letter.charCodeAt(0));
}

/**
 * Draws a label in the dots of the printer. The code is in whole dots, or no reader would read it; the words beside it become smaller until
 * all of them stand there, and what still does not fit is left out from below, so that what it is stands there whatever happens.
 */
export async function drawn(label: LabelText, roll: Roll, origin: string): Promise<string> {
    await document.fonts.ready;
    const [width, height] = [Math.round(roll.w_mm * roll.dots_mm), Math.round(roll.h_mm * roll.dots_mm)];
    const canvas = new OffscreenCanvas(width, height);
    const pen = canvas.getContext('2d', { willReadFrequently: true });
    if (pen === null) {
        throw new Error('This browser draws no labels.');
    }
    pen.fillStyle = '#fff';
    pen.fillRect(0, 0, width, height);
    pen.fillStyle = '#000';
    const rim = Math.round(1.5 * roll.dots_mm);
    const code = qr(`${origin}${label.href}`);
    const module = Math.max(1, Math.floor(Math.min(0.36 * width, height - 2 * rim, 22 * roll.dots_mm) / code.size));
    const side = module * code.size;
    pen.save();
    pen.translate(width - side - Math.round(rim / 2), Math.round((height - side) / 2));
    pen.scale(module, module);
    pen.fill(new Path2D(code.path));
    pen.restore();

    const room = width - side - 2 * rim;
    const family = getComputedStyle(document.body).fontFamily;
    const font = (bold: boolean, mm: number): string => `${bold ? '700' : '500'} ${String(Math.round(mm * roll.dots_mm))}px ${family}`;
    const set = (scale: number): { text: string; font: string; high: number }[] =>
        [
            { text: label.code, bold: true, mm: 5.2 },
            { text: label.name, bold: true, mm: 3.4 },
            ...label.lines.map((text) => ({ text, bold: false, mm: 2.9 })),
        ].flatMap(({ text, bold, mm }) => {
            pen.font = font(bold, mm * scale);
            const of = pen.font;
            return broken(text, room, (part) => pen.measureText(part).width).map((line) => ({
                text: line,
                font: of,
                high: Math.round(1.18 * mm * scale * roll.dots_mm),
            }));
        });
    const tall = (lines: { high: number }[]): number => lines.reduce((sum, line) => sum + line.high, 0);
    // Smaller than this nobody reads it at the bench.
    let lines = set(1);
    for (let scale = 0.95; tall(lines) > height - 2 * rim && scale > 0.6; scale -= 0.05) {
        lines = set(scale);
    }
    let y = rim;
    pen.textBaseline = 'top';
    for (const line of lines) {
        if (y + line.high > height - rim / 2) {
            break;
        }
        pen.font = line.font;
        pen.fillText(line.text, rim, y);
        y += line.high;
    }
    const { data } = pen.getImageData(0, 0, width, height);
    return toBase64(bitmap(width, height, (x, y) => (data[4 * (y * width + x)] ?? 255) < BLACK_BELOW));
}
