import { useState } from 'react';
import { send } from '@/shared/lib/api';
import { many } from '@/shared/lib/format';
import { isOpen } from '@/shared/lib/task';
import { url } from '@/shared/lib/url';
import { useAttempt } from '@/shared/lib/use-attempt';
import { Button } from '@/shared/ui/button';
import { Notice } from '@/shared/ui/notice';
import { Sheet } from '@/shared/ui/sheet';
import { TaskBar } from '@/shared/ui/task-bar';
import type { ShelfFormatProps, ShelfImportProps, ShelfPreviewProps } from '@/types/generated';
import { useShelfImport, type ShelfImport } from './use-shelf-import';

/** Import or export the shelf. Bringing one in shows first what it would do; it is all or nothing, and can be undone. */
export function FileSheet({
    open,
    formats,
    onClose,
    onChanged,
}: {
    open: boolean;
    formats: ShelfFormatProps[];
    onClose: () => void;
    onChanged: () => void;
}) {
    const [file, setFile] = useState<File | null>(null);
    // What a file would do stays with that file: another may be chosen while it is still looked at.
    const [preview, setPreview] = useState<{ of: File; what: ShelfPreviewProps } | null>(null);
    const { message: problem, attempt } = useAttempt();
    const pots = useShelfImport(onChanged);

    const choose = async (chosen: File) => {
        pots.forget();
        setPreview(null);
        setFile(chosen);
        await attempt(async () => {
            const what = await send<ShelfPreviewProps>('POST', url('shelf-imports.preview'), form(chosen));
            setPreview({ of: chosen, what });
        });
    };
    const bringIn = (chosen: File) =>
        attempt(() => pots.begin(send<ShelfImportProps>('POST', url('shelf-imports.store'), form(chosen))));
    const undo = () =>
        attempt(async () => {
            await pots.undo();
            setPreview(null);
        });

    return (
        <Sheet side open={open} onClose={onClose} title="Import or export the shelf">
            <section className="flex flex-col gap-3" aria-labelledby="bring-in">
                <h3 id="bring-in" className="text-base font-semibold">
                    Import pots
                </h3>
                <FileInput file={file} choose={choose} />
                {problem !== null && <Notice strong>{problem}</Notice>}
                {pots.done !== null ? (
                    <Done pots={pots} done={pots.done} onUndo={() => void undo()} />
                ) : (
                    preview !== null &&
                    preview.of === file && (
                        <Preview
                            preview={preview.what}
                            onGo={() => {
                                void bringIn(preview.of);
                            }}
                        />
                    )
                )}
            </section>
            <Export formats={formats} />
        </Sheet>
    );
}

function Preview({ preview, onGo }: { preview: ShelfPreviewProps; onGo: () => void }) {
    if (preview.faults.length > 0) {
        return (
            <div role="alert" className="flex flex-col gap-2">
                <p className="text-sm font-semibold">
                    Nothing was imported: {many(preview.faults.length, 'fault')} in this file.
                </p>
                <table className="w-full text-left text-sm">
                    <thead className="text-xs text-quiet">
                        <tr>
                            <th className="pr-3 font-normal">line</th>
                            <th className="pr-3 font-normal">column</th>
                            <th className="font-normal">fault</th>
                        </tr>
                    </thead>
                    <tbody>
                        {preview.faults.map((fault) => (
                            <tr key={`${fault.line}-${fault.column}-${fault.message}`} className="align-top">
                                <td className="pr-3">{fault.line || ''}</td>
                                <td className="pr-3">{fault.column || ''}</td>
                                <td>{fault.message}</td>
                            </tr>
                        ))}
                    </tbody>
                </table>
            </div>
        );
    }
    return (
        <div className="flex flex-col gap-3">
            <p className="text-sm" role="status">
                <strong>{many(preview.new, 'new pot')}</strong>
                {preview.known > 0 && `; ${many(preview.known, 'pot')} already on the shelf, left unchanged`}.
                {preview.new > 0 && ' Their optics are estimated from the colour unless the file has K and S.'}
            </p>
            <ul className="grid grid-cols-2 gap-1.5">
                {preview.shown.map((pot) => (
                    <li key={`${pot.maker} ${pot.name}`} className="flex items-center gap-2 text-xs">
                        <span className="h-7 w-10 shrink-0" style={{ background: pot.hex }} aria-hidden />
                        <span className="min-w-0 truncate" title={`${pot.maker}, ${pot.kind}`}>
                            {pot.name}
                        </span>
                    </li>
                ))}
            </ul>
            {preview.new > preview.shown.length && (
                <p className="text-xs text-quiet">and {preview.new - preview.shown.length} more</p>
            )}
            <Button look="main" disabled={preview.new === 0} onClick={onGo}>
                Import {many(preview.new, 'pot')}
            </Button>
        </div>
    );
}

function Done({ pots, done, onUndo }: { pots: ShelfImport; done: ShelfImportProps; onUndo: () => void }) {
    if (done.task !== null && isOpen(done.task))
        return <TaskBar task={done.task} gone={pots.gone} onStop={pots.stop} />;
    if (done.task?.state === 'failed') return <Notice strong>{done.task.problem ?? 'It failed.'}</Notice>;
    if (done.task?.state === 'stopped') return <Notice>Stopped. Nothing was added to the shelf.</Notice>;
    return (
        <div className="flex items-center justify-between gap-3 text-sm" role="status">
            {done.isUndone ? (
                <span>{many(done.pots, 'pot')} removed from the shelf.</span>
            ) : (
                <>
                    <span>
                        <strong>{many(done.pots, 'pot')}</strong> added to the shelf.
                    </span>
                    <Button onClick={onUndo}>Undo</Button>
                </>
            )}
        </div>
    );
}

function form(file: File): FormData {
    const data = new FormData();
    data.append('file', file);
    return data;
}

function Export({ formats }: { formats: ShelfFormatProps[] }) {
    return (
        <section className="mt-4 flex flex-col gap-2 border-t border-line pt-4" aria-labelledby="take-out">
            <h3 id="take-out" className="text-base font-semibold">
                Export
            </h3>
            {formats.map(({ ending, holds, about }) => (
                <a
                    key={ending}
                    href={url('shelf.file', { format: ending })}
                    download
                    className="border border-strong bg-raised px-3 py-2 text-sm hover:border-ink"
                >
                    {holds} <span className="block text-xs text-quiet">{about}</span>
                </a>
            ))}
        </section>
    );
}

function FileInput({ file, choose }: { file: File | null; choose: (chosen: File) => Promise<void> }) {
    return (
        <label className="flex min-h-24 flex-col items-center justify-center gap-1 border-2 border-dashed border-strong bg-raised p-3 text-center text-sm focus-within:border-ink">
            <span>{file?.name ?? 'Choose a CSV file or palette'}</span>
            <span className="text-xs text-quiet">
                Columns: maker, name, colour; optional: kind, sheen, opacity, strength, level, note and more
            </span>
            <input
                type="file"
                accept=".csv,.gpl,text/csv,text/plain"
                aria-label="File of pots"
                className="sr-only"
                onChange={(event) => {
                    const chosen = event.target.files?.[0];
                    event.target.value = '';
                    if (chosen) void choose(chosen);
                }}
            />
        </label>
    );
}
