import type { TaskProps } from '@/types/generated';
import { Button } from './button';
import { Notice } from './notice';

const WORDS: Record<string, string> = {
    proposal: 'Proposing areas',
    zones: 'Finding edges and grooves',
    spray: 'Calculating the spray',
    gradient: 'Setting the gradient',
    glow: 'Calculating the glow',
    measures: 'Measuring the areas',
    sculpt: 'Sculpting the print files',
};

/** How far a calculation is, and a way to stop it. */
export function TaskBar({ task, gone, onStop }: { task: TaskProps; gone: string | null; onStop: () => void }) {
    const words = WORDS[task.kind] ?? 'Calculating';
    return (
        <>
            <div className="flex items-center gap-3" role="status">
                <span className="shrink-0">{words}</span>
                <progress value={task.progress} max={1} className="min-w-0 flex-1" aria-label={words} />
                <Button disabled={task.isStopping} onClick={onStop}>
                    {task.isStopping ? 'Stopping' : 'Stop'}
                </Button>
            </div>
            {gone !== null && <Notice strong>{gone}</Notice>}
        </>
    );
}
