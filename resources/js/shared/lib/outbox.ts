import { isRecord, type ApiError } from './api';

/** Something recorded in this browser until the server has acknowledged it. */
export type QueuedChange = { key: string };

/** A change that the server refused for good, and why. It leaves the queue, and is kept until the painter decides. */
export type RefusedChange<T extends QueuedChange> = { queued: T; reason: string };

/** A fault of the server that meets the same change so often is no passing one: the changes behind it must not wait for it. */
const MOST_FAULTS = 3;

const LETTERS = '0123456789ABCDEFGHJKMNPQRSTVWXYZ';

/** 26 letters of Crockford's alphabet, by chance: the shape of a ULID. */
export function newKey(): string {
    return Array.from(crypto.getRandomValues(new Uint8Array(26)), (byte) => LETTERS[byte % 32]).join('');
}

const PLACE = /^hyalin-(run|cup)-(\d+)$/;

/** What waits in this browser, of whatever page. */
export function unsent(): { kind: 'run' | 'cup'; id: number; count: number }[] {
    return Object.keys(localStorage).flatMap((place) => {
        const [, kind, id] = PLACE.exec(place) ?? [];
        const count = kind === undefined ? 0 : new Outbox(place).all().length;
        return count > 0 ? [{ kind: kind === 'cup' ? 'cup' : 'run', id: Number(id), count }] : [];
    });
}

/** History in the order they were done; they outlive the page and the browser. */
export class Outbox<T extends QueuedChange> {
    private readonly faults = new Map<string, number>();

    constructor(private readonly place: string) {}

    all(): readonly T[] {
        return read(this.place).filter((v): v is T => isRecord(v) && typeof v['key'] === 'string');
    }

    refused(): readonly RefusedChange<T>[] {
        return read(this.refusedPlace).filter(
            (v): v is RefusedChange<T> =>
                isRecord(v) &&
                typeof v['reason'] === 'string' &&
                isRecord(v['queued']) &&
                typeof v['queued']['key'] === 'string',
        );
    }

    /**
     * Sets a change aside that cannot be stored, with the reason; what is queued behind it goes on.
     *
     * @returns false when it may still succeed: it stays first in the queue and is sent again
     */
    refuse(queued: T, error: ApiError): boolean {
        if (error.wasNotProcessed) {
            const faults = (this.faults.get(queued.key) ?? 0) + 1;
            if (error.status !== 500 || faults < MOST_FAULTS) {
                if (error.status === 500) this.faults.set(queued.key, faults);
                return false;
            }
        }
        write(this.refusedPlace, [...this.refused(), { queued, reason: error.message }]);
        this.remove(queued.key);
        return true;
    }

    /** Drops a refused change: it was decided on. */
    settle(key: string): void {
        write(
            this.refusedPlace,
            this.refused().filter(({ queued }) => queued.key !== key),
        );
    }

    first(): T | undefined {
        return this.all()[0];
    }

    add(queued: T): void {
        this.keep([...this.all(), queued]);
    }

    /** Strikes out what was acknowledged, whatever was recorded meanwhile. */
    remove(key: string): void {
        this.keep(this.all().filter((queued) => queued.key !== key));
    }

    change(each: (queued: T) => T): void {
        this.keep(this.all().map(each));
    }

    /** One window of this browser at a time sends what is recorded. */
    async withLock(act: () => Promise<void>): Promise<void> {
        // Browsers give locks to secure pages only; elsewhere two windows may send the same queued, which its key makes harmless.
        if ('locks' in navigator) await navigator.locks.request(this.place, act);
        else await act();
    }

    private keep(queue: readonly T[]): void {
        write(this.place, queue);
    }

    private get refusedPlace(): string {
        return `${this.place}-refused`;
    }
}

function read(place: string): unknown[] {
    try {
        const value: unknown = JSON.parse(localStorage.getItem(place) ?? '[]');
        return Array.isArray(value) ? value : [];
    } catch {
        return [];
    }
}

function write(place: string, entries: readonly unknown[]): void {
    if (entries.length === 0) localStorage.removeItem(place);
    else localStorage.setItem(place, JSON.stringify(entries));
}
