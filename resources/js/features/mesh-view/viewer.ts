import {
    BufferAttribute,
    BufferGeometry,
    Color,
    Mesh,
    MeshBasicMaterial,
    MeshLambertMaterial,
    type Vector3,
} from 'three';
import type { CameraProps } from '@/types/generated';
import { faceted, type LitMesh } from './data';
import { Room } from './room';

/** Pixels along the longer side of a view that is kept. */
const STILL = 900;

/** A mesh on the screen, wearing its colours. */
export class MeshViewer extends Room {
    private readonly painted = new MeshBasicMaterial({ vertexColors: true });
    private readonly lit = new MeshLambertMaterial({ vertexColors: true });
    private readonly mesh: Mesh;

    constructor(canvas: HTMLCanvasElement, room: string) {
        super(canvas, room);
        this.mesh = new Mesh(new BufferGeometry(), this.lit);
        this.scene.add(this.mesh);
    }

    /** @param camera kept before; null looks from the front and a little above */
    show(data: LitMesh, up: Vector3, front: Vector3, camera: CameraProps | null, size: number): void {
        const geometry = faceted(data.positions, data.corners);
        geometry.setAttribute('color', new BufferAttribute(new Float32Array(3 * data.corners.length).fill(0.25), 3));
        this.mesh.geometry.dispose();
        this.mesh.geometry = geometry;
        if (geometry.boundingSphere) {
            this.lookAt(geometry.boundingSphere, up, front);
            if (camera) this.look(camera, size);
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

    /** What is on the screen now, as PNG for paper: no larger than it is kept, however fine the screen. */
    still(): Promise<Blob | null> {
        // On paper the room is white.
        const room = this.scene.background;
        this.scene.background = new Color('#ffffff');
        this.render();
        const by = Math.min(1, STILL / Math.max(1, this.canvas.width, this.canvas.height));
        const paper = document.createElement('canvas');
        paper.width = Math.max(1, Math.round(by * this.canvas.width));
        paper.height = Math.max(1, Math.round(by * this.canvas.height));
        // At once: what WebGL has drawn is gone with the next frame.
        paper.getContext('2d')?.drawImage(this.canvas, 0, 0, paper.width, paper.height);
        this.scene.background = room;
        this.draw();
        return new Promise((resolve) => {
            paper.toBlob(resolve, 'image/png');
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
        this.markAt(places.flat());
    }

    /** @returns the point of the mesh under a place of the canvas, and its triangle */
    pick(clientX: number, clientY: number): { at: [number, number, number]; triangle: number } | null {
        const hit = this.ray(clientX, clientY).intersectObject(this.mesh)[0];
        return hit?.faceIndex == null ? null : { at: [hit.point.x, hit.point.y, hit.point.z], triangle: hit.faceIndex };
    }

    override dispose(): void {
        this.mesh.geometry.dispose();
        this.painted.dispose();
        this.lit.dispose();
        super.dispose();
    }
}
