/** How a piece looks in the picture of its study: colours, and the shader that stripes what hides. */

/** Colours of the theme the page stands in, read off it. */
export type Palette = {
    above: string;
    below: string;
    hidden: string;
    base: string;
    inside: string;
    line: string;
    seam: string;
    key: string;
    water: string;
    paper: string;
};

export const shader = {
    vertex: `
        attribute float state;
        varying float vState;
        varying vec3 vNormal2;
        varying vec3 vPlace;
        void main() {
            vState = state;
            vNormal2 = normal;
            vPlace = position;
            gl_Position = projectionMatrix * modelViewMatrix * vec4(position, 1.0);
        }`,
    // Hidden surface is striped as well as coloured: it tells itself from the rest in any light and to any eye.
    fragment: `
        uniform vec3 above, below, hidden, base, inside, light;
        uniform vec4 cut;
        uniform float cutting;
        varying float vState;
        varying vec3 vNormal2;
        varying vec3 vPlace;
        void main() {
            if (cutting > 0.5 && dot(vPlace, cut.xyz) > cut.w) discard;
            vec3 colour = vState < 0.5 ? above : vState < 1.5 ? below : vState < 2.5 ? hidden : base;
            if (vState > 1.5 && vState < 2.5) {
                float stripe = step(0.5, fract((gl_FragCoord.x + gl_FragCoord.y) / 9.0));
                colour = mix(colour, colour * 0.38, stripe);
            }
            if (!gl_FrontFacing) colour = inside;
            float lit = 0.62 + 0.38 * clamp(dot(normalize(vNormal2) * (gl_FrontFacing ? 1.0 : -1.0), light), -1.0, 1.0);
            gl_FragColor = vec4(colour * lit, 1.0);
            #include <colorspace_fragment>
        }`,
};

/** The colours an element stands in. */
export function paletteOf(element: HTMLElement): Palette {
    const style = getComputedStyle(element);
    // Whatever form a theme's colour has, a canvas knows it as red, green and blue.
    const brush = document.createElement('canvas').getContext('2d');
    const read = (name: string, otherwise: string): string => {
        const value = style.getPropertyValue(name).trim();
        if (brush === null || value === '') {
            return otherwise;
        }
        brush.fillStyle = otherwise;
        brush.fillStyle = value;
        brush.fillRect(0, 0, 1, 1);
        const [r, g, b] = brush.getImageData(0, 0, 1, 1).data;
        return `rgb(${String(r)}, ${String(g)}, ${String(b)})`;
    };
    return {
        above: read('--piece-above', '#d9c6a0'),
        below: read('--piece-below', '#9fb7a6'),
        hidden: read('--piece-hidden', '#c8402a'),
        base: read('--piece-base', '#b7b0a2'),
        inside: read('--piece-inside', '#6f6656'),
        line: read('--color-neutral', '#6a6353'),
        seam: read('--color-base-content', '#2b261d'),
        key: read('--color-success', '#2f7d6b'),
        water: read('--piece-water', '#4f8aa3'),
        paper: read('--color-base-100', '#f4eedf'),
    };
}
