import { Trash2 } from 'lucide-react';
import { useState } from 'react';
import { weekdays } from '@/shared/lib/settings';
import { Button } from '@/shared/ui/button';
import { clockWords } from '@/shared/lib/format';
import { useSettling } from '@/shared/lib/use-settling';
import { Pick } from '@/shared/ui/pick';
import { Tick } from '@/shared/ui/tick';
import type { BenchExceptionProps, BenchHourProps } from '@/types/generated';

const DAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];
const FIELD = 'border border-strong bg-raised px-2 py-1 text-sm';

/** The weekly pattern, days that differ from it, and what helps paint to dry. */
export function Hours({
    hours: storedHours,
    exceptions: storedExceptions,
    aid,
    aids,
    onKeep,
}: {
    hours: readonly BenchHourProps[];
    exceptions: readonly BenchExceptionProps[];
    aid: string;
    aids: readonly string[];
    onKeep: (change: Record<string, unknown>) => unknown;
}) {
    const [hours, settleHours] = useSettling(storedHours);
    const [exceptions, settleExceptions] = useSettling(storedExceptions);
    return (
        <>
            <section aria-label="Your bench hours">
                <h2 className="mb-1 text-sm font-semibold">Your bench hours</h2>
                <ul className="flex flex-col gap-1">
                    {weekdays().map((day) => (
                        <Day
                            key={`${day} ${JSON.stringify(hours.filter((h) => h.day === day))}`}
                            name={DAYS[day - 1] ?? ''}
                            hour={hours.find((h) => h.day === day) ?? null}
                            onSet={(hour) => {
                                const next = [
                                    ...hours.filter((h) => h.day !== day),
                                    ...(hour ? [{ ...hour, day }] : []),
                                ];
                                settleHours(next, onKeep({ hours: next }));
                            }}
                        />
                    ))}
                </ul>
            </section>
            <Exceptions
                exceptions={exceptions}
                onKeep={(next) => {
                    settleExceptions(next, onKeep({ exceptions: next }));
                }}
            />
            <Pick
                label="Paint dries in"
                value={aid}
                options={aids.map((value) => ({ value, label: value }))}
                onPick={(next) => onKeep({ aid: next })}
            />
        </>
    );
}

function Day({
    name,
    hour,
    onSet,
}: {
    name: string;
    hour: BenchHourProps | null;
    onSet: (hour: { start: string; minutes: number } | null) => void;
}) {
    return (
        <li className="flex min-h-8 items-center gap-2 text-sm">
            <Tick
                className="w-28"
                checked={hour !== null}
                onTick={(isOn) => {
                    onSet(isOn ? { start: '19:30', minutes: 120 } : null);
                }}
            >
                {name}
            </Tick>
            {hour && (
                <>
                    <input
                        type="time"
                        aria-label={`${name}, from`}
                        className={`${FIELD} w-[7.25rem]`}
                        defaultValue={hour.start}
                        onBlur={(event) => {
                            if (event.target.value !== '' && event.target.value !== hour.start)
                                onSet({ start: event.target.value, minutes: hour.minutes });
                        }}
                    />
                    <input
                        type="number"
                        min={10}
                        max={1200}
                        aria-label={`${name}, minutes`}
                        className={`${FIELD} w-16`}
                        defaultValue={hour.minutes}
                        onBlur={(event) => {
                            if (Number(event.target.value) !== hour.minutes)
                                onSet({ start: hour.start, minutes: Number(event.target.value) });
                        }}
                    />
                </>
            )}
        </li>
    );
}

function Exceptions({
    exceptions,
    onKeep,
}: {
    exceptions: readonly BenchExceptionProps[];
    onKeep: (exceptions: BenchExceptionProps[]) => void;
}) {
    const [date, setDate] = useState('');
    const [start, setStart] = useState('');
    return (
        <section aria-label="Exceptions" className="flex flex-col gap-1">
            <h2 className="text-sm font-semibold">Exceptions</h2>
            <ul>
                {exceptions.map((e) => (
                    <ExceptionRow key={e.date} e={e} onKeep={onKeep} exceptions={exceptions} />
                ))}
            </ul>
            <div className="flex flex-wrap items-center gap-1">
                <input
                    type="date"
                    aria-label="Add a day"
                    className={FIELD}
                    value={date}
                    onChange={(event) => {
                        setDate(event.target.value);
                    }}
                />
                <input
                    type="time"
                    aria-label="Start; empty for no session"
                    className={`${FIELD} w-[7.25rem]`}
                    value={start}
                    onChange={(event) => {
                        setStart(event.target.value);
                    }}
                />
                <Button
                    size="small"
                    disabled={date === ''}
                    onClick={() => {
                        onKeep([
                            ...exceptions.filter((e) => e.date !== date),
                            { date, start: start === '' ? null : start, minutes: start === '' ? null : 120 },
                        ]);
                        setDate('');
                        setStart('');
                    }}
                >
                    {start === '' ? 'No session' : 'Two hours'}
                </Button>
            </div>
        </section>
    );
}

function ExceptionRow({
    e,
    onKeep,
    exceptions,
}: {
    e: BenchExceptionProps;
    onKeep: (exceptions: BenchExceptionProps[]) => void;
    exceptions: readonly BenchExceptionProps[];
}) {
    return (
        <li className="flex items-center gap-2 text-sm">
            <span className="flex-1">
                {new Date(`${e.date}T12:00`).toLocaleDateString(undefined, {
                    weekday: 'short',
                    day: 'numeric',
                    month: 'short',
                })}
                : {e.start === null ? 'no session' : `${clockWords(e.start)}, ${e.minutes ?? 0} min`}
            </span>
            <Button
                size="small"
                look="quiet"
                aria-label={`As usual on ${e.date}`}
                onClick={() => {
                    onKeep(exceptions.filter((other) => other.date !== e.date));
                }}
            >
                <Trash2 size={15} aria-hidden />
            </Button>
        </li>
    );
}
