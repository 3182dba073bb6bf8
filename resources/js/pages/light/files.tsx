import { router } from '@inertiajs/react';
import { Trash2 } from 'lucide-react';
import { useRef, useState, type Dispatch, type SetStateAction, type RefObject } from 'react';
import { send, upload, uploadWords } from '@/shared/lib/api';
import { one } from '@/shared/lib/format';
import { reloaded } from '@/shared/lib/reloaded';
import { url } from '@/shared/lib/url';
import { useAttempt } from '@/shared/lib/use-attempt';
import { Button } from '@/shared/ui/button';
import { Notice } from '@/shared/ui/notice';
import { Pick } from '@/shared/ui/pick';
import { Tick } from '@/shared/ui/tick';
import type { FigureProps, LightProps, MeshProps } from '@/types/generated';

const NONE = 'none';
const SIDES = ['z', 'y', 'x', '-z', '-y', '-x'];
const FIELD = 'w-full border border-strong bg-raised px-2 py-1';

type FilesProps = {
    figure: FigureProps;
    meshes: readonly MeshProps[];
    parts: readonly { id: number; name: string }[];
    light: LightProps;
    onSettings: (change: Record<string, unknown>) => unknown;
    /** A face is waited for. */
    isJoining: boolean;
    onJoin: () => void;
    /** A part stands otherwise now. */
    onMoved: () => void;
};

/** Print files: what each is, where it stands on the finished figure, and which way is up. */
export function Files(props: FilesProps) {
    const files = useFiles(props);
    const { figure, meshes, light, onSettings, isJoining, onJoin, input, sent, message, take } = files;

    return (
        <>
            {message !== null && <Notice strong>{message}</Notice>}
            <FileInput input={input} take={take} />
            <Button
                className="self-start"
                disabled={sent !== undefined}
                onClick={() => {
                    input.current?.click();
                }}
            >
                {sent === undefined ? 'Import print files (STL, OBJ, 3MF)' : uploadWords(sent)}
            </Button>
            {meshes.length > 1 && light.dataUrl !== null && (
                <div className="flex flex-wrap items-center gap-2">
                    <Button look={isJoining ? 'main' : 'plain'} onClick={onJoin}>
                        {isJoining ? 'Cancel' : 'Attach a part'}
                    </Button>
                    <span className="text-xs">Face to face: click one, then the other.</span>
                </div>
            )}
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

function useFiles({ figure, meshes, parts, light, onSettings, isJoining, onJoin, onMoved }: FilesProps) {
    const input = useRef<HTMLInputElement>(null);
    const [sent, setSent] = useState<number | null | undefined>(undefined);
    const { message, attempt } = useAttempt();
    const { take, change, turnAtJoint } = useMeshes({ attempt, setSent, figure, onMoved });
    return {
        figure,
        meshes,
        parts,
        light,
        onSettings,
        isJoining,
        onJoin,
        input,
        sent,
        message,
        take,
        change,
        turnAtJoint,
    };
}

function Position({
    mesh,
    change,
    turnAtJoint,
}: {
    mesh: MeshProps;
    change: (mesh: MeshProps, body: Record<string, unknown> | null) => Promise<void>;
    turnAtJoint: (mesh: MeshProps, degrees: number) => Promise<void>;
}) {
    return (
        <details className="mt-1">
            <summary className="cursor-pointer text-xs underline">Position</summary>
            <div className="grid grid-cols-4 gap-1">
                {(['x', 'y', 'z'] as const).map((axis, i) => (
                    <label key={axis} className="text-xs">
                        {axis}, mm
                        <input
                            inputMode="decimal"
                            className={FIELD}
                            defaultValue={mesh.move[i]}
                            onBlur={(event) => {
                                const move = mesh.move.map((v, j) =>
                                    j === i ? Number(event.target.value.replace(',', '.')) : v,
                                );
                                if (move[i] !== mesh.move[i]) void change(mesh, { move });
                            }}
                        />
                    </label>
                ))}
                <label className="text-xs">
                    turned, °
                    <input
                        inputMode="decimal"
                        className={FIELD}
                        defaultValue={mesh.turn}
                        onBlur={(event) => {
                            const turn = Number(event.target.value.replace(',', '.'));
                            if (turn !== mesh.turn) void change(mesh, { turn });
                        }}
                    />
                </label>
            </div>
            <Mirrored mesh={mesh} change={change} />
            {mesh.isJoined && (
                <div className="mt-1 flex items-center gap-2 text-xs">
                    Turn at the joint
                    {[-90, -15, 15, 90].map((degrees) => (
                        <Button key={degrees} size="small" onClick={() => void turnAtJoint(mesh, degrees)}>
                            {degrees > 0 ? `+${degrees}` : degrees}°
                        </Button>
                    ))}
                </div>
            )}
        </details>
    );
}

function MeshItem({ files, mesh }: { files: Files; mesh: MeshProps }) {
    const { change, parts, turnAtJoint } = files;
    return (
        <li className="border border-line bg-raised p-2">
            <div className="flex items-center gap-2">
                <strong className="flex-1 truncate" title={mesh.title}>
                    {mesh.title}
                </strong>
                <Button
                    size="small"
                    look="quiet"
                    aria-label={`Remove ${mesh.title}`}
                    onClick={() => void change(mesh, null)}
                >
                    <Trash2 size={15} aria-hidden />
                </Button>
            </div>
            <p className="text-xs text-quiet">
                {mesh.triangles.toLocaleString()} triangles, {mesh.sizeMm.map(one).join(' x ')} mm, {one(mesh.areaCm2)}{' '}
                cm², {mesh.shells === 1 ? 'one piece' : `${mesh.shells} pieces`}
            </p>
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
                    onPick={(value) => change(mesh, { partId: value === NONE ? null : Number(value) })}
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
                    onPick={(unitMm) => change(mesh, { unitMm: Number(unitMm) })}
                />
            </div>
            <Position key={mesh.unitMm} mesh={mesh} change={change} turnAtJoint={turnAtJoint} />
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
                <span className="mb-1 block text-xs text-quiet">Height, mm</span>
                <input
                    inputMode="decimal"
                    className={`${FIELD} min-h-10`}
                    placeholder="as in files"
                    defaultValue={light.heightMm ?? ''}
                    onBlur={(event) => {
                        const text = event.target.value.replace(',', '.');
                        if (text !== String(light.heightMm ?? '')) onSettings({ heightMm: text === '' ? null : text });
                    }}
                />
            </label>
        </div>
    );
}

function useMeshes({
    attempt,
    setSent,
    figure,
    onMoved,
}: {
    attempt: (act: () => Promise<unknown>) => Promise<boolean>;
    setSent: Dispatch<SetStateAction<number | null | undefined>>;
    figure: FigureProps;
    onMoved: () => void;
}) {
    async function take(files: readonly File[]) {
        await attempt(async () => {
            for (const file of files) {
                const form = new FormData();
                form.append('mesh', file);
                setSent(0);
                await upload(url('meshes.store', { figure: figure.id }), form, setSent);
            }
        });
        setSent(undefined);
        router.reload();
    }

    async function change(mesh: MeshProps, body: Record<string, unknown> | null) {
        const path = { figure: figure.id, mesh: mesh.id };
        const done = await attempt(() =>
            body ? send('PATCH', url('meshes.update', path), body) : send('DELETE', url('meshes.destroy', path)),
        );
        if (done) await reloaded();
    }

    async function turnAtJoint(mesh: MeshProps, degrees: number) {
        const path = { figure: figure.id, mesh: mesh.id };
        if (await attempt(() => send('POST', url('meshes.turn', path), { degrees }))) onMoved();
    }

    return { take, change, turnAtJoint };
}

function Mirrored({
    mesh,
    change,
}: {
    mesh: MeshProps;
    change: (mesh: MeshProps, body: Record<string, unknown> | null) => Promise<void>;
}) {
    return (
        <Tick className="mt-1 text-xs" checked={mesh.mirror} onTick={(isOn) => change(mesh, { mirror: isOn })}>
            mirrored
        </Tick>
    );
}

function FileInput({
    input,
    take,
}: {
    input: RefObject<HTMLInputElement | null>;
    take: (files: readonly File[]) => Promise<void>;
}) {
    return (
        <input
            ref={input}
            type="file"
            multiple
            accept=".stl,.obj,.3mf"
            className="hidden"
            aria-label="Print files"
            onChange={(event) => {
                const files = [...(event.target.files ?? [])];
                if (files.length > 0) void take(files);
                event.target.value = '';
            }}
        />
    );
}
