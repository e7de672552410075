/** Reading even patches off a photo. What is made of the pixels is worked out on the server. */
export type Spot = { x: number; y: number };
export type Pixels = [number, number, number][];

/** Enough pixels to be sure, few enough to send. */
const MOST = 900;
const WIDEST = 1600;

export async function opened(file: File): Promise<HTMLCanvasElement> {
    const picture = await createImageBitmap(file);
    const scale = Math.min(1, WIDEST / Math.max(picture.width, picture.height));
    const canvas = document.createElement('canvas');
    canvas.width = Math.round(picture.width * scale);
    canvas.height = Math.round(picture.height * scale);
    canvas.getContext('2d', { willReadFrequently: true })?.drawImage(picture, 0, 0, canvas.width, canvas.height);
    picture.close();
    return canvas;
}

/** The pixels of a square around a spot; spot and size are shares of the picture's width and height. */
export function pixels(canvas: HTMLCanvasElement, spot: Spot, size: number): Pixels {
    const side = Math.max(6, Math.round(size * canvas.width));
    const left = Math.max(0, Math.min(canvas.width - side, Math.round(spot.x * canvas.width - side / 2)));
    const top = Math.max(0, Math.min(canvas.height - side, Math.round(spot.y * canvas.height - side / 2)));
    const data = canvas.getContext('2d', { willReadFrequently: true })?.getImageData(left, top, side, side).data ?? new Uint8ClampedArray();
    const step = Math.max(1, Math.floor(data.length / 4 / MOST));
    const taken: Pixels = [];
    for (let i = 0; i + 2 < data.length; i += 4 * step) {
        taken.push([data[i] ?? 0, data[i + 1] ?? 0, data[i + 2] ?? 0]);
    }
    return taken;
}
