import { router } from '@inertiajs/react';
import { useEffect, useState, type Dispatch, type SetStateAction } from 'react';
import { ApiError, send } from '@/shared/lib/api';
import { url } from '@/shared/lib/url';
import { isOpen } from '@/shared/lib/task';
import { useTask } from '@/shared/lib/use-task';
import type { LightProps, TaskProps } from '@/types/generated';

const PAUSE_MS = 300;

const UNMEASURED =
    'Stopped. The numbers are those of before. Change an area, or open this page again, to measure them.';

/** A calculation that has ended, and the areas that it left. */
export type Ended = { task: TaskProps; areasUrl: string | null };

type SetLight = Dispatch<SetStateAction<LightProps>>;

type SetMessage = (words: string) => void;

/** Areas of a proposal, once they are there. */
export function proposed(setMessage: SetMessage) {
    setMessage('Areas and their names are a proposal: look at each.');
    // The stages above count them.
    router.reload({ only: ['figure'] });
}

/** What is calculated in the background: once it ends, its numbers are shown, or why there are none. */
export function useWork(
    light: LightProps,
    figure: number,
    setLight: SetLight,
    setMessage: SetMessage,
): ReturnType<typeof useTask> & { ended: Ended | null } {
    const [ended, setEnded] = useState<Ended | null>(null);
    const watched = useTask(light.task, (task) => {
        if (isOpen(task)) {
            setLight((before) => ({ ...before, task }));
            return;
        }
        send<LightProps>('GET', url('light.shown', { figure }))
            .then((next) => {
                setEnded({ task, areasUrl: next.areasUrl });
                setLight(next);
                // Another took its place: that one says how it ended.
                if (next.task !== null) return;
                if (task.state === 'failed') setMessage(task.problem ?? 'It failed.');
                else if (task.state === 'stopped')
                    setMessage(task.kind === 'measures' ? UNMEASURED : 'Stopped. Nothing was changed.');
                else if (task.kind === 'proposal') proposed(setMessage);
                else if (task.kind === 'sculpt') router.reload();
            })
            .catch((error: unknown) => {
                if (error instanceof ApiError) setMessage(error.message);
            });
    });
    return { ...watched, ended };
}

/** Areas that were changed are measured once the painter pauses, so that no touch of the brush waits for numbers. */
export function useMeasuring(
    light: LightProps,
    figure: number,
    setLight: SetLight,
    setMessage: SetMessage,
    ended: Ended | null,
) {
    const isStopped =
        ended !== null &&
        ended.task.kind === 'measures' &&
        ended.task.state === 'stopped' &&
        ended.areasUrl === light.areasUrl;
    const isDue = !light.isMeasured && light.task === null && !isStopped;
    const { areasUrl } = light;
    useEffect(() => {
        if (!isDue) return;
        const asking = new AbortController();
        const timer = window.setTimeout(() => {
            send<LightProps>('POST', url('light.measure', { figure }), undefined, asking.signal)
                .then(setLight)
                .catch((error: unknown) => {
                    if (error instanceof ApiError) setMessage(error.message);
                });
        }, PAUSE_MS);
        return () => {
            window.clearTimeout(timer);
            asking.abort();
        };
    }, [isDue, areasUrl, figure, setLight, setMessage]);
}

/** The glow of the chosen area is calculated first, and shown once it is there. */
export function useGlow(
    light: LightProps,
    /** The area that shines; null while no glow is looked at. */
    area: number | null,
    figure: number,
    setLight: SetLight,
    setMessage: SetMessage,
    ended: Ended | null,
): { isHere: boolean; again: (() => void) | null } {
    const wanted = area !== null && light.areasUrl !== null ? `${area} ${light.areasUrl}` : null;
    const [asked, setAsked] = useState<{ wanted: string; task: number | null } | null>(null);
    const isFree = light.task === null;
    useEffect(() => {
        if (wanted === null || asked?.wanted === wanted || !isFree || area === null) return;
        send<{ task: TaskProps | null }>('POST', url('light.castGlow', { figure, area }))
            .then(({ task }) => {
                setAsked({ wanted, task: task?.id ?? null });
                if (task !== null) setLight((before) => ({ ...before, task }));
            })
            .catch((error: unknown) => {
                if (error instanceof ApiError) setMessage(error.message);
            });
    }, [wanted, asked, isFree, area, figure, setLight, setMessage]);
    const isHere = wanted !== null && asked?.wanted === wanted && isFree;
    const isBroken = isHere && ended !== null && ended.task.id === asked.task && ended.task.state !== 'done';
    return {
        isHere: isHere && !isBroken,
        /** It was stopped, or failed: asked for again. */
        again: isBroken
            ? () => {
                  setAsked(null);
              }
            : null,
    };
}
