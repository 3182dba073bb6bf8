import { Link } from '@inertiajs/react';
import { Trash2 } from 'lucide-react';
import { useState } from 'react';
import { send } from '@/shared/lib/api';
import { many } from '@/shared/lib/format';
import { isOpen } from '@/shared/lib/task';
import { url } from '@/shared/lib/url';
import { useAttempt } from '@/shared/lib/use-attempt';
import { Button } from '@/shared/ui/button';
import { Field, TextArea } from '@/shared/ui/field';
import { Notice } from '@/shared/ui/notice';
import { Sheet } from '@/shared/ui/sheet';
import { TaskBar } from '@/shared/ui/task-bar';
import type { ListedPotProps, ShelfImportProps } from '@/types/generated';
import { Caps } from './caps';
import { useShelfImport } from './use-shelf-import';

const FIELD = 'min-h-9 w-full border border-strong bg-raised px-1.5 text-sm';

/** Many pots at once: their names as a list, their colours guessed, picked, or from a photo of the caps. */
export function ListSheet({
    open,
    onClose,
    onChanged,
    kinds,
}: {
    open: boolean;
    onClose: () => void;
    onChanged: () => void;
    kinds: readonly string[];
}) {
    const list = useList(onChanged);
    const { pots, message } = list;
    const { done } = list.added;
    return (
        <Sheet
            side
            open={open}
            onClose={onClose}
            title="Add several pots"
            description="One name a line. Put the maker before the name, or on a line of its own that ends with a colon. Kind and colour are guessed from the words."
        >
            {message !== null && <Notice strong>{message}</Notice>}
            {done !== null ? (
                <Added done={done} list={list} />
            ) : pots === null ? (
                <Writing list={list} />
            ) : (
                <Looking list={list} kinds={kinds} />
            )}
        </Sheet>
    );
}

type List = ReturnType<typeof useList>;

type Row = Omit<ListedPotProps, 'hex'> & { hex: string | null };

function useList(onChanged: () => void) {
    const [text, setText] = useState('');
    const [maker, setMaker] = useState('');
    const [pots, setPots] = useState<Row[] | null>(null);
    const [leftOut, setLeftOut] = useState(0);
    const added = useShelfImport(onChanged);
    const { message, setMessage, attempt } = useAttempt();

    const look = () =>
        attempt(async () => {
            const answer = await send<{ pots: ListedPotProps[]; leftOut: number }>('POST', url('pot-list.look'), {
                text,
                maker,
            });
            setPots(answer.pots);
            setLeftOut(answer.leftOut);
            return null;
        });
    const put = (line: number, change: Partial<Row>) => {
        setPots((now) => now?.map((pot) => (pot.line === line ? { ...pot, ...change } : pot)) ?? null);
    };
    const remove = (line: number) => {
        setPots((now) => now?.filter((pot) => pot.line !== line) ?? null);
    };
    const ready = (pots ?? []).filter((pot) => pot.hex !== null && pot.maker !== '' && !pot.isKnown);
    const add = () =>
        attempt(() =>
            added.begin(
                send<ShelfImportProps>('POST', url('pot-list.store'), {
                    pots: ready.map(({ maker, name, kind, hex }) => ({ maker, name, kind, hex })),
                }),
            ),
        );
    const undo = () => attempt(added.undo);
    const again = () => {
        added.forget();
        setPots(null);
        setText('');
        setMessage(null);
    };
    return {
        text,
        setText,
        maker,
        setMaker,
        pots,
        setPots,
        leftOut,
        added,
        message,
        look,
        put,
        remove,
        ready,
        add,
        undo,
        again,
    };
}

function Writing({ list }: { list: List }) {
    return (
        <form
            className="flex flex-col gap-3"
            onSubmit={(event) => {
                event.preventDefault();
                void list.look();
            }}
        >
            <Field
                label="Maker, where a line names none"
                value={list.maker}
                onChange={(event) => {
                    list.setMaker(event.target.value);
                }}
            />
            <TextArea
                label="Names"
                rows={12}
                placeholder={'Osmerby Colour Works:\nBog Moss\nPale Linen\nPell & Rook - Peat Wash (wash) #3a2c1e'}
                value={list.text}
                onChange={(event) => {
                    list.setText(event.target.value);
                }}
            />
            <Button look="main" type="submit" disabled={list.text.trim() === ''}>
                Read the list
            </Button>
        </form>
    );
}

function Looking({ list, kinds }: { list: List; kinds: readonly string[] }) {
    const { pots, ready, leftOut } = list;
    if (pots === null) return null;
    const noColour = pots.filter((pot) => pot.hex === null && !pot.isKnown).length;
    const noMaker = pots.filter((pot) => pot.maker === '' && !pot.isKnown).length;
    const known = pots.filter((pot) => pot.isKnown).length;
    return (
        <div className="flex flex-col gap-3">
            <p className="text-sm" role="status">
                {many(pots.length, 'pot')} in the list.
                {noColour > 0 && ` ${noColour} without a colour: choose one, or take it from a photo of the caps.`}
                {noMaker > 0 && ` ${noMaker} without a maker.`}
                {known > 0 && ` ${known} already on the shelf, left unchanged.`}
                {leftOut > 0 && ` ${many(leftOut, 'line')} more than fit in one list: add those afterwards.`}
            </p>
            <Caps
                pots={pots}
                onColour={(line, hex) => {
                    list.put(line, { hex, isGuessed: false });
                }}
            />
            <ul className="flex flex-col">
                {pots.map((pot) => (
                    <ListedPot key={pot.line} pot={pot} kinds={kinds} list={list} />
                ))}
            </ul>
            <div className="sticky bottom-0 flex gap-3 border-t border-line bg-room py-2">
                <Button look="main" className="flex-1" disabled={ready.length === 0} onClick={() => void list.add()}>
                    Add {many(ready.length, 'pot')}
                </Button>
                <Button
                    onClick={() => {
                        list.setPots(null);
                    }}
                >
                    Back to the list
                </Button>
            </div>
        </div>
    );
}

function ListedPot({ pot, kinds, list }: { pot: Row; kinds: readonly string[]; list: List }) {
    if (pot.isKnown)
        return (
            <li className="border-b border-line py-1 text-sm text-quiet">
                {pot.maker} {pot.name}: already on the shelf
            </li>
        );
    return (
        <li className="grid grid-cols-[2.75rem_minmax(0,1fr)_7.5rem_2.5rem] items-center gap-1 border-b border-line py-1">
            <span className="relative h-11">
                <input
                    type="color"
                    aria-label={`Colour of ${pot.name}`}
                    className="h-11 w-11"
                    value={pot.hex ?? '#808080'}
                    onChange={(event) => {
                        list.put(pot.line, { hex: event.target.value, isGuessed: false });
                    }}
                />
            </span>
            <span className="flex min-w-0 flex-col gap-0.5">
                <input
                    aria-label={`Name, line ${pot.line}`}
                    className={FIELD}
                    value={pot.name}
                    onChange={(event) => {
                        list.put(pot.line, { name: event.target.value });
                    }}
                />
                <span className="flex items-center gap-1">
                    <input
                        aria-label={`Maker of ${pot.name}`}
                        placeholder="maker"
                        className="min-h-8 w-full border border-line bg-raised px-1.5 text-xs"
                        value={pot.maker}
                        onChange={(event) => {
                            list.put(pot.line, { maker: event.target.value });
                        }}
                    />
                    <span className="shrink-0 text-xs text-quiet">
                        {pot.hex === null ? <strong>no colour yet</strong> : pot.isGuessed ? 'guessed' : ''}
                    </span>
                </span>
            </span>
            <select
                aria-label={`Kind of ${pot.name}`}
                className={FIELD}
                value={pot.kind}
                onChange={(event) => {
                    list.put(pot.line, { kind: event.target.value as Row['kind'] });
                }}
            >
                {kinds.map((kind) => (
                    <option key={kind}>{kind}</option>
                ))}
            </select>
            <Button
                look="quiet"
                size="small"
                aria-label={`Leave out ${pot.name}`}
                onClick={() => {
                    list.remove(pot.line);
                }}
            >
                <Trash2 size={16} aria-hidden />
            </Button>
        </li>
    );
}

function Added({ done, list }: { done: ShelfImportProps; list: List }) {
    const { gone, stop } = list.added;
    if (done.task !== null && isOpen(done.task)) return <TaskBar task={done.task} gone={gone} onStop={stop} />;
    const isThere = !done.isUndone && (done.task === null || done.task.state === 'done');
    return (
        <div className="flex flex-col gap-3 text-sm" role="status">
            {done.task?.state === 'failed' && <p>{done.task.problem}</p>}
            {done.task?.state === 'stopped' && <p>Stopped. Nothing was added to the shelf.</p>}
            {done.isUndone && <p>{many(done.pots, 'pot')} removed from the shelf.</p>}
            {isThere && (
                <p>
                    <strong>{many(done.pots, 'pot')}</strong> added to the shelf, each as an estimate from its colour. A
                    swatch sheet measures up to 24 of them with one photo.
                </p>
            )}
            <div className="flex flex-wrap items-center gap-3">
                {isThere && (
                    <>
                        <Link href={url('sheets')} className="underline underline-offset-4">
                            Make a swatch sheet
                        </Link>
                        <Button onClick={() => void list.undo()}>Undo</Button>
                    </>
                )}
                <Button onClick={list.again}>Add more</Button>
            </div>
        </div>
    );
}
