import {
    AmbientLight,
    BufferAttribute,
    BufferGeometry,
    Color,
    DirectionalLight,
    PerspectiveCamera,
    Points,
    PointsMaterial,
    Raycaster,
    Scene,
    Vector2,
    Vector3,
    WebGLRenderer,
    type Sphere,
} from 'three';
import { OrbitControls } from 'three/examples/jsm/controls/OrbitControls.js';

const TURN = Math.PI / 24;
/** Degrees from the lower to the upper edge. */
const FIELD = 35;

/** A place to look around in: turned by mouse, touch or arrow keys; drawn only when something changed. */
export class Room {
    protected readonly renderer: WebGLRenderer;
    protected readonly scene = new Scene();
    protected readonly camera = new PerspectiveCamera(FIELD, 1, 0.1, 10_000);
    protected readonly controls: OrbitControls;
    /** White in a dark rim: seen on whatever lies behind. */
    private readonly marks = [18, 12].map(
        (size, i) =>
            new Points(
                new BufferGeometry(),
                new PointsMaterial({
                    color: i === 0 ? 0x000000 : 0xffffff,
                    size,
                    sizeAttenuation: false,
                    depthTest: false,
                }),
            ),
    );
    private readonly headlight = new DirectionalLight(0xffffff, 2.2);
    private waiting = false;

    constructor(
        protected readonly canvas: HTMLCanvasElement,
        room: string,
        /** How far the lamp stands above and beside the eye, of the distance; relief shows, and less of the shadows. */
        private readonly aside = 0,
    ) {
        this.renderer = new WebGLRenderer({ canvas, antialias: true, preserveDrawingBuffer: true });
        this.renderer.setPixelRatio(Math.min(2, window.devicePixelRatio));
        this.scene.background = new Color(room);
        this.scene.add(new AmbientLight(0xffffff, aside > 0 ? 0.5 : 1.2), this.headlight, this.headlight.target);
        this.marks.forEach((marks, i) => {
            marks.renderOrder = 1 + i;
            marks.visible = false;
            this.scene.add(marks);
        });
        this.controls = new OrbitControls(this.camera, canvas);
        this.controls.addEventListener('change', () => {
            this.draw();
        });
    }

    /** All of it in view, from the front and a little above. */
    protected lookAt(sphere: Sphere, up: Vector3, front: Vector3): void {
        this.camera.up.copy(up);
        this.camera.near = sphere.radius / 100;
        this.camera.far = 20 * sphere.radius;
        const towards = front
            .clone()
            .addScaledVector(new Vector3().crossVectors(up, front), 0.35)
            .addScaledVector(up, 0.25)
            .normalize();
        this.controls.target.copy(sphere.center);
        this.camera.position.copy(sphere.center).addScaledVector(towards, 3.4 * sphere.radius);
        this.controls.update();
    }

    background(room: string): void {
        this.scene.background = new Color(room);
        this.draw();
    }

    turn(key: string): boolean {
        const offset = this.camera.position.clone().sub(this.controls.target);
        const side = new Vector3().crossVectors(this.camera.up, offset).normalize();
        switch (key) {
            case 'ArrowLeft':
                offset.applyAxisAngle(this.camera.up, -TURN);
                break;
            case 'ArrowRight':
                offset.applyAxisAngle(this.camera.up, TURN);
                break;
            case 'ArrowUp':
                offset.applyAxisAngle(side, -TURN);
                break;
            case 'ArrowDown':
                offset.applyAxisAngle(side, TURN);
                break;
            case '+':
                offset.multiplyScalar(0.9);
                break;
            case '-':
                offset.multiplyScalar(1.1);
                break;
            default:
                return false;
        }
        this.camera.position.copy(this.controls.target).add(offset);
        this.controls.update();
        this.draw();
        return true;
    }

    resize(width: number, height: number): void {
        this.renderer.setSize(width, height, false);
        const aspect = width / Math.max(1, height);
        this.camera.aspect = aspect;
        // A narrow view sees as far to the sides as one three quarters as wide as it is high.
        const half = Math.tan((FIELD / 2) * (Math.PI / 180)) * Math.max(1, 0.75 / aspect);
        this.camera.fov = 2 * Math.atan(half) * (180 / Math.PI);
        this.camera.updateProjectionMatrix();
        this.draw();
    }

    /** Places that are marked, before everything. */
    protected markAt(places: readonly number[]): void {
        for (const marks of this.marks) {
            marks.geometry.dispose();
            marks.geometry = new BufferGeometry();
            marks.geometry.setAttribute('position', new BufferAttribute(new Float32Array(places), 3));
            marks.visible = places.length > 0;
        }
        this.draw();
    }

    dispose(): void {
        for (const marks of this.marks) {
            marks.geometry.dispose();
            marks.material.dispose();
        }
        this.controls.dispose();
        this.renderer.dispose();
    }

    /** A ray into the room from a place of the canvas. */
    protected ray(clientX: number, clientY: number): Raycaster {
        const box = this.canvas.getBoundingClientRect();
        const ray = new Raycaster();
        ray.setFromCamera(
            new Vector2((2 * (clientX - box.left)) / box.width - 1, 1 - (2 * (clientY - box.top)) / box.height),
            this.camera,
        );
        return ray;
    }

    protected draw(): void {
        if (this.waiting) return;
        this.waiting = true;
        requestAnimationFrame(() => {
            this.waiting = false;
            this.render();
            this.canvas.dataset['drawn'] = 'yes';
        });
    }

    protected render(): void {
        const offset = this.camera.position.clone().sub(this.controls.target);
        this.headlight.position
            .copy(this.camera.position)
            .addScaledVector(this.camera.up, this.aside * offset.length())
            .addScaledVector(new Vector3().crossVectors(this.camera.up, offset), -this.aside);
        // A lamp of its own direction shines at a place: a print file may stand anywhere on its plate.
        this.headlight.target.position.copy(this.controls.target);
        this.renderer.render(this.scene, this.camera);
    }
}
