import { router } from '@inertiajs/react';
import { useCallback, useEffect, useRef, useState, type RefObject } from 'react';
import { create, type StoreApi, type UseBoundStore } from 'zustand';
import { ApiError, isRecord, send, sendAway } from '@/shared/lib/api';
import { url } from '@/shared/lib/url';
import type { AreaFinishProps, SectionProps } from '@/types/generated';
import { forgetFinish, keepFinish, keptFinish } from './kept-finish';
import { wire, type Stack } from './layers';

type Saving = 'saved' | 'unsaved' | 'saving' | 'failed';

type FinishState = {
    stack: Stack;
    section: SectionProps;
    version: number;
    saving: Saving;
    problem: string | null;
    theirs: AreaFinishProps | null;
    /** What the stack was before each act, the latest last. */
    past: Stack[];
};

const MOST_UNDONE = 50;
const PREVIEW_AFTER = 40;
const SAVE_AFTER = 600;
const RETRY_AFTER = 2000;

/**
 * The finish of one area in the browser: changes show at once, the section follows from the server (stale questions
 * are cancelled), and the stack is saved shortly after the last change.
 *
 * @param look  light and sheen that the section is seen in: another look is another section of the same layers
 */
export function useFinish(figureId: number, area: AreaFinishProps, look = '') {
    const [useStore] = useState(() => create<FinishState>(() => opened(area)));
    const state = useStore();
    const previewTimer = useRef(0);
    const saveTimerRef = useRef(0);
    const againRef = useRef<() => void>(() => undefined);
    const { preview, put } = useRequests({ useStore, figureId, areaId: area.id, saveTimerRef, againRef });
    const save = useSaving({ saveTimerRef, put, againRef });

    const change = useCallback(
        (stack: Stack, isUndo = false) => {
            const { stack: before, past } = useStore.getState();
            useStore.setState({
                stack,
                saving: 'unsaved',
                past: isUndo ? past.slice(0, -1) : [...past, before].slice(-MOST_UNDONE),
            });
            keepFinish(area.id, { stack, version: useStore.getState().version });
            window.clearTimeout(previewTimer.current);
            window.clearTimeout(saveTimerRef.current);
            previewTimer.current = window.setTimeout(() => void preview(stack), PREVIEW_AFTER);
            saveTimerRef.current = window.setTimeout(() => void save(), SAVE_AFTER);
        },
        [area.id, preview, save, useStore],
    );
    const undo = useCallback(() => {
        const before = useStore.getState().past.at(-1);
        if (before) change(before, true);
    }, [change, useStore]);
    const { keepMine, takeTheirs } = useChoice(useStore, area.id, save);
    useLeaving(useStore, figureId, area.id);
    // What an earlier visit could not send is sent now.
    useEffect(() => {
        const { saving, stack, theirs } = useStore.getState();
        if (saving === 'saved') return;
        void preview(stack);
        if (!theirs) void save();
    }, [preview, save, useStore]);
    const lookRef = useRef(look);
    useEffect(() => {
        if (lookRef.current === look) return;
        lookRef.current = look;
        void preview(useStore.getState().stack);
    }, [look, preview, useStore]);

    useEffect(
        () => () => {
            // Leaving the page with something unsaved: it is sent on the way out.
            const { saving, theirs } = useStore.getState();
            if (saving === 'unsaved' || (saving === 'failed' && !theirs)) void save();
        },
        [save, useStore],
    );

    const act = useCallback(
        (stack: Stack) => {
            change(stack);
        },
        [change],
    );

    return { ...state, change: act, undo, canUndo: state.past.length > 0, save, keepMine, takeTheirs };
}

/** As the server has it, or as this browser has kept it since: where both have changed, the painter decides. */
function opened(area: AreaFinishProps): FinishState {
    const stored: FinishState = {
        stack: area.layers,
        section: area.section,
        version: area.version,
        saving: 'saved',
        problem: null,
        theirs: null,
        past: [],
    };
    const kept = keptFinish(area.id);
    if (kept === null) return stored;
    if (same(kept.stack, area.layers)) {
        forgetFinish(area.id);
        return stored;
    }
    return kept.version === area.version
        ? { ...stored, stack: kept.stack, saving: 'unsaved', past: [area.layers] }
        : { ...stored, stack: kept.stack, saving: 'failed', theirs: area };
}

/** A closed tab: what is not saved is sent on the way out, and where that failed before, the browser asks first. */
function useLeaving(useStore: UseBoundStore<StoreApi<FinishState>>, figureId: number, areaId: number) {
    useEffect(() => {
        const sendRest = () => {
            const { saving, stack, version, theirs } = useStore.getState();
            if (saving === 'saved' || theirs) return;
            sendAway('PUT', url('finishes.update', { figure: figureId, area: areaId }), {
                layers: wire(stack),
                version,
            });
        };
        const ask = (event: BeforeUnloadEvent) => {
            if (useStore.getState().saving === 'failed') event.preventDefault();
        };
        window.addEventListener('pagehide', sendRest);
        window.addEventListener('beforeunload', ask);
        return () => {
            window.removeEventListener('pagehide', sendRest);
            window.removeEventListener('beforeunload', ask);
        };
    }, [areaId, figureId, useStore]);
}

function same(one: Stack, other: Stack): boolean {
    return JSON.stringify(wire(one)) === JSON.stringify(wire(other));
}

export function savingWords(saving: Saving): string {
    return { saved: 'Saved', unsaved: 'Not saved yet', saving: 'Saving', failed: 'Not saved' }[saving];
}

function useChoice(
    useStore: UseBoundStore<StoreApi<FinishState>>,
    areaId: number,
    save: (version?: number) => Promise<void>,
) {
    const keepMine = useCallback(() => {
        const theirs = useStore.getState().theirs;
        useStore.setState({ theirs: null });
        if (theirs) void save(theirs.version);
    }, [save, useStore]);

    const takeTheirs = useCallback(() => {
        const theirs = useStore.getState().theirs;
        if (theirs) {
            forgetFinish(areaId);
            useStore.setState({
                stack: theirs.layers,
                section: theirs.section,
                version: theirs.version,
                saving: 'saved',
                problem: null,
                theirs: null,
            });
        }
    }, [areaId, useStore]);

    return { keepMine, takeTheirs };
}

function useSaving({
    saveTimerRef,
    put,
    againRef,
}: {
    saveTimerRef: RefObject<number>;
    put: (version?: number) => Promise<void>;
    againRef: RefObject<() => void>;
}) {
    const flight = useRef<Promise<void> | null>(null);
    const save = useCallback(
        async (version?: number) => {
            window.clearTimeout(saveTimerRef.current);
            // One save at a time: a second one under way would be based on the version before the first.
            while (flight.current) await flight.current;
            const saving = put(version);
            flight.current = saving;
            try {
                await saving;
            } finally {
                flight.current = null;
            }
        },
        [put, saveTimerRef],
    );

    useEffect(() => {
        againRef.current = () => void save();
    }, [againRef, save]);

    return save;
}

type Saved = {
    useStore: UseBoundStore<StoreApi<FinishState>>;
    figureId: number;
    areaId: number;
    saveTimerRef: RefObject<number>;
    againRef: RefObject<() => void>;
};

function useRequests({ useStore, figureId, areaId, saveTimerRef, againRef }: Saved) {
    const asking = useRef<AbortController | null>(null);
    const preview = useCallback(
        async (stack: Stack) => {
            asking.current?.abort();
            const question = new AbortController();
            asking.current = question;
            try {
                const section = await send<SectionProps>(
                    'POST',
                    url('finishes.section', { figure: figureId, area: areaId }),
                    { layers: wire(stack) },
                    question.signal,
                );
                useStore.setState({ section, problem: null });
            } catch (error) {
                if (error instanceof ApiError) useStore.setState({ problem: error.message });
            }
        },
        [areaId, figureId, useStore],
    );
    const put = usePut({ useStore, figureId, areaId, saveTimerRef, againRef });

    return { preview, put };
}

function usePut({ useStore, figureId, areaId, saveTimerRef, againRef }: Saved) {
    const put = useCallback(
        async (version?: number) => {
            const saved = useStore.getState().stack;
            useStore.setState({ saving: 'saving' });
            try {
                const answer = await send<{ version: number }>(
                    'PUT',
                    url('finishes.update', { figure: figureId, area: areaId }),
                    {
                        layers: wire(saved),
                        version: version ?? useStore.getState().version,
                    },
                );
                const stack = useStore.getState().stack;
                const unchanged = stack === saved;
                if (unchanged) forgetFinish(areaId);
                else keepFinish(areaId, { stack, version: answer.version });
                useStore.setState({ version: answer.version, saving: unchanged ? 'saved' : 'unsaved', problem: null });
                // The list of areas and the stages say how far the figure is.
                router.reload({ only: ['areas', 'figure'] });
            } catch (error) {
                if (!(error instanceof ApiError)) throw error;
                const theirs =
                    error.isConflict && isRecord(error.body) ? (error.body['theirs'] as AreaFinishProps) : null;
                if (theirs && same(theirs.layers, saved)) {
                    // An earlier try got through and only its answer was lost: what is stored is what was sent.
                    const unchanged = useStore.getState().stack === saved;
                    if (unchanged) forgetFinish(areaId);
                    useStore.setState({
                        version: theirs.version,
                        saving: unchanged ? 'saved' : 'unsaved',
                        problem: null,
                    });
                    return;
                }
                useStore.setState({ saving: 'failed', problem: error.message, theirs });
                if (error.isTransient) {
                    window.clearTimeout(saveTimerRef.current);
                    saveTimerRef.current = window.setTimeout(() => {
                        againRef.current();
                    }, RETRY_AFTER);
                }
            }
        },
        [againRef, areaId, figureId, saveTimerRef, useStore],
    );

    return put;
}
