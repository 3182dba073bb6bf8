import { Link } from '@inertiajs/react';
import { useRef, useState, type ReactNode, type SetStateAction } from 'react';
import { OrderBoard } from '@/features/order-board/board';
import { OrdersBeside } from '@/features/order-board/compared';
import { Broken, StepDetail } from '@/features/order-board/detail';
import { OrderList } from '@/features/order-board/list';
import { arranged, moved } from '@/features/order-board/order';
import { Shell } from '@/features/shell/shell';
import { ApiError, send } from '@/shared/lib/api';
import { many, minutesWords } from '@/shared/lib/format';
import { reloaded } from '@/shared/lib/reloaded';
import { useNarrow } from '@/shared/lib/use-narrow';
import { url } from '@/shared/lib/url';
import { useSaving } from '@/shared/lib/use-saving';
import { Button } from '@/shared/ui/button';
import { Choice } from '@/shared/ui/choice';
import { Notice } from '@/shared/ui/notice';
import { Pick } from '@/shared/ui/pick';
import { Empty } from '@/shared/ui/empty';
import type {
    BuildProps,
    ContradictionProps,
    FigureProps,
    OrderProps,
    OrderStepProps,
    ApproachPairProps,
    StepKind,
    IssueProps,
} from '@/types/generated';
import { Build } from './build';
import { Contradiction } from './contradiction';
import { Approaches } from './approaches';
import { lengthWords } from '@/shared/lib/units';

type Props = {
    figure: FigureProps;
    planned: OrderProps | null;
    own: OrderProps | null;
    /** Mark of the own order that is stored. */
    seen: string;
    problem: string | null;
    contradiction: ContradictionProps | null;
    build: BuildProps;
    approaches: ApproachPairProps[];
};

type Tab = 'order' | 'build' | 'approaches';

const ALL = 'all';

/** The figure where no part of it is named. */
const WHOLE = '0';

const KEYS = [
    ['arrows', 'choose a step'],
    ['Shift + arrows', 'move it'],
] as const;

/** The order of work: the whole of it on one view, with reasons. */
export default function OrderPage({ figure, planned, own, seen, problem, contradiction, build, approaches }: Props) {
    const [tab, setTab] = useState<Tab>(planned || contradiction ? 'order' : 'build');
    const tabs = (
        <Choice<Tab>
            label="Show"
            value={tab}
            options={[
                { value: 'order', label: 'Order' },
                { value: 'build', label: 'Build' },
                { value: 'approaches', label: 'Approaches, steps, rules' },
            ]}
            onChoose={setTab}
        />
    );
    return (
        <Shell title={`Order of ${figure.name}`} figure={figure} keys={KEYS} wide headsByTitle>
            <div className="flex min-h-full flex-col gap-3 p-4 lg:h-full">
                {(tab !== 'order' || !planned) && tabs}
                {problem !== null && <Notice strong>{problem}</Notice>}
                {tab === 'order' && contradiction && <Contradiction figure={figure} found={contradiction} />}
                {tab === 'order' && planned && (
                    <Board
                        key={JSON.stringify([planned.cost, own?.cost])}
                        tabs={tabs}
                        figure={figure}
                        planned={planned}
                        seen={seen}
                        own={own}
                        build={build}
                    />
                )}
                {!planned && !contradiction && problem === null && (
                    <Empty act="Build a finish" to={url('figures.finishes', { figure: figure.id })}>
                        No area has a layer yet: there is nothing to put in order. Joints and borders can be said here
                        already.
                    </Empty>
                )}
                {tab === 'build' && <Build figure={figure} build={build} />}
                {tab === 'approaches' && (
                    <Approaches figure={figure} approaches={approaches} build={build} planned={planned} />
                )}
            </div>
        </Shell>
    );
}

type BoardProps = {
    tabs: ReactNode;
    seen: string;
    figure: FigureProps;
    planned: OrderProps;
    own: OrderProps | null;
    build: BuildProps;
};

function Board(props: BoardProps) {
    const work = useOrder(props);
    const narrow = useNarrow();
    const { problem } = work;

    return (
        <>
            <FilterBar work={work} />
            <Summary work={work} />
            {problem !== null && <Notice strong>{problem}</Notice>}
            {narrow ? <Narrow work={work} /> : <Wide work={work} />}
        </>
    );
}

type Work = ReturnType<typeof useOrder>;

type OrderState = ReturnType<typeof useOrderState>;

function useOrderState({ tabs, figure, planned, own, seen, build }: BoardProps) {
    const [order, setOrder] = useState(own ?? planned);
    const [ids, setIds] = useState((own ?? planned).steps.map((s) => s.id));
    const [chosen, setChosen] = useState<string | null>(ids[0] ?? null);
    const [part, setPart] = useState(ALL);
    const [kind, setKind] = useState<StepKind | typeof ALL>(ALL);
    const [tool, setTool] = useState(ALL);
    const [problem, setProblem] = useState<string | null>(null);
    const [beside, setBeside] = useState(false);
    const asking = useRef<AbortController | null>(null);
    const save = useSaving(seen, reloaded);
    const steps = arranged(order, ids);
    const step = steps.find((s) => s.id === chosen);
    const isPlanned = ids.join(' ') === planned.steps.map((s) => s.id).join(' ');
    const isStored = ids.join(' ') === (own ?? planned).steps.map((s) => s.id).join(' ');
    const broken = new Set(
        order.rules.filter((r) => !r.isKept && r.weight === null).flatMap((r) => [r.before, r.after]),
    );
    return {
        tabs,
        save,
        figure,
        planned,
        own,
        build,
        order,
        setOrder,
        ids,
        setIds,
        chosen,
        setChosen,
        part,
        setPart,
        kind,
        setKind,
        tool,
        setTool,
        problem,
        setProblem,
        beside,
        setBeside,
        asking,
        steps,
        step,
        isPlanned,
        isStored,
        broken,
    };
}

function useOrder(props: BoardProps) {
    const state = useOrderState(props);
    const { planned, order } = state;
    const actions = useJudging(state);

    const musts = order.rules.filter((r) => !r.isKept && r.weight === null).length;
    const mm = Math.round(order.maskMm - planned.maskMm);
    const kinds = [...new Set(order.steps.map((s) => s.kind))];

    return { ...state, ...actions, musts, mm, kinds };
}

function Issues({
    figureId,
    issues,
    onChoose,
}: {
    figureId: number;
    issues: readonly IssueProps[];
    onChoose: (id: string) => void;
}) {
    return (
        <section aria-label="Completeness and compatibility" className="flex flex-col gap-2 text-sm">
            <h2 className="font-semibold">{issues.length === 0 ? 'Complete' : 'Completeness and compatibility'}</h2>
            {issues.length === 0 && <p>Every visible area is painted, no step is missing, no film attacks another.</p>}
            <ul className="flex flex-col gap-1">
                {issues.map((issue) => (
                    <li key={issue.what} className="leading-snug">
                        {issue.stops && <strong>Stops the plan: </strong>}
                        {issue.what} {issue.remedy}{' '}
                        {issue.step !== null && (
                            <button
                                type="button"
                                className="text-xs underline"
                                onClick={() => {
                                    if (issue.step !== null) onChoose(issue.step);
                                }}
                            >
                                show
                            </button>
                        )}{' '}
                        {issue.areaId !== null && (
                            <Link
                                className="text-xs underline"
                                href={url('figures.finishes', { figure: figureId, area: issue.areaId })}
                            >
                                its finish
                            </Link>
                        )}
                    </li>
                ))}
            </ul>
        </section>
    );
}

/** The board to see it all, the list to read it, and what there is to say of both below. */
function Wide({ work }: { work: Work }) {
    const { step, order, planned, setChosen, figure } = work;
    return (
        <div className="flex min-h-0 flex-1 gap-4">
            <div className="flex min-w-0 flex-1 flex-col gap-3">
                <Canvas work={work} />
                <div className="grid h-60 shrink-0 grid-cols-3 gap-5 overflow-y-auto">
                    {step ? <StepDetail order={order} planned={planned} step={step} onChoose={setChosen} /> : <span />}
                    <NotMet work={work} />
                    <Issues figureId={figure.id} issues={order.issues} onChoose={setChosen} />
                </div>
            </div>
            <div className="w-72 shrink-0 overflow-y-auto border border-line">
                <List work={work} />
            </div>
        </div>
    );
}

/** A phone has no room for a board: the list, and under the chosen step what there is to say of it. */
function Narrow({ work }: { work: Work }) {
    const { step, order, planned, setChosen, figure, beside, isPlanned } = work;
    const open = order.rules.filter((r) => !r.isKept).length + order.issues.length;
    return (
        <>
            {open > 0 && (
                <details open={!order.canBePainted} className="border border-line p-2">
                    <summary className="cursor-pointer font-semibold">{many(open, 'remark')} on this order</summary>
                    <div className="flex flex-col gap-4 pt-2">
                        <Issues figureId={figure.id} issues={order.issues} onChoose={setChosen} />
                        <NotMet work={work} />
                    </div>
                </details>
            )}
            {beside && !isPlanned && <Canvas work={work} />}
            <List work={work}>
                {step && <StepDetail order={order} planned={planned} step={step} onChoose={setChosen} />}
            </List>
        </>
    );
}

function List({ work, children }: { work: Work; children?: ReactNode }) {
    const { steps, chosen, broken, setChosen, judge, ids } = work;
    return (
        <OrderList
            steps={steps}
            chosen={chosen}
            broken={broken}
            dimmed={dimmedBy(work)}
            onChoose={setChosen}
            onMove={(id, to) => void judge(moved(ids, id, to))}
        >
            {children}
        </OrderList>
    );
}

/** Whether a step is none of those that the filters ask for. */
function dimmedBy({ part, kind, tool }: Work): (step: OrderStepProps) => boolean {
    return (s) =>
        (part !== ALL && !s.partIds.includes(part)) ||
        (kind !== ALL && s.kind !== kind) ||
        (tool !== ALL && s.tool !== tool);
}

function NotMet({ work }: { work: Work }) {
    const { order, setChosen, ids, judge } = work;
    return (
        <section aria-label="Rules not met" className="flex flex-col gap-2">
            <h2 className="text-sm font-semibold">Rules not met</h2>
            <Broken
                order={order}
                onMend={(id, before) => {
                    setChosen(id);
                    const rest = ids.filter((other) => other !== id);
                    void judge(moved(ids, id, rest.indexOf(before)));
                }}
            />
        </section>
    );
}

function Canvas({ work }: { work: Work }) {
    const { beside, isPlanned, planned, order, steps, chosen, setChosen, build, broken, judge, ids } = work;
    return (
        <div className="relative min-h-72 flex-1 border border-line lg:min-h-0">
            {beside && !isPlanned ? (
                <OrdersBeside planned={planned} own={{ order, steps }} chosen={chosen} onChoose={setChosen} />
            ) : (
                <OrderBoard
                    steps={steps}
                    masks={order.masks}
                    lanes={
                        build.parts.length === 0
                            ? [{ id: WHOLE, name: work.figure.name }]
                            : build.parts.map((p) => ({ id: String(p.id), name: p.name }))
                    }
                    chosen={chosen}
                    broken={broken}
                    dimmed={dimmedBy(work)}
                    onChoose={setChosen}
                    onMove={(id, to) => void judge(moved(ids, id, to))}
                />
            )}
        </div>
    );
}

function Summary({ work }: { work: Work }) {
    const { steps, order, musts, isPlanned, mm, planned } = work;
    return (
        <div className="text-sm">
            <p className="leading-tight">
                <strong className="text-lg">{many(order.workSteps, 'step')}</strong>
                {order.workSteps > steps.length && `, ${order.workSteps - steps.length} of them masks on and off`},
                about {minutesWords(order.handsOnMinutes)} at the bench (estimate). {maskWords(order)}
                <span className="block text-xs text-quiet">
                    {musts > 0 && (
                        <strong className="text-ink">
                            This order cannot be painted: {many(musts, 'hard rule')} not met.{' '}
                        </strong>
                    )}
                    {musts === 0 && !order.canBePainted && (
                        <strong className="text-ink">This plan is stopped: see what to change below. </strong>
                    )}
                    {isPlanned
                        ? 'Planned order: all hard rules met, with the least masking and the fewest preferences not met that were found.'
                        : `Your own order: ${mm === 0 ? 'masks as much as' : `masks ${lengthWords(Math.abs(mm))} ${mm > 0 ? 'more' : 'less'} than`} the planned order, and takes ${Math.round(Math.abs(order.cost - planned.cost))} min ${order.cost >= planned.cost ? 'more' : 'less'} for masking and preferences (estimates).`}
                </span>
            </p>
        </div>
    );
}

function maskWords(order: OrderProps): string {
    if (order.masks.length === 0) return 'No mask is needed.';
    const guessed = order.estimatedMm > 0 ? ` (${Math.round(order.estimatedMm)} of them estimated)` : '';
    return `Masks: ${lengthWords(Math.round(order.maskMm))}${guessed}, about ${minutesWords(Math.round(order.maskMinutes))}`;
}

function FilterBar({ work }: { work: Work }) {
    const {
        tabs,
        part,
        build,
        setPart,
        kind,
        kinds,
        setKind,
        tool,
        order,
        setTool,
        isPlanned,
        beside,
        setBeside,
        setOrder,
        planned,
        setIds,
        own,
        keep,
        isStored,
        ids,
    } = work;
    return (
        <div className="flex flex-wrap items-center gap-3 text-sm">
            {tabs}
            <PartPick part={part} build={build} setPart={setPart} />
            <KindPick kind={kind} kinds={kinds} setKind={setKind} />
            <ToolPick tool={tool} order={order} setTool={setTool} />
            {!isPlanned && (
                <Button
                    aria-pressed={beside}
                    onClick={() => {
                        setBeside(!beside);
                    }}
                >
                    {beside ? 'Lanes' : 'Compare with the planned order'}
                </Button>
            )}
            {!isPlanned && (
                <Button
                    onClick={() => {
                        setOrder(planned);
                        setIds(planned.steps.map((s) => s.id));
                        if (own) void keep(null);
                    }}
                >
                    Use the planned order
                </Button>
            )}
            {!isStored && !isPlanned && (
                <Button look="main" onClick={() => void keep(ids)}>
                    Save order
                </Button>
            )}
        </div>
    );
}

function useJudging({ setIds, asking, setOrder, figure, setProblem, save }: OrderState) {
    async function judge(next: string[]) {
        setIds(next);
        asking.current?.abort();
        const question = new AbortController();
        asking.current = question;
        try {
            setOrder(
                await send<OrderProps>(
                    'POST',
                    url('order.judge', { figure: figure.id }),
                    { steps: next },
                    question.signal,
                ),
            );
            setProblem(null);
        } catch (error) {
            if (error instanceof ApiError) setProblem(error.message);
        }
    }

    async function keep(next: string[] | null) {
        try {
            await save((mark) => send('PUT', url('order.update', { figure: figure.id }), { steps: next, seen: mark }));
        } catch (error) {
            if (!(error instanceof ApiError)) throw error;
            setProblem(error.message);
        }
    }

    return { judge, keep };
}

function ToolPick({
    tool,
    order,
    setTool,
}: {
    tool: string;
    order: OrderProps;
    setTool: (value: SetStateAction<string>) => void;
}) {
    return (
        <div className="w-32">
            <Pick
                label="Tool"
                hideLabel
                value={tool}
                options={[
                    { value: ALL, label: 'all tools' },
                    ...[...new Set(order.steps.map((s) => s.tool))].map((t) => ({ value: t, label: t })),
                ]}
                onPick={setTool}
            />
        </div>
    );
}

function KindPick({
    kind,
    kinds,
    setKind,
}: {
    kind: 'all' | StepKind;
    kinds: StepKind[];
    setKind: (value: SetStateAction<'all' | StepKind>) => void;
}) {
    return (
        <div className="w-32">
            <Pick<StepKind | typeof ALL>
                label="Kind"
                hideLabel
                value={kind}
                options={[{ value: ALL, label: 'all kinds' }, ...kinds.map((k) => ({ value: k, label: k }))]}
                onPick={setKind}
            />
        </div>
    );
}

function PartPick({
    part,
    build,
    setPart,
}: {
    part: string;
    build: BuildProps;
    setPart: (value: SetStateAction<string>) => void;
}) {
    return (
        <div className="ml-auto w-32">
            <Pick
                label="Part"
                hideLabel
                value={part}
                options={[
                    { value: ALL, label: 'all parts' },
                    ...build.parts.map((p) => ({ value: String(p.id), label: p.name })),
                ]}
                onPick={setPart}
            />
        </div>
    );
}
