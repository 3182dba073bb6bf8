import {
    Box3,
    Matrix4,
    Mesh,
    MeshLambertMaterial,
    Object3D,
    Quaternion,
    Sphere,
    Vector3,
    type BufferGeometry,
} from 'three';
import { TransformControls } from 'three/examples/jsm/controls/TransformControls.js';
import type { MeshProps } from '@/types/generated';
import { Room } from './room';

export type Hand = 'look' | 'turn' | 'move' | 'attach';

/** Where a part was put by hand. */
export type Put = { move: number[]; rotation: number[] };

/** A point on a part, in units of its file. */
export type OnPart = { mesh: number; at: [number, number, number] };

const GREY = 0xa0a0a0;
const CHOSEN = 0xe6e6e6;

/** The bare parts of a figure as they stand, each to be turned and moved by hand. */
export class PartsViewer extends Room {
    private readonly parts = new Map<number, Mesh<BufferGeometry, MeshLambertMaterial>>();
    private arriving: Mesh<BufferGeometry, MeshLambertMaterial> | null = null;
    private readonly handle: TransformControls;
    /** In the middle of the part that is held. */
    private readonly pivot = new Object3D();
    private held: { part: number; from: Matrix4; mesh: Matrix4 } | null = null;
    private isDragged = false;
    private shownAs = '';

    constructor(
        canvas: HTMLCanvasElement,
        room: string,
        private readonly onPut: (part: number, put: Put) => void,
    ) {
        super(canvas, room, 0.6);
        this.handle = new TransformControls(this.camera, canvas);
        // Whatever is not paint is neutral: the axes differ in grey, and the one that is held is white.
        this.handle.setColors(0xb0b0b0, 0x707070, 0x404040, 0xffffff);
        this.handle.addEventListener('change', () => {
            this.follow();
            this.draw();
        });
        this.handle.addEventListener('dragging-changed', (event) => {
            this.isDragged = event.value === true;
            this.controls.enabled = !this.isDragged;
            if (!this.isDragged) this.put();
        });
        this.scene.add(this.pivot, this.handle.getHelper());
        this.handle.enabled = false;
        this.handle.getHelper().visible = false;
    }

    /** Something that is on its way, as it stands in its own file; null when it is there or was called off. */
    arrive(shape: BufferGeometry | null): void {
        if ((this.arriving?.geometry ?? null) === shape) return;
        if (this.arriving) {
            this.scene.remove(this.arriving);
            this.arriving.geometry.dispose();
            this.arriving.material.dispose();
        }
        this.arriving = shape && new Mesh(shape, new MeshLambertMaterial({ color: GREY }));
        if (this.arriving) this.scene.add(this.arriving);
        this.draw();
    }

    /** @param shapes of the parts that have arrived */
    show(
        meshes: readonly MeshProps[],
        shapes: ReadonlyMap<number, BufferGeometry>,
        up: Vector3,
        front: Vector3,
        look: string,
    ): void {
        for (const [id, mesh] of this.parts) {
            if (!meshes.some((m) => m.id === id && shapes.get(id) === mesh.geometry)) {
                this.scene.remove(mesh);
                mesh.material.dispose();
                this.parts.delete(id);
            }
        }
        for (const part of meshes) {
            const shape = shapes.get(part.id);
            if (!shape) continue;
            const mesh = this.parts.get(part.id) ?? new Mesh(shape, new MeshLambertMaterial({ color: GREY }));
            if (!this.parts.has(part.id)) {
                mesh.userData['part'] = part.id;
                this.parts.set(part.id, mesh);
                this.scene.add(mesh);
            }
            mesh.position.fromArray(part.move);
            mesh.quaternion.fromArray(part.rotation);
            mesh.scale.set((part.mirror ? -1 : 1) * part.unitMm, part.unitMm, part.unitMm);
            mesh.updateMatrixWorld(true);
        }
        // What one looks at stays where it is, unless there is more to see.
        if (look !== this.shownAs && (this.parts.size > 0 || this.arriving)) {
            const sphere = this.bounds().getBoundingSphere(new Sphere());
            this.lookAt(sphere, up, front);
            this.shownAs = look;
        }
        this.draw();
    }

    /** Which part is held, and what a drag does with it. */
    hold(part: number | null, hand: Hand): void {
        for (const [id, mesh] of this.parts) mesh.material.color.setHex(id === part ? CHOSEN : GREY);
        const mesh = part === null ? undefined : this.parts.get(part);
        const isHeld = mesh !== undefined && (hand === 'turn' || hand === 'move');
        if (isHeld) {
            this.pivot.position.copy(new Box3().setFromObject(mesh).getCenter(new Vector3()));
            this.pivot.quaternion.identity();
            this.pivot.updateMatrixWorld(true);
            this.held = {
                part: part ?? 0,
                from: this.pivot.matrixWorld.clone().invert(),
                mesh: mesh.matrixWorld.clone(),
            };
            this.handle.setMode(hand === 'turn' ? 'rotate' : 'translate');
            this.handle.attach(this.pivot);
        } else {
            this.held = null;
            this.handle.detach();
        }
        this.handle.enabled = isHeld;
        this.handle.getHelper().visible = isHeld;
        this.draw();
    }

    /** @returns the part under a place of the canvas, and where on it */
    pick(clientX: number, clientY: number): OnPart | null {
        const hit = this.ray(clientX, clientY).intersectObjects([...this.parts.values()])[0];
        if (!hit) return null;
        const at = hit.object.worldToLocal(hit.point.clone());
        return { mesh: hit.object.userData['part'] as number, at: [at.x, at.y, at.z] };
    }

    mark(places: readonly OnPart[]): void {
        const points = places.flatMap(({ mesh, at }) => {
            const part = this.parts.get(mesh);
            return part ? part.localToWorld(new Vector3(...at)).toArray() : [];
        });
        this.markAt(points);
    }

    override dispose(): void {
        this.arrive(null);
        this.handle.detach();
        this.handle.dispose();
        for (const mesh of this.parts.values()) mesh.material.dispose();
        super.dispose();
    }

    private bounds(): Box3 {
        const box = new Box3();
        for (const mesh of this.parts.values()) box.expandByObject(mesh);
        if (this.arriving) box.expandByObject(this.arriving);
        return box;
    }

    private moved(): Matrix4 | null {
        if (!this.held) return null;
        this.pivot.updateMatrixWorld(true);
        return this.pivot.matrixWorld.clone().multiply(this.held.from).multiply(this.held.mesh);
    }

    private follow(): void {
        const to = this.isDragged ? this.moved() : null;
        const mesh = this.parts.get(this.held?.part ?? 0);
        if (!to || !mesh) return;
        // Mirrored across x in its file: taken out before the rotation is read, and put back by the scale.
        const { position, quaternion } = unmirrored(to, mesh.scale.x < 0);
        mesh.position.copy(position);
        mesh.quaternion.copy(quaternion);
        mesh.updateMatrixWorld(true);
    }

    private put(): void {
        const mesh = this.parts.get(this.held?.part ?? 0);
        if (!this.held || !mesh) return;
        this.onPut(this.held.part, { move: mesh.position.toArray(), rotation: mesh.quaternion.toArray() });
    }
}

function unmirrored(matrix: Matrix4, isMirrored: boolean): { position: Vector3; quaternion: Quaternion } {
    const own = isMirrored ? matrix.clone().multiply(new Matrix4().makeScale(-1, 1, 1)) : matrix;
    const position = new Vector3();
    const quaternion = new Quaternion();
    own.decompose(position, quaternion, new Vector3());
    return { position, quaternion };
}
