import { isRecord } from './api';

/** Something recorded in this browser until the server has acknowledged it. */
export type QueuedChange = { key: string };

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
    constructor(private readonly place: string) {}

    all(): readonly T[] {
        try {
            const value: unknown = JSON.parse(localStorage.getItem(this.place) ?? '[]');
            return Array.isArray(value) ? value.filter((v): v is T => isRecord(v) && typeof v['key'] === 'string') : [];
        } catch {
            return [];
        }
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
        if (queue.length === 0) localStorage.removeItem(this.place);
        else localStorage.setItem(this.place, JSON.stringify(queue));
    }
}
