import { Trash2 } from 'lucide-react';
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

const NONE = 'none';
const SIDES = ['z', 'y', 'x', '-z', '-y', '-x'];
const FIELD = 'w-full border border-strong bg-raised px-2 py-1';

type FilesProps = {
    figure: FigureProps;
    meshes: readonly MeshProps[];
    uploads: readonly UploadProps[];
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
    const { figure, meshes, light, onSettings, isJoining, onJoin, message } = files;

    return (
        <>
            {message !== null && <Notice strong>{message}</Notice>}
            <PrintFiles figureId={figure.id} uploads={files.uploads} onDone={() => reloaded()} />
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

function useFiles({ figure, meshes, uploads, parts, light, onSettings, isJoining, onJoin, onMoved }: FilesProps) {
    const { message, attempt } = useAttempt();
    const { change, turnAtJoint } = useMeshes({ attempt, figure, onMoved });
    return {
        figure,
        meshes,
        parts,
        light,
        onSettings,
        isJoining,
        onJoin,
        uploads,
        message,
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
    figure,
    onMoved,
}: {
    attempt: (act: () => Promise<unknown>) => Promise<boolean>;
    figure: FigureProps;
    onMoved: () => void;
}) {
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

    return { change, turnAtJoint };
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
