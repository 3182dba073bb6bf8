import type { TaskKind, TaskProps } from '@/types/generated';
import { Button } from './button';
import { Notice } from './notice';

const WORDS: Record<TaskKind, string> = {
    proposal: 'Proposing areas',
    zones: 'Finding edges and grooves',
    spray: 'Calculating the spray',
    gradient: 'Setting the gradient',
    glow: 'Calculating the glow',
    measures: 'Measuring the areas',
    sculpt: 'Sculpting the print files',
    proof: 'Trying every mix',
    finishes: 'Proposing for all areas',
    light: 'Calculating the light',
    mesh: 'Reading the print file',
    sheet: 'Reading the photo',
    shelf: 'Adding the pots',
    bench: 'Reading the bench file',
    picture: 'Reading the picture',
};

/** How far a task is, and a way to stop it. */
export function TaskBar({ task, gone, onStop }: { task: TaskProps; gone: string | null; onStop: () => void }) {
    const words = WORDS[task.kind];
    return (
        <>
            <div className="flex min-w-0 flex-1 items-center gap-3 text-sm" role="status">
                <span className="shrink-0">{task.state === 'waiting' ? `${words}: waiting` : words}</span>
                <progress value={task.progress} max={1} className="min-w-0 flex-1" aria-label={words} />
                <span className="w-10 shrink-0 text-right">{Math.floor(100 * task.progress)} %</span>
                <Button size="small" disabled={task.isStopping} onClick={onStop}>
                    {task.isStopping ? 'Stopping' : 'Stop'}
                </Button>
            </div>
            {gone !== null && <Notice strong>{gone}</Notice>}
        </>
    );
}
