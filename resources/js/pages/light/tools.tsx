import { useState } from 'react';
import { many, one } from '@/shared/lib/format';
import { Button } from '@/shared/ui/button';
import { Choice } from '@/shared/ui/choice';
import { Pick } from '@/shared/ui/pick';
import { Slide } from '@/shared/ui/slide';
import { areaWords, fromMm, lengthUnit, lengthWords, toMm } from '@/shared/lib/units';
import type { LitAreaProps } from '@/types/generated';

export type Tool = 'look' | 'piece' | 'crease' | 'brush' | 'lasso' | 'seeds' | 'gradient' | 'aim';

/** Along what the zones of an area run. */
export type Along = 'none' | 'now' | 'up' | 'side' | 'front' | 'points';

export type Seed = { at: [number, number, number]; areaId: number };

const NONE = 'none';

type ToolsProps = {
    areas: readonly LitAreaProps[];
    area: number | null;
    onArea: (id: number | null) => void;
    tool: Tool;
    onTool: (tool: Tool) => void;
    size: { crease: number; brush: number };
    onSize: (size: { crease: number; brush: number }) => void;
    seeds: readonly Seed[];
    /** Points of the line that is drawn around a place. */
    line: number;
    onClose: () => void;
    /** mm that the border of the chosen area moves outwards. */
    onGrow: (mm: number) => void;
    onMirror: () => void;
    onGradient: (along: Along) => unknown;
    onDivide: () => void;
    onForget: () => void;
    noAreaCm2: number;
    insideCm2: number;
    /** Something is being calculated: a proposal waits for it. */
    isBusy: boolean;
    onPropose: () => void;
    onUndo: (() => void) | null;
    onRedo: (() => void) | null;
};

/** What a press on the mesh does: which part of it becomes which area. */
export function Tools(props: ToolsProps) {
    const tools = useTools(props);
    const { areas, area, onArea, tool, onTool, size, onSize, noAreaCm2, onPropose, onForget } = tools;

    return (
        <div className="flex flex-col gap-2 bg-sunk p-2">
            <Choice<Tool>
                label="Click to"
                value={tool}
                options={[
                    { value: 'look', label: 'select' },
                    { value: 'piece', label: 'shell' },
                    { value: 'crease', label: 'fill' },
                    { value: 'brush', label: 'brush' },
                    { value: 'lasso', label: 'lasso' },
                    { value: 'seeds', label: 'seeds' },
                ]}
                onChoose={onTool}
            />
            {tool !== 'look' && tool !== 'gradient' && tool !== 'aim' && (
                <BecomesPick tool={tool} area={area} areas={areas} onArea={onArea} />
            )}
            {tool === 'crease' && <CreaseSlide size={size} onSize={onSize} />}
            {tool === 'brush' && (
                <Slide
                    label={`Radius of the brush, ${lengthUnit()}`}
                    said={lengthWords(one(size.brush))}
                    min={0.5}
                    max={15}
                    step={0.5}
                    value={size.brush}
                    onSlide={(brush) => {
                        onSize({ ...size, brush });
                    }}
                />
            )}
            {tool === 'lasso' && (
                <div className="flex flex-wrap items-center gap-2">
                    <Button disabled={props.line < 3} onClick={props.onClose}>
                        Close the line
                    </Button>
                    {props.line > 0 && (
                        <Button look="quiet" onClick={onForget}>
                            Clear {props.line}
                        </Button>
                    )}
                    <span className="text-xs">
                        Click points around the place: the line follows the creases beside it.
                    </span>
                </div>
            )}
            {area !== null && (
                <Whole
                    area={areas.find((a) => a.id === area)}
                    onGrow={props.onGrow}
                    onMirror={props.onMirror}
                    onGradient={props.onGradient}
                />
            )}
            {(props.onUndo !== null || props.onRedo !== null) && (
                <div className="flex gap-2">
                    <Button size="small" disabled={props.onUndo === null} onClick={() => props.onUndo?.()}>
                        Undo
                    </Button>
                    <Button size="small" disabled={props.onRedo === null} onClick={() => props.onRedo?.()}>
                        Redo
                    </Button>
                </div>
            )}
            {tool === 'seeds' && <Seeds tools={tools} />}
            {noAreaCm2 > 0.05 && (
                <div className="flex items-center gap-2">
                    <Button disabled={props.isBusy} onClick={onPropose}>
                        Propose areas
                    </Button>
                    <span className="text-xs">{areaWords(one(noAreaCm2))} belong to no area yet.</span>
                </div>
            )}
            {props.insideCm2 > 0.05 && (
                <p className="text-xs">
                    {areaWords(one(props.insideCm2))} lie inside the figure, where no eye reaches: a hollow print, or
                    pieces within each other. They are left out of areas; the brush can still take them in.
                </p>
            )}
        </div>
    );
}

/** What is done with an area as a whole. */
function Whole({
    area,
    onGrow,
    onMirror,
    onGradient,
}: {
    area: LitAreaProps | undefined;
    onGrow: (mm: number) => void;
    onMirror: () => void;
    onGradient: (along: Along) => unknown;
}) {
    const [mm, setMm] = useState(1);
    if (!area) return null;
    return (
        <div className="flex flex-wrap items-end gap-2 text-xs">
            <span className="max-w-40 self-center truncate font-bold">{area.name}</span>
            <Button
                size="small"
                onClick={() => {
                    onGrow(mm);
                }}
            >
                Grow
            </Button>
            <Button
                size="small"
                onClick={() => {
                    onGrow(-mm);
                }}
            >
                Shrink
            </Button>
            <label className="flex items-center gap-1">
                by
                <input
                    key={lengthUnit()}
                    inputMode="decimal"
                    className="w-16 border border-strong bg-raised px-1 py-1"
                    aria-label={`Move the border by, ${lengthUnit()}`}
                    defaultValue={fromMm(mm)}
                    onChange={(event) => {
                        const typed = Number(toMm(event.target.value));
                        if (typed > 0) setMm(Math.max(0.2, Math.min(20, typed)));
                    }}
                />
                {lengthUnit()}
            </label>
            <Button size="small" onClick={onMirror}>
                Other side too
            </Button>
            <Pick<Along>
                label="Its zones"
                value={area.isGradient ? 'now' : 'none'}
                options={[
                    { value: 'none', label: 'recess to edge' },
                    ...(area.isGradient
                        ? [
                              {
                                  value: 'now' as const,
                                  label: area.gradient === null ? 'a gradient: no extent here' : 'a gradient, as it is',
                              },
                          ]
                        : []),
                    { value: 'up', label: 'a gradient upwards' },
                    { value: 'side', label: 'a gradient from side to side' },
                    { value: 'front', label: 'a gradient from front to back' },
                    { value: 'points', label: 'a gradient between two points' },
                ]}
                onPick={onGradient}
            />
        </div>
    );
}

type Tools = ReturnType<typeof useTools>;

function useTools({
    areas,
    area,
    onArea,
    tool,
    onTool,
    size,
    onSize,
    seeds,
    onDivide,
    onForget,
    noAreaCm2,
    onPropose,
}: ToolsProps) {
    const named = new Set(seeds.map((seed) => seed.areaId));
    return { areas, area, onArea, tool, onTool, size, onSize, seeds, onDivide, onForget, noAreaCm2, onPropose, named };
}

function Seeds({ tools }: { tools: Tools }) {
    const { named, onDivide, seeds, onForget } = tools;
    return (
        <>
            <p className="text-xs">
                Select an area and click in the middle of it, then the next one. Everything between is split along the
                folds.
            </p>
            <div className="flex items-center gap-2">
                <Button disabled={named.size < 2} onClick={onDivide}>
                    Split between {many(named.size, 'area')}
                </Button>
                {seeds.length > 0 && (
                    <Button look="quiet" onClick={onForget}>
                        Clear {seeds.length}
                    </Button>
                )}
            </div>
        </>
    );
}

function CreaseSlide({
    size,
    onSize,
}: {
    size: { crease: number; brush: number };
    onSize: (size: { crease: number; brush: number }) => void;
}) {
    return (
        <Slide
            label="How deep a crease stops it"
            said={`stops at ${size.crease < 6 ? 'any crease' : size.crease < 16 ? 'clear creases' : 'deep folds'}`}
            min={1}
            max={40}
            value={size.crease}
            onSlide={(crease) => {
                onSize({ ...size, crease });
            }}
        />
    );
}

function BecomesPick({
    tool,
    area,
    areas,
    onArea,
}: {
    tool: Exclude<Tool, 'look' | 'gradient' | 'aim'>;
    area: number | null;
    areas: readonly LitAreaProps[];
    onArea: (id: number | null) => void;
}) {
    return (
        <Pick
            label={tool === 'seeds' ? 'area of the seed' : 'becomes'}
            value={area === null ? NONE : String(area)}
            options={[
                ...(tool === 'seeds' ? [] : [{ value: NONE, label: 'no area' }]),
                ...areas.map((a) => ({ value: String(a.id), label: a.name })),
            ]}
            onPick={(value) => {
                onArea(value === NONE ? null : Number(value));
            }}
        />
    );
}
