import { useState } from 'react';
import { send } from '@/shared/lib/api';
import { sendAhead } from '@/shared/lib/incoming';
import { url } from '@/shared/lib/url';
import { useAttempt } from '@/shared/lib/use-attempt';
import { Button } from '@/shared/ui/button';
import { Notice } from '@/shared/ui/notice';
import { PictureButton } from '@/shared/ui/picture-button';
import { PotMark } from '@/shared/ui/pot-mark';
import type { ListedPotProps } from '@/types/generated';

/** Sent once, however many of its colours are asked for. */
type Photo = { incoming: Promise<number>; url: string };

type Spot = [number, number, number];

/** Half the width of what is taken of a cap, as a share of the width of the photo. */
const REACH = 0.008;

/** Colours of caps or labels from one photo, pressed in the order of the list. */
export function Caps({
    pots,
    onColour,
}: {
    pots: readonly (Pick<ListedPotProps, 'line' | 'name' | 'isKnown'> & { hex: string | null })[];
    onColour: (line: number, hex: string) => void;
}) {
    const [photo, setPhoto] = useState<Photo | null>(null);
    const [grey, setGrey] = useState<Spot | null>(null);
    const [next, setNext] = useState<'grey' | number>('grey');
    const { message, attempt } = useAttempt();
    const open = pots.filter((pot) => !pot.isKnown);
    const after = (line: number) => open[open.findIndex((pot) => pot.line === line) + 1]?.line ?? line;

    const press = (spot: Spot) => {
        if (!photo) return;
        if (next === 'grey') {
            setGrey(spot);
            setNext(open[0]?.line ?? 0);
            return;
        }
        const line = next;
        setNext(after(line));
        void attempt(async () => {
            const form = new FormData();
            form.append('incoming', String(await photo.incoming));
            for (const value of spot) form.append('spots[0][]', String(value));
            if (grey) for (const value of grey) form.append('grey[]', String(value));
            const { hexes } = await send<{ hexes: string[] }>('POST', url('pot-list.caps'), form);
            if (hexes[0]) onColour(line, hexes[0]);
            return null;
        });
    };
    return (
        <div className="flex flex-col gap-2">
            <PictureButton
                words="Colours from a photo of the caps"
                busy={false}
                fraction={null}
                onFile={(file) => {
                    const incoming = sendAhead(file, file.name);
                    // Told when a spot is asked for.
                    incoming.catch(() => undefined);
                    setPhoto({ incoming, url: URL.createObjectURL(file) });
                    setGrey(null);
                    setNext('grey');
                }}
            />
            {message !== null && <Notice strong>{message}</Notice>}
            {photo && (
                <>
                    <Ask
                        next={next}
                        pots={open}
                        onSkip={() => {
                            setNext(open[0]?.line ?? 0);
                        }}
                        onNext={(line) => {
                            setNext(after(line));
                        }}
                    />
                    <button
                        type="button"
                        className="cursor-crosshair p-0"
                        aria-label="Photo of the caps: press one"
                        onClick={(event) => {
                            // A key has no place in the photo: the colour field of each pot is for that.
                            if (event.detail === 0) return;
                            const box = event.currentTarget.getBoundingClientRect();
                            press([
                                (event.clientX - box.left) / box.width,
                                (event.clientY - box.top) / box.height,
                                REACH,
                            ]);
                        }}
                    >
                        <img src={photo.url} alt="" className="w-full" />
                    </button>
                </>
            )}
        </div>
    );
}

function Ask({
    next,
    pots,
    onSkip,
    onNext,
}: {
    next: 'grey' | number;
    pots: readonly { line: number; name: string; hex: string | null }[];
    onSkip: () => void;
    onNext: (line: number) => void;
}) {
    if (next === 'grey')
        return (
            <p className="flex flex-wrap items-center gap-2 text-sm" role="status">
                Press something grey or white, so that the lamp can be taken out.
                <Button size="small" onClick={onSkip}>
                    There is nothing grey
                </Button>
            </p>
        );
    const pot = pots.find((p) => p.line === next);
    return (
        <p className="flex flex-wrap items-center gap-2 text-sm" role="status">
            Press the cap of <strong>{pot?.name}</strong>
            {pot?.hex && <PotMark hex={pot.hex} />}
            <Button
                size="small"
                onClick={() => {
                    onNext(next);
                }}
            >
                Skip this one
            </Button>
        </p>
    );
}
