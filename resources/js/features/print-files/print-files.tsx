import { useRef, useState } from 'react';
import type { BufferGeometry } from 'three';
import { ApiError, send } from '@/shared/lib/api';
import { url } from '@/shared/lib/url';
import { Button } from '@/shared/ui/button';
import { Notice } from '@/shared/ui/notice';
import type { UploadProps } from '@/types/generated';
import { shapeOf } from './local-shape';
import { sendInPieces, untilRead, type Sent } from './send-pieces';

type Props = {
    figureId: number;
    uploads: readonly UploadProps[];
    onDone: () => unknown;
    /** What is on its way looks like this; null when nothing is. */
    onArriving: (shape: BufferGeometry | null) => void;
};

/** The way of print files onto a figure: chosen, sent in pieces, gone on with after a break, cancelled in one press. */
export function PrintFiles({ figureId, uploads, onDone, onArriving }: Props) {
    const input = useRef<HTMLInputElement>(null);
    const files = usePrintFiles(figureId, onDone, onArriving);
    const { sent, problems, known, take, cancel, forget, again } = files;
    return (
        <section aria-label="Import print files" className="flex flex-col gap-2">
            {problems.map((words) => (
                <Notice key={words} strong>
                    {words}
                </Notice>
            ))}
            {known.map((upload) => (
                <Notice key={upload.id}>
                    {upload.name} is on the figure already, as “{upload.knownAs}”.{' '}
                    <button type="button" className="underline" onClick={() => void again(upload)}>
                        Import it once more
                    </button>{' '}
                    <button type="button" className="underline" onClick={() => void forget(upload)}>
                        Leave it out
                    </button>
                </Notice>
            ))}
            {sent === null &&
                uploads.map((upload) => (
                    <p key={upload.id} className="text-sm">
                        {upload.name}: {percent(upload.received / upload.bytes)} arrived. Choose the file again to go
                        on.{' '}
                        <button type="button" className="underline" onClick={() => void forget(upload)}>
                            Cancel
                        </button>
                    </p>
                ))}
            <input
                ref={input}
                type="file"
                multiple
                accept=".stl,.obj,.3mf"
                className="hidden"
                aria-label="Print files"
                onChange={(event) => {
                    const chosen = [...(event.target.files ?? [])];
                    event.target.value = '';
                    if (chosen.length > 0) void take(chosen);
                }}
            />
            {sent === null ? (
                <Button className="self-start" onClick={() => input.current?.click()}>
                    Import print files (STL, OBJ, 3MF)
                </Button>
            ) : (
                <Sending sent={sent} onCancel={cancel} />
            )}
        </section>
    );
}

function Sending({ sent, onCancel }: { sent: Sent; onCancel: () => void }) {
    const words =
        sent.fraction === null
            ? 'is being read'
            : sent.isLost
              ? 'connection lost, trying again'
              : percent(sent.fraction);
    return (
        <div className="flex items-center gap-3 text-sm">
            <div className="min-w-0 flex-1">
                <p className="truncate">
                    {sent.name}: {words}
                </p>
                <progress
                    className="h-2 w-full"
                    max={1}
                    {...(sent.fraction === null ? {} : { value: sent.fraction })}
                />
            </div>
            <Button size="small" disabled={sent.fraction === null} onClick={onCancel}>
                Cancel
            </Button>
        </div>
    );
}

function usePrintFiles(figureId: number, onDone: () => unknown, onArriving: Props['onArriving']) {
    const [sent, setSent] = useState<Sent | null>(null);
    const [problems, setProblems] = useState<string[]>([]);
    const [known, setKnown] = useState<UploadProps[]>([]);
    const stop = useRef<AbortController | null>(null);

    async function take(chosen: readonly File[]) {
        setProblems([]);
        const control = new AbortController();
        stop.current = control;
        for (const file of chosen) {
            if (control.signal.aborted) break;
            setSent({ name: file.name, fraction: 0, isLost: false });
            void shapeOf(file).then((shape) => {
                if (!control.signal.aborted) onArriving(shape);
            });
            try {
                const upload = await sendInPieces(figureId, file, setSent, control.signal);
                if (upload.state === 'known') setKnown((now) => [...now.filter((u) => u.id !== upload.id), upload]);
            } catch (error) {
                // One that is refused does not keep the others away.
                if (error instanceof ApiError) setProblems((now) => [...now, error.message]);
                else if (!(error instanceof DOMException && error.name === 'AbortError')) throw error;
            }
        }
        setSent(null);
        await onDone();
        control.abort();
        onArriving(null);
    }

    async function forget(upload: UploadProps) {
        await send('DELETE', url('uploads.destroy', { figure: figureId, meshUpload: upload.id }));
        setKnown((now) => now.filter((u) => u.id !== upload.id));
        await onDone();
    }

    async function again(upload: UploadProps) {
        setKnown((now) => now.filter((u) => u.id !== upload.id));
        try {
            const begun = await send<UploadProps>(
                'POST',
                url('uploads.again', { figure: figureId, meshUpload: upload.id }),
            );
            await untilRead(figureId, begun, setSent);
        } catch (error) {
            if (!(error instanceof ApiError)) throw error;
            setProblems([error.message]);
        }
        setSent(null);
        await onDone();
    }

    return {
        sent,
        problems,
        known,
        take,
        forget,
        again,
        cancel: () => {
            stop.current?.abort();
        },
    };
}

function percent(fraction: number): string {
    return `${Math.floor(100 * fraction)} %`;
}
