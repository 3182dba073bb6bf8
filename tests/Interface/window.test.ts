import { act, renderHook } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { ringOnce } from '@/features/shell/alarm';
import { applySurround, currentSurround, restoreSurround } from '@/shared/lib/surround';
import { useKeys } from '@/shared/lib/use-keys';
import { useNow } from '@/shared/lib/use-now';

beforeEach(() => {
    localStorage.clear();
    document.body.innerHTML = '';
});

afterEach(() => {
    vi.useRealTimers();
});

describe('keys of a screen', () => {
    function press(target: EventTarget, init: KeyboardEventInit): KeyboardEvent {
        const event = new KeyboardEvent('keydown', { bubbles: true, cancelable: true, ...init });
        target.dispatchEvent(event);
        return event;
    }

    function put(html: string): Element {
        document.body.innerHTML = html;
        const inner = document.querySelector('[data-here]');
        if (!inner) throw new Error('nothing to press in');
        return inner;
    }

    it('do what they are for, and what they are for now', () => {
        const done: string[] = [];
        const { rerender, unmount } = renderHook(
            ({ word }) => {
                useKeys({ ' ': () => done.push(word) });
            },
            {
                initialProps: { word: 'first' },
            },
        );
        expect(press(document.body, { key: ' ' }).defaultPrevented).toBe(true);
        rerender({ word: 'second' });
        press(document.body, { key: ' ' });
        expect(press(document.body, { key: 'x' }).defaultPrevented).toBe(false);
        unmount();
        press(document.body, { key: ' ' });
        expect(done).toEqual(['first', 'second']);
    });

    it.each([
        ['a field', '<input data-here>', 'n'],
        ['a note', '<textarea data-here></textarea>', ' '],
        ['a list', '<div role="listbox"><span data-here></span></div>', 'n'],
        ['a dialog', '<div role="dialog"><p data-here></p></div>', ' '],
        ['a button that has Space', '<button data-here>x</button>', ' '],
        ['a link that has Enter', '<a data-here href="#">x</a>', 'Enter'],
    ])('leave %s alone', (_, html, key) => {
        const done = vi.fn();
        renderHook(() => {
            useKeys({ n: done, ' ': done, Enter: done });
        });
        press(put(html), { key });
        expect(done).not.toHaveBeenCalled();
    });

    it.each([{ ctrlKey: true }, { metaKey: true }, { altKey: true }])('leave the browser its own: %o', (held) => {
        const done = vi.fn();
        renderHook(() => {
            useKeys({ n: done });
        });
        press(document.body, { key: 'n', ...held });
        expect(done).not.toHaveBeenCalled();
    });

    it('work beside a focused button where they are not its own', () => {
        const done = vi.fn();
        renderHook(() => {
            useKeys({ n: done });
        });
        press(put('<button data-here>x</button>'), { key: 'n' });
        expect(done).toHaveBeenCalledTimes(1);
    });
});

describe('the clock of a page', () => {
    it('goes on until the page is left', () => {
        vi.useFakeTimers({ now: 1000 });
        const { result, unmount } = renderHook(() => useNow(500));
        expect(result.current).toBe(1000);
        act(() => {
            vi.advanceTimersByTime(1600);
        });
        expect(result.current).toBe(2500);
        unmount();
        expect(vi.getTimerCount()).toBe(0);
    });
});

describe('the surround', () => {
    it('is day until another was chosen, and is kept', () => {
        restoreSurround();
        expect(currentSurround()).toBe('day');
        applySurround('lamp');
        document.documentElement.removeAttribute('data-surround');
        restoreSurround();
        expect(currentSurround()).toBe('lamp');
        localStorage.setItem('hyalin.surround', 'nonsense');
        restoreSurround();
        expect(currentSurround()).toBe('day');
    });
});

describe('an alarm', () => {
    let tones = 0;

    beforeEach(() => {
        tones = 0;
        const node = { connect: (next: unknown) => next, start: () => tones++, stop: () => undefined };
        const ramp = { value: 0, setValueAtTime: () => undefined, exponentialRampToValueAtTime: () => undefined };
        vi.stubGlobal(
            'AudioContext',
            class {
                currentTime = 0;
                destination = {};
                createOscillator = () => ({ ...node, frequency: { value: 0 } });
                createGain = () => ({ ...node, gain: ramp });
            },
        );
    });

    it('rings once for each thing, whichever window or reload sees it next', () => {
        ringOnce('layer 4 is dry', 'Dry');
        ringOnce('layer 4 is dry', 'Dry');
        expect(tones).toBe(2);
        ringOnce('layer 5 is dry', 'Dry');
        expect(tones).toBe(4);
    });

    it('does not fill the browser with what it rang for', () => {
        for (let i = 0; i < 100; i++) ringOnce(`step ${i}`, 'Dry');
        expect(JSON.parse(localStorage.getItem('hyalin-rung') ?? '[]')).toHaveLength(60);
    });

    it('rings even when what it kept cannot be read', () => {
        localStorage.setItem('hyalin-rung', '{');
        ringOnce('step 1', 'Dry');
        expect(tones).toBe(2);
    });
});
