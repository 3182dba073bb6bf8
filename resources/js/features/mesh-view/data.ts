import { BufferAttribute, BufferGeometry } from 'three';

/** What the server sends of a lit mesh: see docs/formats.md. */
export type LitMesh = {
    /** x, y, z of every vertex, mm. */
    positions: Float32Array;
    /** Three vertices a triangle. */
    corners: Uint32Array;
    /** Id of the area of each triangle; 0 for none. */
    areas: Uint32Array;
    /** 0..255 by vertex: how much of each directed spray it receives, in the order of the sprays. */
    exposures: readonly Uint8Array[];
    /** 0 recess .. 4 edge, by triangle. */
    zones: Uint8Array;
};

export async function loadMesh(path: string, sprays: number, signal: AbortSignal): Promise<LitMesh> {
    const response = await fetch(path, { signal });
    if (!response.ok) throw new Error(`the mesh cannot be loaded (${response.status})`);
    return parseMesh(await response.arrayBuffer(), sprays);
}

/** Which area each triangle is: it changes while the rest of the mesh stays. */
export async function loadAreas(path: string, signal: AbortSignal): Promise<Uint32Array> {
    const response = await fetch(path, { signal });
    if (!response.ok) throw new Error(`the areas cannot be loaded (${response.status})`);
    return new Uint32Array(await response.arrayBuffer());
}

/** How an area that shines lights every vertex, 0..255. */
export async function loadGlow(path: string, signal: AbortSignal): Promise<Uint8Array> {
    const response = await fetch(path, { signal });
    if (!response.ok) throw new Error('The mesh shows nothing of this area yet.');
    return new Uint8Array(await response.arrayBuffer());
}

export function parseMesh(buffer: ArrayBuffer, sprays: number): LitMesh {
    const { vertices, triangles, positions, corners, take, end } = begun(buffer);
    const mesh = {
        positions,
        corners,
        areas: new Uint32Array(buffer, take(4 * triangles), triangles),
        exposures: Array.from({ length: sprays }, () => new Uint8Array(buffer, take(vertices), vertices)),
        zones: new Uint8Array(buffer, take(triangles), triangles),
    };
    end();
    return mesh;
}

/** A part as it is in its file, before there is light: counts, positions, corners. */
export async function loadBare(path: string): Promise<BufferGeometry> {
    const response = await fetch(path);
    if (!response.ok) throw new Error(`a part cannot be loaded (${response.status})`);
    const { positions, corners, end } = begun(await response.arrayBuffer());
    end();
    return faceted(positions, corners);
}

/** Every triangle with corners of its own: each can have its colour, and edges stay sharp. */
export function faceted(positions: Float32Array, corners: Uint32Array): BufferGeometry {
    const n = corners.length;
    const places = new Float32Array(3 * n);
    for (let i = 0; i < n; i++) {
        const v = 3 * (corners[i] ?? 0);
        places[3 * i] = positions[v] ?? 0;
        places[3 * i + 1] = positions[v + 1] ?? 0;
        places[3 * i + 2] = positions[v + 2] ?? 0;
    }
    const geometry = new BufferGeometry();
    geometry.setAttribute('position', new BufferAttribute(places, 3));
    geometry.computeVertexNormals();
    geometry.computeBoundingSphere();
    return geometry;
}

/** What every mesh begins with. */
function begun(buffer: ArrayBuffer) {
    const head = new Uint32Array(buffer, 0, 2);
    const vertices = head[0] ?? 0;
    const triangles = head[1] ?? 0;
    let at = 8;
    const take = (bytes: number) => {
        const from = at;
        at += bytes;
        return from;
    };
    return {
        vertices,
        triangles,
        positions: new Float32Array(buffer, take(12 * vertices), 3 * vertices),
        corners: new Uint32Array(buffer, take(12 * triangles), 3 * triangles),
        take,
        end: () => {
            if (at !== buffer.byteLength) throw new Error('the mesh arrived incomplete');
        },
    };
}
