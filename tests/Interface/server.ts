import { act, fireEvent } from '@testing-library/react';
import { vi } from 'vitest';

/** What the browser sent, and an answer for the test to give when it likes. */
export type Asked = {
    method: string;
    path: string;
    headers: Record<string, string>;
    body: unknown;
    answer: (status: number, body?: unknown) => Promise<void>;
    /** The connection breaks before an answer. */
    breakOff: () => Promise<void>;
};

/** Stands in for the server: nothing is answered until the test does. */
export function fakeServer(): { asked: Asked[]; open: () => Asked[] } {
    const asked: Asked[] = [];
    const answered = new Set<Asked>();
    vi.stubGlobal(
        'fetch',
        vi.fn(
            (path: string, init: RequestInit) =>
                new Promise<Response>((resolve, reject) => {
                    const question: Asked = {
                        method: init.method ?? 'GET',
                        path,
                        headers: init.headers as Record<string, string>,
                        body: typeof init.body === 'string' ? JSON.parse(init.body) : init.body,
                        answer: async (status, body) => {
                            answered.add(question);
                            resolve(new Response(body === undefined ? null : JSON.stringify(body), { status }));
                            await settled();
                        },
                        breakOff: async () => {
                            answered.add(question);
                            reject(new TypeError('network'));
                            await settled();
                        },
                    };
                    init.signal?.addEventListener('abort', () => {
                        answered.add(question);
                        reject(new DOMException('given up', 'AbortError'));
                    });
                    asked.push(question);
                }),
        ),
    );
    return { asked, open: () => asked.filter((question) => !answered.has(question)) };
}

/** A file on its way, as the browser sends it; answered by the test. */
export class FakeUpload {
    static last: FakeUpload;
    status = 0;
    responseText = '';
    sent: unknown = null;
    readonly headers: Record<string, string> = {};
    readonly upload: { onprogress: (at: { loaded: number; total: number }) => void } = { onprogress: () => undefined };
    onload: () => void = () => undefined;
    onerror: () => void = () => undefined;

    constructor() {
        FakeUpload.last = this;
    }

    open = vi.fn();
    setRequestHeader = (name: string, value: string) => {
        this.headers[name] = value;
    };
    send(body: unknown): void {
        this.sent = body;
    }

    answer(status: number, text: string): void {
        this.status = status;
        this.responseText = text;
        this.onload();
    }
}

/** @param answer given to every file at once; left out, the test answers */
export function fakeUpload(answer?: object): void {
    vi.stubGlobal(
        'XMLHttpRequest',
        class extends FakeUpload {
            override send(body: unknown): void {
                super.send(body);
                if (answer !== undefined) this.answer(201, JSON.stringify(answer));
            }
        },
    );
}

/** Lets everything that waits for a promise already settled go on. */
export async function settled(): Promise<void> {
    for (let turn = 0; turn < 30; turn++) await Promise.resolve();
}

/** Answers the question that has waited longest, and lets the page take it in. */
export async function answer(server: { open: () => Asked[] }, status: number, body: unknown = {}): Promise<void> {
    await act(async () => {
        await server.open()[0]?.answer(status, body);
        await settled();
    });
}

/** Presses what must be there, and lets what it set going be asked. */
export async function press(button: HTMLElement | null | undefined): Promise<void> {
    if (!button) throw new Error('there is no such button');
    await act(async () => {
        fireEvent.click(button);
        await settled();
    });
}
