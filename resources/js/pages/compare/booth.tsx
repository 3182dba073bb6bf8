import { router } from '@inertiajs/react';
import { Camera } from 'lucide-react';
import { useState } from 'react';
import { ApiError, send } from '@/shared/lib/api';
import { sendAhead } from '@/shared/lib/incoming';
import { url } from '@/shared/lib/url';
import { Button } from '@/shared/ui/button';
import { Pick } from '@/shared/ui/pick';
import { Sheet } from '@/shared/ui/sheet';
import { PictureButton } from '@/shared/ui/picture-button';
import type { Illuminant, PictureProps } from '@/types/generated';

type Neutral = 'grey' | 'chart' | 'none';

/** A photo of the painted piece: a file, or one by the simulated booth. */
export function Booth(props: { figureId: number; onProblem: (words: string) => void }) {
    const booth = useBooth(props);
    const { figureId, setOpen, busy, fraction, setFraction, take } = booth;

    return (
        <div className="flex gap-2">
            <PictureButton
                words="Add a photo"
                label="Add a photo of the painted piece"
                busy={busy}
                fraction={fraction}
                onFile={(file) => {
                    void take(async () =>
                        send<PictureProps>('POST', url('pictures.store', { figure: figureId }), {
                            incoming: await sendAhead(file, file.name, setFraction),
                            title: file.name,
                            kind: 'photo of my painted piece',
                        }),
                    );
                }}
            />
            <Button
                onClick={() => {
                    setOpen(true);
                }}
            >
                <Camera size={16} aria-hidden /> Booth
            </Button>
            <BoothSheet booth={booth} take={take} />
        </div>
    );
}

type Booth = ReturnType<typeof useBooth>;

function useBooth({ figureId, onProblem }: { figureId: number; onProblem: (words: string) => void }) {
    const [open, setOpen] = useState(false);
    const [busy, setBusy] = useState(false);
    const [fraction, setFraction] = useState<number | null>(null);
    const [lamp, setLamp] = useState<Illuminant>('LED');
    const [exposure, setExposure] = useState('0.8');
    const [neutral, setNeutral] = useState<Neutral>('grey');

    async function take(act: () => Promise<PictureProps>) {
        setBusy(true);
        try {
            const photo = await act();
            setOpen(false);
            router.visit(url('figures.compare', { figure: figureId, picture: photo.id }));
        } catch (error) {
            if (!(error instanceof ApiError)) throw error;
            setOpen(false);
            onProblem(error.message);
        } finally {
            setBusy(false);
        }
    }
    return {
        figureId,
        open,
        setOpen,
        busy,
        fraction,
        setFraction,
        lamp,
        setLamp,
        exposure,
        setExposure,
        neutral,
        setNeutral,
        take,
    };
}

function BoothSettings({ booth }: { booth: Booth }) {
    const { lamp, setLamp, exposure, setExposure, neutral, setNeutral } = booth;
    return (
        <div className="grid grid-cols-1 gap-4 sm:grid-cols-3">
            <Pick<Illuminant>
                label="Lamp"
                value={lamp}
                options={[
                    { value: 'LED', label: 'LED lamp' },
                    { value: 'A', label: 'warm lamp' },
                    { value: 'D50', label: 'daylight, low' },
                    { value: 'D65', label: 'daylight' },
                ]}
                onPick={setLamp}
            />
            <Pick
                label="Exposure"
                value={exposure}
                options={[
                    { value: '0.8', label: 'right' },
                    { value: '0.3', label: 'too dark' },
                    { value: '0.08', label: 'far too dark' },
                    { value: '1.4', label: 'too bright' },
                ]}
                onPick={setExposure}
            />
            <Pick<Neutral>
                label="In the frame"
                value={neutral}
                options={[
                    { value: 'grey', label: 'grey card' },
                    { value: 'chart', label: '24 patches' },
                    { value: 'none', label: 'none' },
                ]}
                onPick={setNeutral}
            />
        </div>
    );
}

function BoothSheet({ booth, take }: { booth: Booth; take: (act: () => Promise<PictureProps>) => Promise<void> }) {
    const { open, setOpen, lamp, exposure, neutral, busy, figureId } = booth;
    return (
        <Sheet
            open={open}
            onClose={() => {
                setOpen(false);
            }}
            title="The simulated camera booth"
            description="A simulated camera: it photographs the figures of the demo, painted as planned with small differences of hand and pots."
        >
            <BoothSettings booth={booth} />
            <Button
                look="main"
                disabled={busy}
                className="self-start"
                onClick={() =>
                    void take(() =>
                        send<PictureProps>('POST', url('booth.photograph', { figure: figureId }), {
                            lamp,
                            exposure: Number(exposure),
                            neutral,
                        }),
                    )
                }
            >
                Take photo
            </Button>
        </Sheet>
    );
}
