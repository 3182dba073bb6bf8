import { router, useForm, usePage } from '@inertiajs/react';
import { useState, type ReactNode } from 'react';
import { Shell } from '@/features/shell/shell';
import { send } from '@/shared/lib/api';
import { many } from '@/shared/lib/format';
import { url } from '@/shared/lib/url';
import { timeWords } from '@/shared/lib/settings';
import { useAttempt } from '@/shared/lib/use-attempt';
import { Button } from '@/shared/ui/button';
import { Entry } from '@/shared/ui/entry';
import { Notice } from '@/shared/ui/notice';
import { Pick } from '@/shared/ui/pick';
import type { SetAsideProps, SettingsProps } from '@/types/generated';

type Account = { name: string; email: string; isOwner: boolean; figures: number };

/** The painter's own account: who they are, how they get in, and how they leave. */
export default function AccountPage({ account, setAside }: { account: Account; setAside: readonly SetAsideProps[] }) {
    return (
        <Shell title="Account">
            <div className="mx-auto flex max-w-xl flex-col gap-8 p-6">
                <h1 className="text-2xl font-bold">Account</h1>
                <Who account={account} />
                <Settings />
                <Password />
                {account.isOwner && <Invite />}
                <Elsewhere />
                {setAside.length > 0 && <SetAside edits={setAside} />}
                <Leave account={account} />
            </div>
        </Shell>
    );
}

function Part({ title, children, onSubmit }: { title: string; children: ReactNode; onSubmit: () => void }) {
    return (
        <form
            aria-label={title}
            className="flex flex-col gap-3 border-t border-line pt-4"
            onSubmit={(event) => {
                event.preventDefault();
                onSubmit();
            }}
        >
            <h2 className="text-base font-bold">{title}</h2>
            {children}
        </form>
    );
}

/** What two windows changed at once: what lost is here, to be read and copied. */
function SetAside({ edits }: { edits: readonly SetAsideProps[] }) {
    return (
        <section aria-label="Set aside" className="flex flex-col gap-3 border-t border-line pt-4">
            <h2 className="text-base font-bold">Set aside</h2>
            <p className="text-sm">
                {many(edits.length, 'change')} that could not be saved, as another window had changed the same.
            </p>
            {edits.map((edit) => (
                <details key={edit.id}>
                    <summary>
                        {edit.of}, {new Date(edit.at).toLocaleDateString()}, {timeWords(new Date(edit.at))}
                    </summary>
                    <pre className="overflow-x-auto py-2 text-xs whitespace-pre-wrap">{edit.lines.join('\n')}</pre>
                    <Button
                        size="small"
                        onClick={() => {
                            router.delete(url('account.forget', { setAside: edit.id }), { preserveScroll: true });
                        }}
                    >
                        Forget
                    </Button>
                </details>
            ))}
        </section>
    );
}

function Who({ account }: { account: Account }) {
    const form = useForm({ name: account.name, email: account.email });
    return (
        <Part
            title="Name and e-mail"
            onSubmit={() => {
                form.put(url('account.update'), { preserveScroll: true });
            }}
        >
            <Entry form={form} of="name" kind="name" />
            <Entry form={form} of="email" kind="email" />
            <Save isDone={form.recentlySuccessful} isBusy={form.processing} label="Save" done="Saved." />
        </Part>
    );
}

/** How things are written; whether this device says aloud when something is dry is set beside the timers. */
function Settings() {
    const settings = usePage<{ settings: SettingsProps }>().props.settings;
    const form = useForm({ ...settings });
    return (
        <Part
            title="Settings"
            onSubmit={() => {
                form.put(url('account.settings'), { preserveScroll: true });
            }}
        >
            <div className="grid grid-cols-1 gap-4 sm:grid-cols-2">
                <Pick
                    label="Clock"
                    value={String(form.data.clockHours ?? 0)}
                    options={[
                        { value: '0', label: 'as this browser' },
                        { value: '24', label: '24 hours' },
                        { value: '12', label: '12 hours' },
                    ]}
                    onPick={(hours) => {
                        form.setData('clockHours', hours === '0' ? null : Number(hours));
                    }}
                />
                <Pick
                    label="The week begins on"
                    value={String(form.data.firstWeekday)}
                    options={[
                        { value: '1', label: 'Monday' },
                        { value: '6', label: 'Saturday' },
                        { value: '7', label: 'Sunday' },
                    ]}
                    onPick={(day) => {
                        form.setData('firstWeekday', Number(day));
                    }}
                />
                <Pick
                    label="Lengths in"
                    value={form.data.length}
                    options={[
                        { value: 'mm', label: 'mm and cm²' },
                        { value: 'in', label: 'inches' },
                    ]}
                    onPick={(length) => {
                        form.setData('length', length);
                    }}
                />
                <Pick
                    label="Amounts of paint in"
                    value={form.data.volume}
                    options={[
                        { value: 'mL', label: 'mL' },
                        { value: 'drops', label: 'drops of 0.05 mL' },
                    ]}
                    onPick={(volume) => {
                        form.setData('volume', volume);
                    }}
                />
            </div>
            <Save isDone={form.recentlySuccessful} isBusy={form.processing} label="Save settings" done="Saved." />
        </Part>
    );
}

function Password() {
    const form = useForm({ current: '', password: '' });
    return (
        <Part
            title="Another password"
            onSubmit={() => {
                form.put(url('account.password'), {
                    preserveScroll: true,
                    onSuccess: () => {
                        form.reset();
                    },
                });
            }}
        >
            <Entry form={form} of="current" kind="password" label="Present password" />
            <Entry
                form={form}
                of="password"
                kind="newPassword"
                label="New password"
                hint="At least 10 characters. All other devices are signed out."
            />
            <Save
                isDone={form.recentlySuccessful}
                isBusy={form.processing}
                label="Set the password"
                done="It is set."
            />
        </Part>
    );
}

function Elsewhere() {
    const form = useForm({ current: '' });
    return (
        <Part
            title="Other devices"
            onSubmit={() => {
                form.post(url('account.elsewhere'), {
                    preserveScroll: true,
                    onSuccess: () => {
                        form.reset();
                    },
                });
            }}
        >
            <Entry form={form} of="current" kind="password" label="Present password" />
            <Save
                isDone={form.recentlySuccessful}
                isBusy={form.processing}
                label="Sign out everywhere else"
                done="Every other device is signed out."
            />
        </Part>
    );
}

function Invite() {
    const [link, setLink] = useState<string | null>(null);
    const { message, attempt } = useAttempt();
    return (
        <Part
            title="Invite a painter"
            onSubmit={() => {
                void attempt(async () => {
                    setLink((await send<{ url: string }>('POST', url('account.invite'))).url);
                });
            }}
        >
            {message !== null && <Notice strong>{message}</Notice>}
            {link === null ? (
                <p className="text-sm">A link with which one more painter can sign up, within 14 days.</p>
            ) : (
                <p className="text-sm break-all select-all">{link}</p>
            )}
            <Button type="submit" className="self-start">
                {link === null ? 'Make a link' : 'Make another link'}
            </Button>
        </Part>
    );
}

function Leave({ account }: { account: Account }) {
    const form = useForm({ current: '', heir: '' });
    return (
        <Part
            title="Delete the account"
            onSubmit={() => {
                form.delete(url('account.destroy'), { preserveScroll: true });
            }}
        >
            <p className="text-sm">
                {many(account.figures, 'figure')}, the shelf, recipes, runs and photos are deleted and cannot be brought
                back. A copy of everything is written first: the sign-in page offers it once, for a week.
            </p>
            <Entry form={form} of="current" kind="password" label="Present password" />
            {account.isOwner && (
                <Entry
                    form={form}
                    of="heir"
                    kind="email"
                    label="E-mail of the next owner (empty: the longest-standing painter)"
                    optional
                />
            )}
            <Button type="submit" className="self-start" disabled={form.processing}>
                Delete my account
            </Button>
        </Part>
    );
}

function Save({ isDone, isBusy, label, done }: { isDone: boolean; isBusy: boolean; label: string; done: string }) {
    return (
        <div className="flex items-center gap-3">
            <Button type="submit" disabled={isBusy}>
                {label}
            </Button>
            <span role="status" className="text-sm">
                {isDone ? done : ''}
            </span>
        </div>
    );
}
