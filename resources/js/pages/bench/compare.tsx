import { Link, router } from '@inertiajs/react';
import { SectionStrip } from '@/features/section/section-strip';
import { Shell } from '@/features/shell/shell';
import { send } from '@/shared/lib/api';
import { ZONES, many, one } from '@/shared/lib/format';
import { url } from '@/shared/lib/url';
import { useAttempt } from '@/shared/lib/use-attempt';
import { Button } from '@/shared/ui/button';
import { Notice } from '@/shared/ui/notice';
import { Pick } from '@/shared/ui/pick';
import type { ComparedRunAreaProps, FigureProps } from '@/types/generated';

type Props = {
    figure: FigureProps;
    runId: number;
    runNumber: number;
    otherNumber: number | null;
    others: { id: number; number: number }[];
    areas: ComparedRunAreaProps[];
};

const PLAN = 'plan';
const VISIBLE = 1;

/** A run beside the recipe or another run, in the same section, with what differs marked. */
export default function BesidePage({ figure, runId, runNumber, otherNumber, others, areas }: Props) {
    const { message, attempt } = useAttempt();
    const changed = areas.filter((area) => area.changed.length > 0);

    async function adopt() {
        if (await attempt(() => send('POST', url('runs.adopt', { run: runId })))) router.reload();
    }

    return (
        <Shell title={`Run ${runNumber} of ${figure.name} compared with its plan`} figure={figure}>
            <div className="mx-auto flex max-w-6xl flex-col gap-5">
                <Head
                    runNumber={runNumber}
                    otherNumber={otherNumber}
                    others={others}
                    runId={runId}
                    changed={changed}
                    areas={areas}
                    adopt={adopt}
                    figure={figure}
                />
                {message !== null && <Notice strong>{message}</Notice>}
                {changed.map((area) => (
                    <Area
                        key={area.id}
                        area={area}
                        left={otherNumber === null ? 'Recipe' : `Run ${otherNumber}`}
                        right={`Run ${runNumber}`}
                    />
                ))}
                {changed.length < areas.length && (
                    <p className="text-sm text-quiet">
                        Same as {otherNumber === null ? 'the recipe' : `in run ${otherNumber}`}:{' '}
                        {areas
                            .filter((area) => area.changed.length === 0)
                            .map((area) => area.name)
                            .join(', ')}
                        .
                    </p>
                )}
            </div>
        </Shell>
    );
}

function Area({ area, left, right }: { area: ComparedRunAreaProps; left: string; right: string }) {
    const top = (section: ComparedRunAreaProps['left']) => section.rows[section.rows.length - 1];
    return (
        <section aria-label={area.name} className="border border-ink bg-raised p-3">
            <h2 className="text-lg font-semibold">
                {area.name}{' '}
                <span className="text-sm font-normal text-quiet">
                    {many(area.changed.length, 'layer')} differ{area.changed.length === 1 ? 's' : ''}
                </span>
            </h2>
            <div className="my-2">
                {[area.left, area.right].map((section, side) => (
                    <div key={side} className="flex h-10" aria-hidden>
                        {top(section)?.cells.map((cell) => (
                            <span key={cell.zone} className="flex-1" style={{ background: cell.colour.hex }} />
                        ))}
                    </div>
                ))}
                <div className="flex text-center text-sm">
                    {ZONES.map((zone, i) => (
                        <span key={zone} className="flex-1">
                            {zone}{' '}
                            {(area.differences[i] ?? 0) >= VISIBLE ? (
                                <strong>{one(area.differences[i] ?? 0)}</strong>
                            ) : (
                                one(area.differences[i] ?? 0)
                            )}
                        </span>
                    ))}
                </div>
            </div>
            <div className="grid gap-6 sm:grid-cols-2">
                {(
                    [
                        [left, area.leftLayers, area.left],
                        [right, area.rightLayers, area.right],
                    ] as const
                ).map(([name, layers, section]) => (
                    <div key={name}>
                        <h3 className="mb-1 text-sm font-semibold">{name}</h3>
                        <SectionStrip
                            layers={layers}
                            section={section}
                            action={(index) =>
                                area.changed.includes(layers[index]?.key ?? '') ? (
                                    <strong className="text-xs">differs</strong>
                                ) : null
                            }
                        />
                    </div>
                ))}
            </div>
        </section>
    );
}

function Head({
    runNumber,
    otherNumber,
    others,
    runId,
    changed,
    areas,
    adopt,
    figure,
}: {
    runNumber: number;
    otherNumber: number | null;
    others: { id: number; number: number }[];
    runId: number;
    changed: ComparedRunAreaProps[];
    areas: ComparedRunAreaProps[];
    adopt: () => Promise<void>;
    figure: FigureProps;
}) {
    return (
        <header className="flex flex-wrap items-end gap-4">
            <h1 className="text-2xl">Compare run {runNumber} with</h1>
            <div className="w-44">
                <Pick
                    label="Compare with"
                    hideLabel
                    value={
                        otherNumber === null ? PLAN : String(others.find((o) => o.number === otherNumber)?.id ?? PLAN)
                    }
                    options={[
                        { value: PLAN, label: 'the recipe' },
                        ...others.map((o) => ({ value: String(o.id), label: `run ${o.number}` })),
                    ]}
                    onPick={(value) => {
                        router.visit(url('runs.beside', { run: runId, ...(value === PLAN ? {} : { other: value }) }));
                    }}
                />
            </div>
            <p className="flex-1 text-sm text-quiet">
                {changed.length === 0
                    ? 'No differences.'
                    : `${many(changed.length, 'area')} of ${areas.length} ${changed.length === 1 ? 'differs' : 'differ'}.`}
            </p>
            <Button look="main" disabled={changed.length === 0 || otherNumber !== null} onClick={() => void adopt()}>
                Make this run the recipe
            </Button>
            <Link className="text-sm underline underline-offset-4" href={url('figures.bench', { figure: figure.id })}>
                All runs
            </Link>
        </header>
    );
}
