import { useMemo, useState } from 'react';
import type { Hand, OnPart, Put } from '@/features/mesh-view/parts-viewer';
import { send } from '@/shared/lib/api';
import { reloaded } from '@/shared/lib/reloaded';
import { url } from '@/shared/lib/url';
import type { FigureProps, MeshProps } from '@/types/generated';

/** Whether an act on the parts can be taken back, or done again. */
export type Posing = { canUndo: boolean; canRedo: boolean };

type Acts = {
    attempt: (act: () => Promise<unknown>) => Promise<boolean>;
    setMessage: (words: string | null) => void;
};

/** Parts are put where they belong: by their pegs, face on face, by hand, by numbers. Light is calculated when all stand. */
export function usePosing(
    { figure, meshes, posing }: { figure: FigureProps; meshes: readonly MeshProps[]; posing: Posing },
    { attempt, setMessage }: Acts,
) {
    const [hand, setHand] = useState<Hand>('look');
    const [chosen, setChosen] = useState<number | null>(null);
    const [first, setFirst] = useState<OnPart | null>(null);
    const [fits, setFits] = useState(0);
    const held = meshes.find((mesh) => mesh.id === chosen)?.id ?? null;
    const marks = useMemo(() => (first === null ? [] : [first]), [first]);
    const path = { figure: figure.id };

    async function act(what: () => Promise<unknown>) {
        const done = await attempt(what);
        await reloaded();
        return done;
    }

    const change = (mesh: number, body: Record<string, unknown>) =>
        act(() => send('PATCH', url('meshes.update', { ...path, mesh }), body));

    function take(next: Hand) {
        setHand(next);
        setFirst(null);
        setMessage(
            next === 'attach'
                ? 'Click the face of the part to move.'
                : held === null && (next === 'turn' || next === 'move')
                  ? 'Click the part.'
                  : null,
        );
    }

    function pick(on: OnPart) {
        if (hand !== 'attach') {
            setChosen(on.mesh);
            setMessage(null);
        } else if (first === null) {
            setFirst(on);
            setChosen(on.mesh);
            setMessage('Now click the face that it is glued to.');
        } else {
            const from = first;
            setFirst(null);
            void act(() =>
                send('POST', url('meshes.join', path), {
                    part: from.mesh,
                    at: from.at,
                    onto: on.mesh,
                    ontoAt: on.at,
                }),
            );
        }
    }

    return {
        hand,
        take,
        held,
        choose: setChosen,
        marks,
        pick,
        change,
        put: (part: number, to: Put) => void change(part, to),
        turnAtJoint: (mesh: number, degrees: number) =>
            act(() => send('POST', url('meshes.turn', { ...path, mesh }), { degrees })),
        mend: (mesh: number, kind: string, isMended: boolean) =>
            act(() =>
                kind === 'side by side'
                    ? send('POST', url('meshes.apart', { ...path, mesh }), { isApart: isMended })
                    : send('POST', url('meshes.mend', { ...path, mesh }), { kind, isMended }),
            ),
        /** Another number asks for a look at all of it. */
        fits,
        fit:
            meshes.length > 1
                ? async () => {
                      if (await act(() => send('POST', url('meshes.fit', path)))) setFits(fits + 1);
                  }
                : null,
        undo: posing.canUndo ? () => act(() => send('POST', url('meshes.undo', path))) : null,
        redo: posing.canRedo ? () => act(() => send('POST', url('meshes.redo', path))) : null,
    };
}

export type PosingActs = ReturnType<typeof usePosing>;
