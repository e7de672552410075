import {
    AmbientLight,
    BufferAttribute,
    BufferGeometry,
    Color,
    DoubleSide,
    Group,
    LineBasicMaterial,
    LineSegments,
    Matrix4,
    Mesh,
    MeshBasicMaterial,
    PerspectiveCamera,
    PlaneGeometry,
    Quaternion,
    Scene,
    ShaderMaterial,
    SphereGeometry,
    Vector3,
    WebGLRenderer,
} from 'three';
import { paletteOf, shader, type Palette } from './piecelook';
import { OrbitControls } from 'three/examples/jsm/controls/OrbitControls.js';

export type Point = [number, number, number];

/** A numbered place, to be labelled by the page. */
export type Pin = { id: string; at: Point };

export type Block = {
    across: Point;
    other: Point;
    along: Point;
    /** Corners of the box along these three, mm. */
    least: Point;
    most: Point;
    seam: number | null;
    keys: Point[];
    key: number;
    ways: { at: Point; to: Point; wide: number }[];
};

const letters: Record<string, number> = { a: 0, b: 1, h: 2, '-': 3 };
const vector = ([x, y, z]: Point): Vector3 => new Vector3(x, y, z);

/** A piece in three dimensions, turned by mouse, touch and keys. Draws only when something changed. */
export class PieceView {
    readonly #renderer: WebGLRenderer;
    readonly #scene = new Scene();
    readonly #camera = new PerspectiveCamera(32, 1, 1, 5000);
    readonly #controls: OrbitControls;
    readonly #piece = new Group();
    readonly #around = new Group();
    readonly #tank = new Group();
    readonly #material: ShaderMaterial;
    readonly #canvas: HTMLCanvasElement;
    readonly #place: (places: { id: string; x: number; y: number; behind: boolean }[]) => void;
    #pins: Pin[] = [];
    #mesh: Mesh | null = null;
    #asked = false;
    #size = 100;
    /** From the middle to the farthest corner of the block. */
    #reach = 0;
    #middle = new Vector3();
    #palette: Palette | null = null;

    constructor(canvas: HTMLCanvasElement, place: (places: { id: string; x: number; y: number; behind: boolean }[]) => void) {
        this.#canvas = canvas;
        this.#place = place;
        this.#renderer = new WebGLRenderer({ canvas, antialias: true, alpha: true });
        this.#renderer.setPixelRatio(Math.min(2, window.devicePixelRatio));
        this.#camera.up.set(0, 0, 1);
        this.#controls = new OrbitControls(this.#camera, canvas);
        this.#controls.addEventListener('change', () => this.draw());
        this.#material = new ShaderMaterial({
            vertexShader: shader.vertex,
            fragmentShader: shader.fragment,
            side: DoubleSide,
            uniforms: {
                above: { value: new Color() },
                below: { value: new Color() },
                hidden: { value: new Color() },
                base: { value: new Color() },
                inside: { value: new Color() },
                light: { value: new Vector3(0.45, -0.55, 0.7).normalize() },
                cut: { value: [0, 0, 1, 0] },
                cutting: { value: 0 },
            },
        });
        this.#scene.add(new AmbientLight(0xffffff, 1), this.#piece, this.#tank);
        this.#piece.add(this.#around);
    }

    /** Takes the colours of the page: light or lamplit. */
    repaint(): void {
        this.#palette = paletteOf(this.#canvas);
        for (const name of ['above', 'below', 'hidden', 'base', 'inside'] as const) {
            (this.#material.uniforms[name]?.value as Color | undefined)?.set(this.#palette[name]);
        }
        this.draw();
    }

    resize(): void {
        const { clientWidth: wide, clientHeight: high } = this.#canvas;
        if (wide > 0 && high > 0) {
            this.#renderer.setSize(wide, high, false);
            this.#camera.aspect = wide / high;
            this.#camera.updateProjectionMatrix();
            this.draw();
        }
    }

    /** The bytes of the study's picture: counts, places, corners; and a letter a facet. */
    show(bytes: ArrayBuffer, states: string): void {
        const [vertices, facets] = new Uint32Array(bytes, 0, 2);
        const places = new Float32Array(bytes, 8, (vertices ?? 0) * 3);
        const corners = new Uint32Array(bytes, 8 + (vertices ?? 0) * 12, (facets ?? 0) * 3);
        const flat = new Float32Array(corners.length * 3);
        const told = new Float32Array(corners.length);
        corners.forEach((corner, i) => {
            flat.set(places.subarray(3 * corner, 3 * corner + 3), 3 * i);
            told[i] = letters[states[Math.floor(i / 3)] ?? 'a'] ?? 0;
        });
        const geometry = new BufferGeometry();
        geometry.setAttribute('position', new BufferAttribute(flat, 3));
        geometry.setAttribute('state', new BufferAttribute(told, 1));
        geometry.computeVertexNormals();
        geometry.computeBoundingSphere();
        const first = this.#mesh === null;
        if (this.#mesh !== null) {
            this.#piece.remove(this.#mesh);
            this.#mesh.geometry.dispose();
        }
        this.#mesh = new Mesh(geometry, this.#material);
        this.#piece.add(this.#mesh);
        this.#middle = geometry.boundingSphere?.center.clone() ?? new Vector3();
        this.#size = geometry.boundingSphere?.radius ?? 100;
        if (first) {
            this.home();
        }
        this.draw();
    }

    /** Seen from the front, a little from above and from the right, all of it. */
    home(): void {
        const half = Math.sin((this.#camera.fov * Math.PI) / 360) * Math.min(1, this.#camera.aspect);
        const far = Math.max(this.#size, this.#reach) / half;
        this.#controls.target.copy(this.#middle);
        this.#camera.position.copy(this.#middle).add(new Vector3(0.55, -0.85, 0.5).normalize().multiplyScalar(far));
        this.#camera.near = this.#size / 50;
        this.#camera.far = this.#size * 40;
        this.#camera.updateProjectionMatrix();
        this.#controls.update();
        this.draw();
    }

    /** By so many degrees to the side and upwards; or nearer and farther. */
    turn(side: number, up: number, near = 1): void {
        const away = this.#camera.position.clone().sub(this.#controls.target);
        away.applyAxisAngle(new Vector3(0, 0, 1), (side * Math.PI) / 180);
        const axis = new Vector3(0, 0, 1).cross(away).normalize();
        const tipped = away.clone().applyAxisAngle(axis, (-up * Math.PI) / 180);
        const steep = Math.abs(tipped.clone().normalize().z);
        this.#camera.position.copy(this.#controls.target).add((steep < 0.995 ? tipped : away).multiplyScalar(near));
        this.#controls.update();
        this.draw();
    }

    /** Everything beyond a plane is taken away; null shows all. */
    cut(normal: Point | null, at: number): void {
        const uniforms = this.#material.uniforms;
        if (uniforms['cut'] !== undefined && uniforms['cutting'] !== undefined) {
            uniforms['cutting'].value = normal === null ? 0 : 1;
            uniforms['cut'].value = normal === null ? [0, 0, 1, 0] : [...normal, at];
        }
        this.draw();
    }

    /** The seam, and the block round the piece. */
    surround(seam: number[][], block: Block | null): void {
        this.#around.clear();
        const first = this.#reach === 0;
        if (block !== null) {
            this.#reach = vector(block.most).sub(vector(block.least)).length() / 2;
            if (first && this.#mesh !== null) {
                this.home();
            }
        }
        const palette = this.#palette;
        if (palette === null) {
            return;
        }
        if (seam.length > 0) {
            this.#around.add(this.#lines(seam.flat(), palette.seam));
        }
        if (block !== null) {
            const corner = (i: number): Vector3 =>
                vector(block.across)
                    .multiplyScalar((i & 1) > 0 ? block.most[0] : block.least[0])
                    .addScaledVector(vector(block.other), (i & 2) > 0 ? block.most[1] : block.least[1])
                    .addScaledVector(vector(block.along), (i & 4) > 0 ? block.most[2] : block.least[2]);
            const edges = [0, 1, 0, 2, 1, 3, 2, 3, 4, 5, 4, 6, 5, 7, 6, 7, 0, 4, 1, 5, 2, 6, 3, 7];
            this.#around.add(
                this.#lines(
                    edges.flatMap((i) => corner(i).toArray()),
                    palette.line,
                ),
            );
            if (block.seam !== null) {
                const plane = new Mesh(
                    new PlaneGeometry(block.most[0] - block.least[0], block.most[1] - block.least[1]),
                    new MeshBasicMaterial({ color: palette.seam, transparent: true, opacity: 0.1, side: DoubleSide, depthWrite: false }),
                );
                plane.applyMatrix4(new Matrix4().makeBasis(vector(block.across), vector(block.other), vector(block.along)));
                plane.position.copy(
                    vector(block.across)
                        .multiplyScalar((block.least[0] + block.most[0]) / 2)
                        .addScaledVector(vector(block.other), (block.least[1] + block.most[1]) / 2)
                        .addScaledVector(vector(block.along), block.seam),
                );
                this.#around.add(plane);
            }
            for (const at of block.keys) {
                const key = new Mesh(new SphereGeometry(block.key / 2, 20, 12), new MeshBasicMaterial({ color: palette.key }));
                key.position.copy(vector(at));
                this.#around.add(key);
            }
            for (const way of block.ways) {
                this.#around.add(this.#tube(vector(way.at), vector(way.to), way.wide, palette.seam));
            }
        }
        this.draw();
    }

    pins(pins: Pin[]): void {
        this.#pins = pins;
        this.draw();
    }

    /** In a tank: turned as it floats, the water at its level. Null takes it out again. */
    float(up: Point | null, level: number): void {
        this.#tank.clear();
        this.#piece.quaternion.identity();
        this.#piece.position.set(0, 0, 0);
        if (up !== null && this.#palette !== null) {
            const turn = new Quaternion().setFromUnitVectors(vector(up).normalize(), new Vector3(0, 0, 1));
            this.#piece.quaternion.copy(turn);
            const middle = this.#middle.clone().applyQuaternion(turn);
            this.#piece.position.copy(this.#middle).sub(middle);
            const water = level + this.#middle.z - middle.z;
            const wide = this.#size * 2.6;
            const surface = new Mesh(
                new PlaneGeometry(wide, wide),
                new MeshBasicMaterial({
                    color: this.#palette.water,
                    transparent: true,
                    opacity: 0.38,
                    side: DoubleSide,
                    depthWrite: false,
                }),
            );
            surface.position.set(this.#middle.x, this.#middle.y, water);
            const [x, y] = [this.#middle.x, this.#middle.y];
            const [low, high, w] = [water - this.#size * 1.3, water + this.#size * 0.7, wide / 2];
            const sides = [-1, 1].flatMap((i) => [-1, 1].flatMap((j) => [x + i * w, y + j * w, low, x + i * w, y + j * w, high]));
            const rims = [low, water, high].flatMap((z) =>
                [
                    [-1, -1, 1, -1],
                    [1, -1, 1, 1],
                    [1, 1, -1, 1],
                    [-1, 1, -1, -1],
                ].flatMap(([a = 0, b = 0, c = 0, d = 0]) => [x + a * w, y + b * w, z, x + c * w, y + d * w, z]),
            );
            this.#tank.add(surface, this.#lines([...sides, ...rims], this.#palette.water));
        }
        this.#around.visible = up === null;
        this.draw();
    }

    draw(): void {
        if (this.#asked) {
            return;
        }
        this.#asked = true;
        requestAnimationFrame(() => {
            this.#asked = false;
            this.#renderer.render(this.#scene, this.#camera);
            const { clientWidth: wide, clientHeight: high } = this.#canvas;
            this.#place(
                this.#around.visible
                    ? this.#pins.map(({ id, at }) => {
                          const seen = vector(at).applyMatrix4(this.#piece.matrixWorld).project(this.#camera);
                          return { id, x: ((seen.x + 1) / 2) * wide, y: ((1 - seen.y) / 2) * high, behind: seen.z > 1 };
                      })
                    : [],
            );
        });
    }

    close(): void {
        this.#controls.dispose();
        this.#mesh?.geometry.dispose();
        this.#material.dispose();
        this.#renderer.dispose();
    }

    #lines(places: number[], colour: string): LineSegments {
        const geometry = new BufferGeometry();
        geometry.setAttribute('position', new BufferAttribute(new Float32Array(places), 3));
        return new LineSegments(geometry, new LineBasicMaterial({ color: colour }));
    }

    /** As wide as it is drilled. */
    #tube(from: Vector3, to: Vector3, wide: number, colour: string): LineSegments {
        const way = to.clone().sub(from);
        const turn = new Quaternion().setFromUnitVectors(new Vector3(0, 0, 1), way.clone().normalize());
        const ring = (at: Vector3, radius: number): Vector3[] =>
            Array.from({ length: 12 }, (_, i) =>
                new Vector3(radius * Math.cos((i * Math.PI) / 6), radius * Math.sin((i * Math.PI) / 6), 0).applyQuaternion(turn).add(at),
            );
        const [inner, outer] = [ring(from, wide / 2), ring(to, wide / 2)];
        const places = inner.flatMap((p, i) => {
            const [next, out, further] = [inner[(i + 1) % 12], outer[i], outer[(i + 1) % 12]];
            return next === undefined || out === undefined || further === undefined ? [] : [p, next, p, out, out, further];
        });
        return this.#lines(
            places.flatMap((p) => p.toArray()),
            colour,
        );
    }
}
