import {
    AmbientLight,
    BufferAttribute,
    BufferGeometry,
    Color,
    DirectionalLight,
    Mesh,
    MeshBasicMaterial,
    MeshLambertMaterial,
    PerspectiveCamera,
    Points,
    PointsMaterial,
    Raycaster,
    Scene,
    Vector2,
    Vector3,
    WebGLRenderer,
} from 'three';
import { OrbitControls } from 'three/examples/jsm/controls/OrbitControls.js';
import type { CameraProps } from '@/types/generated';
import type { LitMesh } from './data';

const TURN = Math.PI / 24;
/** Degrees from the lower to the upper edge. */
const FIELD = 35;

/** A mesh on the screen: turned by mouse, touch or arrow keys; drawn only when something changed. */
export class MeshViewer {
    private readonly renderer: WebGLRenderer;
    private readonly scene = new Scene();
    private readonly camera = new PerspectiveCamera(FIELD, 1, 0.1, 10_000);
    private readonly controls: OrbitControls;
    private readonly painted = new MeshBasicMaterial({ vertexColors: true });
    private readonly lit = new MeshLambertMaterial({ vertexColors: true });
    private readonly mesh: Mesh;
    private readonly marks = new Points(
        new BufferGeometry(),
        new PointsMaterial({ color: 0xffffff, size: 12, sizeAttenuation: false, depthTest: false }),
    );
    private readonly headlight = new DirectionalLight(0xffffff, 2.2);
    private waiting = false;

    constructor(
        private readonly canvas: HTMLCanvasElement,
        room: string,
    ) {
        this.renderer = new WebGLRenderer({ canvas, antialias: true, preserveDrawingBuffer: true });
        this.renderer.setPixelRatio(Math.min(2, window.devicePixelRatio));
        this.scene.background = new Color(room);
        this.mesh = new Mesh(new BufferGeometry(), this.lit);
        this.marks.renderOrder = 1;
        this.marks.visible = false;
        this.scene.add(this.mesh, this.marks, new AmbientLight(0xffffff, 1.2), this.headlight);
        this.controls = new OrbitControls(this.camera, canvas);
        this.controls.addEventListener('change', () => {
            this.draw();
        });
    }

    /** @param camera kept before; null looks from the front and a little above */
    show(data: LitMesh, up: Vector3, front: Vector3, camera: CameraProps | null, size: number): void {
        const n = data.corners.length;
        const places = new Float32Array(3 * n);
        for (let i = 0; i < n; i++) {
            const v = 3 * (data.corners[i] ?? 0);
            places[3 * i] = data.positions[v] ?? 0;
            places[3 * i + 1] = data.positions[v + 1] ?? 0;
            places[3 * i + 2] = data.positions[v + 2] ?? 0;
        }
        const geometry = new BufferGeometry();
        geometry.setAttribute('position', new BufferAttribute(places, 3));
        geometry.setAttribute('color', new BufferAttribute(new Float32Array(3 * n).fill(0.25), 3));
        geometry.computeVertexNormals();
        geometry.computeBoundingSphere();
        this.mesh.geometry.dispose();
        this.mesh.geometry = geometry;
        const sphere = geometry.boundingSphere;
        if (sphere) {
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
            if (camera) this.look(camera, size);
            this.controls.update();
        }
        this.draw();
    }

    /** @param size longest side of the figure now: what was kept of a smaller one is scaled */
    look(camera: CameraProps, size: number): void {
        const by = size > 0 ? size / camera.size : 1;
        this.controls.target.fromArray(camera.to).multiplyScalar(by);
        this.camera.position.fromArray(camera.from).multiplyScalar(by);
        this.controls.update();
        this.draw();
    }

    seenFrom(size: number): CameraProps {
        return { from: this.camera.position.toArray(), to: this.controls.target.toArray(), size };
    }

    /** What is on the screen now, as PNG for paper. */
    still(): Promise<Blob | null> {
        // On paper the room is white.
        const room = this.scene.background;
        this.scene.background = new Color('#ffffff');
        this.render();
        return new Promise((resolve) => {
            this.canvas.toBlob((blob) => {
                this.scene.background = room;
                this.draw();
                resolve(blob);
            }, 'image/png');
        });
    }

    paint(colours: Float32Array, isLit: boolean): void {
        const colour = this.mesh.geometry.getAttribute('color');
        if (colour.array.length !== colours.length) return;
        (colour.array as Float32Array).set(colours);
        colour.needsUpdate = true;
        this.mesh.material = isLit ? this.lit : this.painted;
        this.draw();
    }

    /** Places that are marked, before everything. */
    mark(places: readonly (readonly [number, number, number])[]): void {
        this.marks.geometry.dispose();
        this.marks.geometry = new BufferGeometry();
        this.marks.geometry.setAttribute('position', new BufferAttribute(new Float32Array(places.flat()), 3));
        this.marks.visible = places.length > 0;
        this.draw();
    }

    background(room: string): void {
        this.scene.background = new Color(room);
        this.draw();
    }

    /** @returns the point of the mesh under a place of the canvas, and its triangle */
    pick(clientX: number, clientY: number): { at: [number, number, number]; triangle: number } | null {
        const box = this.canvas.getBoundingClientRect();
        const ray = new Raycaster();
        ray.setFromCamera(
            new Vector2((2 * (clientX - box.left)) / box.width - 1, 1 - (2 * (clientY - box.top)) / box.height),
            this.camera,
        );
        const hit = ray.intersectObject(this.mesh)[0];
        return hit?.faceIndex == null ? null : { at: [hit.point.x, hit.point.y, hit.point.z], triangle: hit.faceIndex };
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

    dispose(): void {
        this.controls.dispose();
        this.mesh.geometry.dispose();
        this.marks.geometry.dispose();
        this.marks.material.dispose();
        this.painted.dispose();
        this.lit.dispose();
        this.renderer.dispose();
    }

    private draw(): void {
        if (this.waiting) return;
        this.waiting = true;
        requestAnimationFrame(() => {
            this.waiting = false;
            this.render();
            this.canvas.dataset['drawn'] = 'yes';
        });
    }

    private render(): void {
        this.headlight.position.copy(this.camera.position);
        this.renderer.render(this.scene, this.camera);
    }
}
