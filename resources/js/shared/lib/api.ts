/** An answer that is not a success: what happened in words, and by field where a form was judged. */
export class ApiError extends Error {
    constructor(
        readonly status: number,
        message: string,
        readonly fields: Record<string, string> = {},
        readonly body: unknown = null,
    ) {
        super(message);
    }

    /** The record was changed elsewhere after it was opened. */
    get isConflict(): boolean {
        return this.status === 409;
    }

    /** The connection or the server failed, not what was asked: asking again may well succeed. */
    get isTransient(): boolean {
        return this.status === 0 || this.status >= 500;
    }

    /** What was asked was not judged: it can be sent again, in a while or once the painter has signed in. */
    get wasNotProcessed(): boolean {
        return this.isTransient || [401, 419, 429].includes(this.status);
    }
}

const BUSY_TRIES = 5;

const BUSY_WAIT = 1000;

type Method = 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE';

/** @param once a key: the change is made once, however often it is sent */
export async function send<T>(
    method: Method,
    path: string,
    body?: unknown,
    signal?: AbortSignal,
    once?: string,
): Promise<T> {
    const headers: Record<string, string> = { Accept: 'application/json', 'X-XSRF-TOKEN': token() };
    if (once !== undefined) headers['X-Once'] = once;
    // A form says its own type, bytes go as they are.
    const isRaw = body instanceof FormData || body instanceof Blob;
    if (body !== undefined && !isRaw) headers['Content-Type'] = 'application/json';
    let response: Response;
    try {
        const ask = () =>
            fetch(path, {
                method,
                headers,
                body: body === undefined ? null : isRaw ? body : JSON.stringify(body),
                ...(signal ? { signal } : {}),
            });
        response = await ask();
        // The database was busy: nothing was changed, and the server says when to ask again.
        for (let n = 0; n < BUSY_TRIES && response.status === 503 && response.headers.has('Retry-After'); n++) {
            await new Promise((resolve) => window.setTimeout(resolve, BUSY_WAIT));
            response = await ask();
        }
    } catch (error) {
        if (error instanceof DOMException && error.name === 'AbortError') throw error;
        throw new ApiError(0, 'Hyalin cannot be reached. Nothing was changed; what you entered is still here.');
    }
    const answer: unknown = await response.json().catch((error: unknown) => {
        // Given up while the answer was still on its way.
        if (error instanceof DOMException && error.name === 'AbortError') throw error;
        if (response.ok) throw new ApiError(0, 'The answer from Hyalin was cut off. What you entered is still here.');
        return null;
    });
    if (!response.ok) throw failure(response.status, answer);
    return answer as T;
}

/** Sends a change on the way out of a page, whose answer nobody waits for. Browsers take 64 KB of it. */
export function sendAway(method: Method, path: string, body: unknown): void {
    void fetch(path, {
        method,
        headers: { Accept: 'application/json', 'Content-Type': 'application/json', 'X-XSRF-TOKEN': token() },
        body: JSON.stringify(body),
        keepalive: true,
    }).catch(() => undefined);
}

const CUT_OFF_UPLOAD = 'The answer from Hyalin was cut off. Check whether the file is there before you send it again.';

/** Sends a file and tells how far it is: 0..1 of its bytes, then null while the server reads it. */
export function upload<T>(path: string, form: FormData, onProgress: (fraction: number | null) => void): Promise<T> {
    return new Promise((resolve, reject) => {
        const request = new XMLHttpRequest();
        request.open('POST', path);
        request.setRequestHeader('Accept', 'application/json');
        request.setRequestHeader('X-XSRF-TOKEN', token());
        request.upload.onprogress = ({ loaded, total }) => {
            onProgress(total > 0 && loaded < total ? loaded / total : null);
        };
        request.onerror = () => {
            reject(new ApiError(0, 'Hyalin cannot be reached. Nothing was added; send the file again.'));
        };
        request.onload = () => {
            let answer: unknown = null;
            try {
                answer = JSON.parse(request.responseText);
            } catch {
                // Judged by its status below.
            }
            const done = request.status >= 200 && request.status < 300;
            if (done && answer !== null) resolve(answer as T);
            else if (done) reject(new ApiError(0, CUT_OFF_UPLOAD));
            else reject(failure(request.status, answer));
        };
        request.send(form);
    });
}

/** What an upload button says while it works. */
export function uploadWords(fraction: number | null): string {
    return fraction === null ? 'Reading the file' : `Sending, ${Math.round(fraction * 100)} %`;
}

function failure(status: number, body: unknown): ApiError {
    const answer = isRecord(body) ? body : {};
    const fields: Record<string, string> = {};
    if (isRecord(answer['errors'])) {
        for (const [name, messages] of Object.entries(answer['errors'])) {
            fields[name] = String(Array.isArray(messages) ? messages[0] : messages);
        }
    }
    const first = Object.values(fields)[0];
    const words: Record<number, string> = {
        401: 'You were signed out. Sign in again; what you entered is still here.',
        404: 'This no longer exists.',
        413: 'This file is larger than Hyalin takes.',
        419: 'This page has been open too long. Reload it and try again.',
        429: 'Too many requests. Wait a minute and try again.',
    };
    const message = typeof answer['message'] === 'string' && answer['message'] !== '' ? answer['message'] : undefined;
    return new ApiError(
        status,
        first ?? words[status] ?? message ?? 'Something went wrong on our side. Nothing was changed.',
        fields,
        body,
    );
}

export function isRecord(value: unknown): value is Record<string, unknown> {
    return typeof value === 'object' && value !== null && !Array.isArray(value);
}

function token(): string {
    const match = /(?:^|; )XSRF-TOKEN=([^;]*)/.exec(document.cookie);
    return match?.[1] ? decodeURIComponent(match[1]) : '';
}
