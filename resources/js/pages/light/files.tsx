import { Trash2 } from 'lucide-react';
import type { BufferGeometry } from 'three';
import { useEffect, useRef, useState } from 'react';
import { PrintFiles } from '@/features/print-files/print-files';
import { send } from '@/shared/lib/api';
import { one } from '@/shared/lib/format';
import { reloaded } from '@/shared/lib/reloaded';
import { url } from '@/shared/lib/url';
import { useAttempt } from '@/shared/lib/use-attempt';
import { Button } from '@/shared/ui/button';
import { Notice } from '@/shared/ui/notice';
import { Pick } from '@/shared/ui/pick';
import { Tick } from '@/shared/ui/tick';
import type { FigureProps, LightProps, MeshProps, UploadProps } from '@/types/generated';
import type { PosingActs } from './posing';
import { areaWords, fromMm, inOwnUnits, lengthUnit, toMm } from '@/shared/lib/units';

const NONE = 'none';
const AXES = ['x', 'y', 'z'] as const;
const SIDES = ['z', 'y', 'x', '-z', '-y', '-x'];
const FIELD = 'w-full border border-strong bg-raised px-2 py-1';

type FilesProps = {
    figure: FigureProps;
    meshes: readonly MeshProps[];
    uploads: readonly UploadProps[];
    parts: readonly { id: number; name: string }[];
    light: LightProps;
    onSettings: (change: Record<string, unknown>) => unknown;
    posing: PosingActs;
    onArriving: (shape: BufferGeometry | null) => void;
};

/** Print files: what each is, where it stands on the finished figure, and which way is up. */
export function Files(props: FilesProps) {
    const files = useFiles(props);
    const { figure, meshes, light, onSettings, message } = files;

    return (
        <>
            {message !== null && <Notice strong>{message}</Notice>}
            <PrintFiles
                figureId={figure.id}
                uploads={files.uploads}
                onDone={() => reloaded()}
                onArriving={files.onArriving}
            />
            <Standing light={light} onSettings={onSettings} />
            {meshes.length > 0 && (
                <p className="flex gap-4 text-xs">
                    <a className="underline" href={url('light.stl', { figure: figure.id })}>
                        Export assembled (STL)
                    </a>
                    {light.dataUrl !== null && (
                        <a className="underline" href={url('light.ply', { figure: figure.id })}>
                            Export painted (PLY)
                        </a>
                    )}
                </p>
            )}
            <ul className="flex flex-col gap-3">
                {meshes.map((mesh) => (
                    <MeshItem key={mesh.id} mesh={mesh} files={files} />
                ))}
            </ul>
        </>
    );
}

type Files = ReturnType<typeof useFiles>;

function useFiles({ figure, meshes, uploads, parts, light, onSettings, posing, onArriving }: FilesProps) {
    const { message, attempt } = useAttempt();
    async function remove(mesh: MeshProps) {
        const done = await attempt(() => send('DELETE', url('meshes.destroy', { figure: figure.id, mesh: mesh.id })));
        if (done) await reloaded();
    }
    return { figure, meshes, parts, light, onSettings, posing, onArriving, uploads, message, remove };
}

function Position({ mesh, posing }: { mesh: MeshProps; posing: PosingActs }) {
    const { change, turnAtJoint } = posing;
    const [by, setBy] = useState(15);
    return (
        <details className="mt-1" open={posing.held === mesh.id}>
            <summary className="cursor-pointer text-xs underline">Position</summary>
            <div className="grid grid-cols-3 gap-1">
                {AXES.map((axis, i) => (
                    <label key={axis} className="text-xs">
                        {axis}, {lengthUnit()}
                        <input
                            key={mesh.move[i]}
                            inputMode="decimal"
                            className={FIELD}
                            defaultValue={fromMm(one(mesh.move[i] ?? 0))}
                            onBlur={(event) => {
                                if (event.target.value === fromMm(one(mesh.move[i] ?? 0))) return;
                                const text = toMm(event.target.value);
                                void change(mesh.id, { move: mesh.move.map((v, j) => (j === i ? Number(text) : v)) });
                            }}
                        />
                    </label>
                ))}
            </div>
            <div className="mt-1 flex flex-wrap items-center gap-2 text-xs">
                <label className="flex items-center gap-1 whitespace-nowrap">
                    turn by, °
                    <input
                        inputMode="decimal"
                        className="w-16 border border-strong bg-raised px-2 py-1"
                        defaultValue={by}
                        onBlur={(event) => {
                            setBy(Number(event.target.value.replace(',', '.')));
                        }}
                    />
                </label>
                about
                {AXES.map((axis) => (
                    <Button
                        key={axis}
                        size="small"
                        aria-label={`Turn ${mesh.title} about ${axis}`}
                        onClick={() => void change(mesh.id, { turnBy: { axis, degrees: by } })}
                    >
                        {axis}
                    </Button>
                ))}
                <Tick
                    checked={mesh.mirror}
                    onTick={async (isOn) => {
                        await change(mesh.id, { mirror: isOn });
                    }}
                >
                    mirrored
                </Tick>
            </div>
            {mesh.isJoined && (
                <div className="mt-1 flex flex-wrap items-center gap-2 text-xs">
                    At the joint
                    {[-90, -15, 15, 90].map((degrees) => (
                        <Button key={degrees} size="small" onClick={() => void turnAtJoint(mesh.id, degrees)}>
                            {degrees > 0 ? `+${degrees}` : degrees}°
                        </Button>
                    ))}
                    <Button size="small" onClick={() => void change(mesh.id, { detach: true })}>
                        Detach
                    </Button>
                </div>
            )}
        </details>
    );
}

function MeshItem({ files, mesh }: { files: Files; mesh: MeshProps }) {
    const { meshes, parts, posing, remove } = files;
    const onto = meshes.find((other) => other.id === mesh.ontoId);
    const item = useRef<HTMLLIElement>(null);
    const isHeld = posing.held === mesh.id;
    useEffect(() => {
        if (isHeld) item.current?.scrollIntoView({ block: 'nearest' });
    }, [isHeld]);
    return (
        <li ref={item} className={`border bg-raised p-2 ${isHeld ? 'border-strong' : 'border-line'}`}>
            <div className="flex items-center gap-2">
                <button
                    type="button"
                    className="min-w-0 flex-1 truncate text-left font-bold underline-offset-4 hover:underline"
                    title={mesh.title}
                    aria-pressed={isHeld}
                    onClick={() => {
                        posing.choose(mesh.id);
                    }}
                >
                    {mesh.title}
                </button>
                <Button size="small" look="quiet" aria-label={`Remove ${mesh.title}`} onClick={() => void remove(mesh)}>
                    <Trash2 size={15} aria-hidden />
                </Button>
            </div>
            <p className="text-xs text-quiet">
                {mesh.triangles.toLocaleString()} triangles, {mesh.sizeMm.map((mm) => fromMm(one(mm))).join(' x ')}{' '}
                {lengthUnit()}, {areaWords(one(mesh.areaCm2))},{' '}
                {mesh.shells === 1 ? 'one piece' : `${mesh.shells} pieces`}
                {onto && `; on ${onto.title}`}
            </p>
            {mesh.findings.map((finding) => (
                <p key={finding.words} className="mt-1 flex flex-wrap items-center gap-2 text-sm">
                    {inOwnUnits(finding.words)}
                    {finding.act !== null && (
                        <Button size="small" onClick={() => void posing.mend(mesh.id, finding.kind, !finding.isMended)}>
                            {finding.act}
                        </Button>
                    )}
                </p>
            ))}
            {mesh.remarks.map((remark) => (
                <p key={remark} className="text-xs">
                    {remark}
                </p>
            ))}
            <div className="mt-1 grid grid-cols-2 gap-2">
                <Pick
                    label="Part"
                    value={mesh.partId === null ? NONE : String(mesh.partId)}
                    options={[
                        { value: NONE, label: 'several, or none' },
                        ...parts.map((part) => ({ value: String(part.id), label: part.name })),
                    ]}
                    onPick={(value) => posing.change(mesh.id, { partId: value === NONE ? null : Number(value) })}
                />
                <Pick
                    label="Units"
                    value={String(mesh.unitMm)}
                    options={[
                        { value: '1', label: 'mm' },
                        { value: '10', label: 'cm' },
                        { value: '25.4', label: 'inches' },
                        { value: '1000', label: 'm' },
                    ]}
                    onPick={(unitMm) => posing.change(mesh.id, { unitMm: Number(unitMm) })}
                />
            </div>
            <Position mesh={mesh} posing={posing} />
        </li>
    );
}

function Standing({
    light,
    onSettings,
}: {
    light: LightProps;
    onSettings: (change: Record<string, unknown>) => unknown;
}) {
    return (
        <div className="grid grid-cols-3 items-end gap-2">
            <Pick
                label="Up"
                value={light.up}
                options={SIDES.map((value) => ({ value, label: value }))}
                onPick={(up) => onSettings({ up })}
            />
            <Pick
                label="Front"
                value={light.front}
                options={SIDES.filter((side) => side.slice(-1) !== light.up.slice(-1)).map((value) => ({
                    value,
                    label: value,
                }))}
                onPick={(front) => onSettings({ front })}
            />
            <label>
                <span className="mb-1 block text-xs text-quiet">Height, {lengthUnit()}</span>
                <input
                    inputMode="decimal"
                    className={`${FIELD} min-h-10`}
                    placeholder="as in files"
                    defaultValue={fromMm(light.heightMm ?? '')}
                    onBlur={(event) => {
                        const text = toMm(event.target.value);
                        if (event.target.value !== fromMm(light.heightMm ?? ''))
                            onSettings({ heightMm: text === '' ? null : text });
                    }}
                />
            </label>
        </div>
    );
}
