import { useEffect, useRef, type RefObject } from 'react';
import { Vector3 } from 'three';
import type { Room } from './room';

const SIDES: Record<string, [number, number, number]> = {
    x: [1, 0, 0],
    y: [0, 1, 0],
    z: [0, 0, 1],
    '-x': [-1, 0, 0],
    '-y': [0, -1, 0],
    '-z': [0, 0, -1],
};

/** One of the six sides as a direction. */
export function side(name: string): Vector3 {
    return new Vector3(...(SIDES[name] ?? [0, 0, 1]));
}

export function canDraw(): boolean {
    return document.createElement('canvas').getContext('webgl2') !== null;
}

/** A room on a canvas, as large as what holds it. */
export function useRoom<R extends Room>(
    canvas: RefObject<HTMLCanvasElement | null>,
    make: (element: HTMLCanvasElement, surround: string) => R,
    onRoom?: (room: R | null) => void,
): RefObject<R | null> {
    const room = useRef<R | null>(null);
    // The page may pass new functions at every render; the newest are called.
    const latest = useRef({ make, onRoom });
    useEffect(() => {
        latest.current = { make, onRoom };
    });

    useEffect(() => {
        const element = canvas.current;
        const box = element?.parentElement;
        if (!element || !box) return;
        if (!canDraw()) return;
        const made = latest.current.make(element, getComputedStyle(box).backgroundColor);
        room.current = made;
        latest.current.onRoom?.(made);
        const observer = new ResizeObserver(() => {
            made.resize(box.clientWidth, box.clientHeight);
        });
        observer.observe(box);
        // The surround can be changed while the mesh is looked at.
        const surround = new MutationObserver(() => {
            made.background(getComputedStyle(box).backgroundColor);
        });
        surround.observe(document.documentElement, { attributes: true });
        return () => {
            observer.disconnect();
            surround.disconnect();
            made.dispose();
            room.current = null;
            latest.current.onRoom?.(null);
        };
    }, [canvas]);

    return room;
}

export function RoomCanvas({
    canvas,
    room,
    label,
    onClick,
}: {
    canvas: RefObject<HTMLCanvasElement | null>;
    room: RefObject<Room | null>;
    label: string;
    onClick: (clientX: number, clientY: number) => void;
}) {
    const down = useRef<{ x: number; y: number } | null>(null);
    return (
        <canvas
            ref={canvas}
            tabIndex={0}
            role="application"
            aria-label={label}
            className="h-full w-full touch-none"
            onKeyDown={(event) => {
                if (room.current?.turn(event.key)) event.preventDefault();
            }}
            onPointerDown={(event) => {
                down.current = { x: event.clientX, y: event.clientY };
            }}
            onPointerUp={(event) => {
                // Turning is no choosing.
                const from = down.current;
                if (!from || Math.hypot(event.clientX - from.x, event.clientY - from.y) > 4) return;
                onClick(event.clientX, event.clientY);
            }}
        />
    );
}
