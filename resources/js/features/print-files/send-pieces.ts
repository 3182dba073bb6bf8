import { ApiError, send } from '@/shared/lib/api';
import { followed, isOpen } from '@/shared/lib/task';
import { url } from '@/shared/lib/url';
import type { UploadProps } from '@/types/generated';

/** A lost connection is tried again after so many milliseconds, each time longer. */
const WAITS = [500, 1000, 2000, 4000, 8000, 15_000, 30_000];

/** Bytes below which a piece is not halved any more. */
const LEAST = 64 * 1024;

/** How far a file is: 0..1 of its bytes, null while the server reads it. */
export type Sent = { name: string; fraction: number | null; isLost: boolean };

/** What the browser knows of a file: enough to go on with it after a reload. */
export function fingerprint(file: File): string {
    return `${file.name} ${file.size} ${file.lastModified}`;
}

/**
 * Sends a file in pieces, from where the server has it, through lost connections and whatever size a web server in between
 * takes, and waits until it is read.
 *
 * @throws ApiError when it is refused or cannot be read; nothing was added then
 */
export async function sendInPieces(
    figure: number,
    file: File,
    onSent: (sent: Sent) => void,
    signal: AbortSignal,
): Promise<UploadProps> {
    let upload = await send<UploadProps>(
        'POST',
        url('uploads.store', { figure }),
        { name: file.name, bytes: file.size, fingerprint: fingerprint(file) },
        signal,
    );
    const at = { figure, meshUpload: upload.id };
    const cancel = () => {
        void send('DELETE', url('uploads.destroy', at));
    };
    signal.addEventListener('abort', cancel, { once: true });
    let size = upload.pieceBytes;
    let lost = 0;
    while (upload.state === 'sending') {
        onSent({ name: file.name, fraction: upload.received / file.size, isLost: lost > 0 });
        const from = upload.received;
        try {
            const piece = file.slice(from, from + size);
            upload = await send<UploadProps>('POST', url('uploads.piece', { ...at, at: from }), piece, signal);
            lost = 0;
        } catch (error) {
            if (!(error instanceof ApiError)) throw error;
            if (error.status === 413 && size > LEAST) {
                // Something between here and Hyalin takes less at once.
                size = Math.floor(size / 2);
                continue;
            }
            if (!error.isTransient) throw error;
            const wait = WAITS[lost];
            if (wait === undefined) throw new ApiError(0, LOST);
            lost++;
            onSent({ name: file.name, fraction: from / file.size, isLost: true });
            await pause(wait, signal);
            upload = await look(figure, upload, signal);
        }
    }
    signal.removeEventListener('abort', cancel);
    return untilRead(figure, upload, onSent, signal);
}

/**
 * Waits until the server has read a file that it has.
 *
 * @throws ApiError when it cannot be read; nothing was added then
 */
export async function untilRead(
    figure: number,
    upload: UploadProps,
    onSent: (sent: Sent) => void,
    signal?: AbortSignal,
): Promise<UploadProps> {
    if (upload.task !== null && isOpen(upload.task)) {
        onSent({ name: upload.name, fraction: null, isLost: false });
        await followed(upload.task, { signal });
    }
    const now = await look(figure, upload, signal);
    if (now.state === 'failed') throw new ApiError(422, now.problem ?? 'It could not be read. Nothing was added.');
    return now;
}

/** As the server has it, or as it was known where the server cannot be asked just now. */
function look(figure: number, upload: UploadProps, signal?: AbortSignal): Promise<UploadProps> {
    return send<UploadProps>('GET', url('uploads.show', { figure, meshUpload: upload.id }), undefined, signal).catch(
        (error: unknown) => {
            if (error instanceof ApiError && error.isTransient) return upload;
            throw error;
        },
    );
}

const LOST = 'Hyalin cannot be reached. What has arrived is kept: choose the file again to go on.';

function pause(milliseconds: number, signal?: AbortSignal): Promise<void> {
    return new Promise((resolve, reject) => {
        const timer = setTimeout(resolve, milliseconds);
        signal?.addEventListener(
            'abort',
            () => {
                clearTimeout(timer);
                reject(new DOMException('cancelled', 'AbortError'));
            },
            { once: true },
        );
    });
}
