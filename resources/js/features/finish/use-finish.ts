import { router } from '@inertiajs/react';
import { useCallback, useEffect, useRef, useState } from 'react';
import { create } from 'zustand';
import { ApiError, isRecord, send } from '@/shared/lib/api';
import { url } from '@/shared/lib/url';
import type { AreaFinishProps, SectionProps } from '@/types/generated';
import { wire, type Stack } from './layers';

type Saving = 'saved' | 'unsaved' | 'saving' | 'failed';

type FinishState = {
    stack: Stack;
    section: SectionProps;
    version: number;
    saving: Saving;
    problem: string | null;
    theirs: AreaFinishProps | null;
};

const PREVIEW_AFTER = 40;
const SAVE_AFTER = 600;
const RETRY_AFTER = 2000;

/**
 * The finish of one area in the browser: changes show at once, the section follows from the server (stale questions
 * are cancelled), and the stack is saved shortly after the last change.
 */
export function useFinish(figureId: number, area: AreaFinishProps) {
    const [useStore] = useState(() =>
        create<FinishState>(() => ({
            stack: area.layers,
            section: area.section,
            version: area.version,
            saving: 'saved',
            problem: null,
            theirs: null,
        })),
    );
    const state = useStore();
    const asking = useRef<AbortController | null>(null);
    const previewTimer = useRef(0);
    const saveTimer = useRef(0);
    const flight = useRef<Promise<void> | null>(null);
    const again = useRef<() => void>(() => undefined);
    const at = { figure: figureId, area: area.id };

    const preview = useCallback(
        async (stack: Stack) => {
            asking.current?.abort();
            const question = new AbortController();
            asking.current = question;
            try {
                const section = await send<SectionProps>(
                    'POST',
                    url('finishes.section', at),
                    { layers: wire(stack) },
                    question.signal,
                );
                useStore.setState({ section, problem: null });
            } catch (error) {
                if (error instanceof ApiError) useStore.setState({ problem: error.message });
            }
        },
        // eslint-disable-next-line react-hooks/exhaustive-deps -- the ids never change while this is mounted
        [figureId, area.id],
    );

    const put = useCallback(
        async (version?: number) => {
            const saved = useStore.getState().stack;
            useStore.setState({ saving: 'saving' });
            try {
                const answer = await send<{ version: number }>('PUT', url('finishes.update', at), {
                    layers: wire(saved),
                    version: version ?? useStore.getState().version,
                });
                const unchanged = useStore.getState().stack === saved;
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
                    useStore.setState({
                        version: theirs.version,
                        saving: unchanged ? 'saved' : 'unsaved',
                        problem: null,
                    });
                    return;
                }
                useStore.setState({ saving: 'failed', problem: error.message, theirs });
                if (error.isTransient) {
                    window.clearTimeout(saveTimer.current);
                    saveTimer.current = window.setTimeout(() => {
                        again.current();
                    }, RETRY_AFTER);
                }
            }
        },
        // eslint-disable-next-line react-hooks/exhaustive-deps -- the ids never change while this is mounted
        [figureId, area.id],
    );

    const save = useCallback(
        async (version?: number) => {
            window.clearTimeout(saveTimer.current);
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
        [put],
    );

    useEffect(() => {
        again.current = () => void save();
    }, [save]);

    const change = useCallback(
        (stack: Stack) => {
            useStore.setState({ stack, saving: 'unsaved' });
            window.clearTimeout(previewTimer.current);
            window.clearTimeout(saveTimer.current);
            previewTimer.current = window.setTimeout(() => void preview(stack), PREVIEW_AFTER);
            saveTimer.current = window.setTimeout(() => void save(), SAVE_AFTER);
        },
        [preview, save, useStore],
    );

    const keepMine = useCallback(() => {
        const theirs = useStore.getState().theirs;
        useStore.setState({ theirs: null });
        if (theirs) void save(theirs.version);
    }, [save, useStore]);

    const takeTheirs = useCallback(() => {
        const theirs = useStore.getState().theirs;
        if (theirs) {
            useStore.setState({
                stack: theirs.layers,
                section: theirs.section,
                version: theirs.version,
                saving: 'saved',
                problem: null,
                theirs: null,
            });
        }
    }, [useStore]);

    useEffect(
        () => () => {
            // Leaving the page with something unsaved: it is sent on the way out.
            const { saving, theirs } = useStore.getState();
            if (saving === 'unsaved' || (saving === 'failed' && !theirs)) void save();
        },
        [save, useStore],
    );

    return { ...state, change, save, keepMine, takeTheirs };
}

function same(one: Stack, other: Stack): boolean {
    return JSON.stringify(wire(one)) === JSON.stringify(wire(other));
}

export function savingWords(saving: Saving): string {
    return { saved: 'Saved', unsaved: 'Not saved yet', saving: 'Saving', failed: 'Not saved' }[saving];
}
