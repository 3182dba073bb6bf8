import fc from 'fast-check';
import { beforeEach, describe, expect, it } from 'vitest';
import { newKey, Outbox, type QueuedChange, unsent } from '@/shared/lib/outbox';

type Counted = QueuedChange & { n: number };

const PLACE = 'outbox-of-a-test';

beforeEach(() => {
    localStorage.clear();
});

describe('an outbox', () => {
    it('keeps what was added and not struck out, in the order of the queue, for the page that opens it next', () => {
        const doing = fc.oneof(
            fc.record({ add: fc.integer() }),
            fc.record({ strike: fc.nat({ max: 30 }) }),
            fc.record({ raise: fc.integer({ min: 1, max: 9 }) }),
        );
        fc.assert(
            fc.property(fc.array(doing, { maxLength: 40 }), (queue) => {
                localStorage.clear();
                let wanted: Counted[] = [];
                for (const [turn, queued] of queue.entries()) {
                    // Another window, or the same one after a reload.
                    const outbox = new Outbox<Counted>(PLACE);
                    if ('add' in queued) {
                        const counted = { key: `queued ${turn}`, n: queued.add };
                        outbox.add(counted);
                        wanted = [...wanted, counted];
                    } else if ('strike' in queued) {
                        outbox.remove(`queued ${queued.strike}`);
                        wanted = wanted.filter(({ key }) => key !== `queued ${queued.strike}`);
                    } else {
                        outbox.change((d) => ({ ...d, n: d.n + queued.raise }));
                        wanted = wanted.map((d) => ({ ...d, n: d.n + queued.raise }));
                    }
                    expect(new Outbox<Counted>(PLACE).all()).toEqual(wanted);
                    expect(outbox.first()).toEqual(wanted[0]);
                }
            }),
        );
    });

    it('leaves nothing behind when it is empty', () => {
        const outbox = new Outbox<QueuedChange>(PLACE);
        outbox.add({ key: 'a' });
        outbox.remove('a');
        expect(localStorage.getItem(PLACE)).toBeNull();
    });

    it.each(['{', '7', '"queue"', 'null', '[1, null, {"nokey": 1}, {"key": 5}]'])('reads %s as no queue', (kept) => {
        localStorage.setItem(PLACE, kept);
        expect(new Outbox<QueuedChange>(PLACE).all()).toEqual([]);
    });

    it('keeps its place to itself', () => {
        new Outbox<QueuedChange>('one').add({ key: 'a' });
        expect(new Outbox<QueuedChange>('other').all()).toEqual([]);
    });

    it('is found from any page while something waits in it', () => {
        localStorage.clear();
        new Outbox<QueuedChange>('hyalin-run-7').add({ key: 'a' });
        new Outbox<QueuedChange>('hyalin-cup-2').add({ key: 'b' });
        localStorage.setItem('hyalin-run-x', '[{"key":"c"}]');
        localStorage.setItem('hyalin-run-8', '[]');
        expect(unsent()).toEqual([
            { kind: 'run', id: 7, count: 1 },
            { kind: 'cup', id: 2, count: 1 },
        ]);
    });

    it('gives keys of the shape of a ULID that do not repeat', () => {
        const keys = Array.from({ length: 500 }, newKey);
        expect(new Set(keys).size).toBe(500);
        // Crockford's alphabet (Base 32, 2002): no I, L, O, U.
        for (const key of keys) expect(key).toMatch(/^[0-9A-HJKMNP-TV-Z]{26}$/);
    });
});
