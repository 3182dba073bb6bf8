import { Link, router } from '@inertiajs/react';
import { useState } from 'react';
import { Shell } from '@/features/shell/shell';
import { send } from '@/shared/lib/api';
import { many, one } from '@/shared/lib/format';
import { url } from '@/shared/lib/url';
import { useAttempt } from '@/shared/lib/use-attempt';
import { Button } from '@/shared/ui/button';
import { Choice } from '@/shared/ui/choice';
import { Notice } from '@/shared/ui/notice';
import { Pick } from '@/shared/ui/pick';
import { PotMark } from '@/shared/ui/pot-mark';
import { Tick, ticked } from '@/shared/ui/tick';
import { Term } from '@/shared/ui/term';
import type { SheetPotProps, SheetRowProps, Technique } from '@/types/generated';
import { Strips, type Strip } from './strips';

type Props = { sheets: SheetRowProps[]; pots: SheetPotProps[]; techniques: Technique[] };

const MOST = 24;

type Paper = 'a4' | 'letter';

/** Printed sheets that a whole shelf is measured with. */
export default function SheetsPage(props: Props) {
    const choice = useNewSheet(props);
    return (
        <Shell title="Swatch sheets">
            <div className="grid gap-8 lg:grid-cols-[minmax(0,1fr)_20rem]">
                <NewSheet choice={choice} {...props} />
                <Printed sheets={props.sheets} />
            </div>
        </Shell>
    );
}

type NewSheetState = ReturnType<typeof useNewSheet>;

function useNewSheet({ pots }: Props) {
    // What has never been measured, the most worth it first.
    const [chosen, setChosen] = useState(() =>
        pots
            .filter((pot) => pot.quality !== 'measured')
            .slice(0, MOST)
            .map((pot) => pot.id),
    );
    const [strips, setStrips] = useState<Strip[]>([]);
    const [paper, setPaper] = useState<Paper>('a4');
    const [white, setWhite] = useState(() => surest(pots)?.id ?? 0);
    const { message, attempt } = useAttempt();
    const fields = chosen.length + strips.length;

    const create = () =>
        attempt(async () => {
            const { id } = await send<{ id: number }>('POST', url('sheets.store'), {
                paper,
                whiteId: white === 0 ? null : white,
                fields: [...chosen.map((paintId) => ({ paintId })), ...strips],
            });
            router.visit(url('sheets.show', { sheet: id }));
            return null;
        });
    return { chosen, setChosen, strips, setStrips, paper, setPaper, white, setWhite, message, create, fields };
}

function NewSheet({ choice, pots, techniques }: Props & { choice: NewSheetState }) {
    const { chosen, setChosen, fields, message } = choice;
    return (
        <section aria-labelledby="new-sheet" className="flex flex-col gap-3">
            <h1 id="new-sheet" className="text-2xl">
                New swatch sheet
            </h1>
            <p className="max-w-prose text-base">
                Print a sheet, paint one coat of each pot over black and paper, a thick blob and a <Term name="tint" />,
                let it dry, and photograph it with your phone. One photo measures up to {MOST} pots.
            </p>
            <Settings choice={choice} pots={pots} />
            <div className="flex items-baseline gap-3">
                <h2 className="text-lg font-semibold">Pots</h2>
                <span className="text-sm text-quiet">
                    most useful to measure first; <Term name="ΔE" /> is how sure one coat is (
                    <Term name="estimate" />)
                </span>
                <span className="ml-auto text-sm whitespace-nowrap" role="status">
                    {fields} of {MOST} fields
                </span>
            </div>
            {pots.length === 0 && (
                <p className="text-base">
                    No pot to measure yet.{' '}
                    <Link href={url('shelf')} className="underline underline-offset-4">
                        Add pots to the shelf
                    </Link>
                </p>
            )}
            <ul className="grid max-h-[26rem] gap-x-4 overflow-y-auto border border-line p-2 sm:grid-cols-2 xl:grid-cols-3">
                {pots.map((pot) => (
                    <li key={pot.id}>
                        <Tick
                            className="min-h-11 text-sm"
                            checked={chosen.includes(pot.id)}
                            onTick={(isOn) => {
                                setChosen(ticked(chosen, pot.id, isOn));
                            }}
                        >
                            <PotMark hex={pot.hex} size={28} />
                            <span className="min-w-0 leading-tight">
                                <span className="block truncate">{pot.name}</span>
                                <span className="block text-xs text-quiet">{worthWords(pot)}</span>
                            </span>
                        </Tick>
                    </li>
                ))}
            </ul>
            <Strips techniques={techniques} pots={pots} strips={choice.strips} onStrips={choice.setStrips} />
            {fields > MOST && <Notice strong>A sheet has {MOST} fields. Print the others on a second one.</Notice>}
            {message !== null && <Notice strong>{message}</Notice>}
            <div>
                <Button look="main" disabled={fields === 0 || fields > MOST} onClick={() => void choice.create()}>
                    Create the sheet
                </Button>
            </div>
        </section>
    );
}

/** The white that is known best: all tints are judged by it. */
function surest(pots: SheetPotProps[]): SheetPotProps | undefined {
    return pots.filter((pot) => pot.isWhite).sort((p, q) => p.sure - q.sure)[0];
}

function worthWords(pot: SheetPotProps): string {
    const uses = pot.uses === 0 ? '' : `, ${many(pot.uses, 'layer')}`;
    return `${pot.quality}, ΔE ${one(pot.sure)}${uses}`;
}

function Settings({ choice, pots }: { choice: NewSheetState; pots: SheetPotProps[] }) {
    const whites = pots.filter((pot) => pot.isWhite);
    return (
        <div className="flex flex-wrap items-end gap-4">
            <div className="flex flex-col gap-1">
                <span className="text-sm font-medium">Paper</span>
                <Choice<Paper>
                    label="Paper"
                    value={choice.paper}
                    options={[
                        { value: 'a4', label: 'A4' },
                        { value: 'letter', label: 'Letter' },
                    ]}
                    onChoose={choice.setPaper}
                />
            </div>
            <div className="w-64">
                <Pick
                    label="White for the tints"
                    value={String(choice.white)}
                    options={[
                        ...whites.map((pot) => ({ value: String(pot.id), label: pot.name })),
                        { value: '0', label: 'none: leave the tints out' },
                    ]}
                    onPick={(value) => {
                        choice.setWhite(Number(value));
                    }}
                />
            </div>
        </div>
    );
}

function Printed({ sheets }: { sheets: SheetRowProps[] }) {
    const day = (iso: string) => new Date(iso).toLocaleDateString(undefined, { day: 'numeric', month: 'short' });
    return (
        <section aria-labelledby="sheets">
            <h2 id="sheets" className="mb-2 text-lg font-semibold">
                Your sheets
            </h2>
            {sheets.length === 0 && <p className="text-base">No sheet yet.</p>}
            <ul className="flex flex-col gap-2">
                {sheets.map((sheet) => (
                    <li key={sheet.id}>
                        <Link
                            href={url('sheets.show', { sheet: sheet.id })}
                            className="block border border-strong bg-raised p-3 hover:border-ink"
                        >
                            <span className="block text-base font-semibold">Sheet {sheet.id}</span>
                            <span className="block text-sm text-quiet">
                                {many(sheet.fields, 'field')}, made {day(sheet.createdAt)}
                            </span>
                            <span className="block text-sm">
                                {sheet.photos === 0
                                    ? 'no photo yet'
                                    : `${many(sheet.photos, 'photo')}, ${sheet.keptAt === null ? 'nothing used yet' : `used ${day(sheet.keptAt)}`}`}
                            </span>
                        </Link>
                    </li>
                ))}
            </ul>
        </section>
    );
}
