import clsx from 'clsx';
import { useState, type Dispatch, type SetStateAction } from 'react';
import { ReferenceBoard, type Drawn } from '@/features/reference-board/board';
import { ApiError, send } from '@/shared/lib/api';
import { sendAhead } from '@/shared/lib/incoming';
import { url } from '@/shared/lib/url';
import { Button } from '@/shared/ui/button';
import { Field } from '@/shared/ui/field';
import { Notice } from '@/shared/ui/notice';
import { Sheet } from '@/shared/ui/sheet';
import type { PaintProps, ReadingProps } from '@/types/generated';

type Spot = [number, number, number];
type Photo = { file: Blob; url: string; width: number; height: number };

/** Where the patches of a card of two rows of three lie; each can be put elsewhere. */
const PATCHES: readonly { key: string; label: string; at: Spot }[] = [
    { key: 'grey', label: 'grey', at: [0.167, 0.25, 0.04] },
    { key: 'black', label: 'black card', at: [0.5, 0.25, 0.04] },
    { key: 'white', label: 'white card', at: [0.833, 0.25, 0.04] },
    { key: 'overBlack', label: 'over black', at: [0.167, 0.75, 0.04] },
    { key: 'overWhite', label: 'over white', at: [0.5, 0.75, 0.04] },
    { key: 'thick', label: 'thick', at: [0.833, 0.75, 0.04] },
];

/** Readings from a photo of the test card, neutralised on the grey that lies in it. */
export function CardPhoto(props: { pot: PaintProps; onReadings: (readings: ReadingProps[]) => void }) {
    const card = useCard(props);
    const { open, setOpen, photo, problem, take, simulated } = card;

    return (
        <>
            <Button
                onClick={() => {
                    setOpen(true);
                }}
            >
                From a photo
            </Button>
            <Sheet
                open={open}
                onClose={() => {
                    setOpen(false);
                }}
                title="A photo of the test card"
                description="The grey patch corrects lamp and exposure. Use a matt card, light from the side, no flash."
            >
                {problem !== null && <Notice strong>{problem}</Notice>}
                {photo === null ? (
                    <Choosing take={take} simulated={simulated} />
                ) : (
                    <Placing card={card} photo={photo} />
                )}
            </Sheet>
        </>
    );
}

type Card = ReturnType<typeof useCard>;

type CardState = ReturnType<typeof useCardState>;

function useCardState({ pot, onReadings }: { pot: PaintProps; onReadings: (readings: ReadingProps[]) => void }) {
    const [open, setOpen] = useState(false);
    const [photo, setPhoto] = useState<Photo | null>(null);
    const [spots, setSpots] = useState<Record<string, Spot>>(Object.fromEntries(PATCHES.map((p) => [p.key, p.at])));
    const [patch, setPatch] = useState('grey');
    const [reflectance, setReflectance] = useState('0.18');
    const [problem, setProblem] = useState<string | null>(null);
    return {
        pot,
        onReadings,
        open,
        setOpen,
        photo,
        setPhoto,
        spots,
        setSpots,
        patch,
        setPatch,
        reflectance,
        setReflectance,
        problem,
        setProblem,
    };
}

function useCard(props: { pot: PaintProps; onReadings: (readings: ReadingProps[]) => void }) {
    const state = useCardState(props);
    const actions = useCardPhoto(state);

    return { ...state, ...actions };
}

function PatchChoice({ patch, setPatch }: { patch: string; setPatch: Dispatch<SetStateAction<string>> }) {
    return (
        <div className="flex flex-wrap gap-1" role="group" aria-label="Patch to place">
            {PATCHES.map((p) => (
                <button
                    key={p.key}
                    type="button"
                    aria-pressed={p.key === patch}
                    className={clsx(
                        'min-h-9 rounded-sm border px-2 text-sm',
                        p.key === patch ? 'border-ink bg-ink text-inverse' : 'border-strong bg-raised',
                    )}
                    onClick={() => {
                        setPatch(p.key);
                    }}
                >
                    {p.label}
                </button>
            ))}
        </div>
    );
}

function Placing({ card, photo }: { card: Card; photo: { file: Blob; url: string; width: number; height: number } }) {
    const { patch, setPatch, spots, place, reflectance, setReflectance, readIt, setPhoto } = card;
    return (
        <>
            <PatchChoice patch={patch} setPatch={setPatch} />
            <div className="h-80">
                <ReferenceBoard
                    picture={{ id: 0, title: 'Test card', ...photo }}
                    marks={PATCHES.map((p) => {
                        const [x, y, r] = spots[p.key] ?? p.at;
                        return {
                            key: p.key,
                            label: p.label,
                            method: 'spot',
                            outline: [
                                [x, y],
                                [r, 0],
                            ],
                        };
                    })}
                    tool="spot"
                    spotRadius={14}
                    onDraw={place}
                />
            </div>
            <div className="flex items-end gap-3">
                <Field
                    label="Reflectance of the grey"
                    className="w-40"
                    inputMode="decimal"
                    value={reflectance}
                    onChange={(event) => {
                        setReflectance(event.target.value);
                    }}
                />
                <Button look="main" onClick={() => void readIt()}>
                    Use these readings
                </Button>
                <Button
                    onClick={() => {
                        setPhoto(null);
                    }}
                >
                    Another photo
                </Button>
            </div>
        </>
    );
}

function Choosing({ take, simulated }: { take: (file: Blob) => Promise<void>; simulated: () => Promise<void> }) {
    return (
        <div className="flex flex-wrap gap-3">
            <label className="inline-flex min-h-10 cursor-pointer items-center rounded-sm border border-ink bg-ink px-3 text-sm text-inverse focus-within:outline-2">
                Choose a photo
                <input
                    type="file"
                    accept="image/jpeg,image/png,image/webp"
                    className="sr-only"
                    onChange={(event) => {
                        const file = event.target.files?.[0];
                        event.target.value = '';
                        if (file) void take(file);
                    }}
                />
            </label>
            <Button onClick={() => void simulated()}>Use the simulated camera</Button>
        </div>
    );
}

function useCardPhoto({
    setProblem,
    setPhoto,
    pot,
    setSpots,
    spots,
    patch,
    setPatch,
    photo,
    reflectance,
    onReadings,
    setOpen,
}: CardState) {
    async function take(file: Blob) {
        setProblem(null);
        try {
            const bitmap = await createImageBitmap(file);
            setPhoto({ file, url: URL.createObjectURL(file), width: bitmap.width, height: bitmap.height });
        } catch {
            setProblem('This file is not a picture that can be shown.');
        }
    }

    async function simulated() {
        const answer = await fetch(url('pots.card-photo', { paint: pot.id }));
        await take(await answer.blob());
    }

    function place({ points }: Drawn) {
        const [at, radius] = points;
        if (!at) return;
        setSpots({ ...spots, [patch]: [at[0], at[1], radius?.[0] ?? 0.03] });
        const next = PATCHES[PATCHES.findIndex((p) => p.key === patch) + 1];
        if (next) setPatch(next.key);
    }

    async function readIt() {
        if (!photo) return;
        const form = new FormData();
        form.append('reflectance', reflectance.replace(',', '.'));
        for (const [key, spot] of Object.entries(spots))
            for (const value of spot) form.append(`spots[${key}][]`, String(Math.max(0, Math.min(1, value))));
        try {
            form.append('incoming', String(await sendAhead(photo.file, 'card.png')));
            onReadings(await send<ReadingProps[]>('POST', url('pots.photo', { paint: pot.id }), form));
            setOpen(false);
        } catch (error) {
            if (!(error instanceof ApiError)) throw error;
            setProblem(error.message);
        }
    }

    return { take, simulated, place, readIt };
}
