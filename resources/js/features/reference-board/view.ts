/** Where a picture lies on the board: scale in screen pixels a picture pixel, and its top left corner. */
export type View = { scale: number; x: number; y: number };

export type Point = readonly [number, number];

const CLOSEST = 24;

export function fitted(width: number, height: number, boxWidth: number, boxHeight: number): View {
    const scale = Math.min(boxWidth / width, boxHeight / height);
    return { scale, x: (boxWidth - width * scale) / 2, y: (boxHeight - height * scale) / 2 };
}

/** Zoomed so that the point under the pointer stays there. */
export function zoomed(view: View, factor: number, at: Point, least: number): View {
    const scale = Math.max(least, Math.min(CLOSEST, view.scale * factor));
    const real = scale / view.scale;
    return { scale, x: at[0] - (at[0] - view.x) * real, y: at[1] - (at[1] - view.y) * real };
}

/** From the board to the picture, 0..1 of its width and height. */
export function toPicture(view: View, at: Point, width: number, height: number): Point {
    return [(at[0] - view.x) / view.scale / width, (at[1] - view.y) / view.scale / height];
}
