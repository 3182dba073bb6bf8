import type { BufferGeometry } from 'three';

/**
 * What a print file looks like, read here while it is on its way: a first picture before the server has all of it. Null
 * where it cannot be read; what is wrong with it the server says.
 */
export async function shapeOf(file: File): Promise<BufferGeometry | null> {
    try {
        const bytes = await file.arrayBuffer();
        const ending = file.name.slice(file.name.lastIndexOf('.') + 1).toLowerCase();
        // The loaders are fetched when a file is chosen, and only then.
        if (ending === 'stl') {
            const { STLLoader } = await import('three/examples/jsm/loaders/STLLoader.js');
            return new STLLoader().parse(bytes);
        }
        const group =
            ending === 'obj'
                ? new (await import('three/examples/jsm/loaders/OBJLoader.js')).OBJLoader().parse(
                      new TextDecoder().decode(bytes),
                  )
                : new (await import('three/examples/jsm/loaders/3MFLoader.js')).ThreeMFLoader().parse(bytes);
        const { Mesh } = await import('three');
        const { mergeGeometries } = await import('three/examples/jsm/utils/BufferGeometryUtils.js');
        const shapes: BufferGeometry[] = [];
        group.updateMatrixWorld(true);
        group.traverse((object) => {
            if (!(object instanceof Mesh)) return;
            const shape = (object.geometry as BufferGeometry).clone().toNonIndexed().applyMatrix4(object.matrixWorld);
            for (const name of Object.keys(shape.attributes)) if (name !== 'position') shape.deleteAttribute(name);
            shapes.push(shape);
        });
        if (shapes.length === 0) return null;
        const whole = mergeGeometries(shapes) as BufferGeometry | null;
        whole?.computeVertexNormals();
        return whole;
    } catch {
        return null;
    }
}
